import {
  answerName,
  influenceView,
  keepInfluence,
  lineRefusal,
  readAlong,
  type Asked,
  type PlaceDraft,
  type Problem,
  type Structure,
} from '@viga/core'
import { releasedFor } from '@viga/core/methods/mueller-breslau'
import { placeOn } from '@viga/core/structure/place'
import { fitted, type Place } from '@viga/core/statement/answer-place'
import { useEffect, useMemo } from 'react'
import { bodyFigure } from '@viga/drawing/body-figure'
import { LiveField } from '../../fields/LiveField'
import { PlaceFields } from '../../fields/PlaceFields'
import { SmallDrawing } from '../../figure/SmallDrawing'
import { useDisplay, useEdit, useSheet, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import type { Solved } from '../solved'
import { LineFormulas } from './LineFormulas'
import { LineNumbers } from './LineNumbers'
import { findLine, lineUnit, membersAlong } from './shown-line'
import { TrainBlock } from './TrainBlock'
import { UniformBlock } from './UniformBlock'
import './influence.css'

/** The first member that is more level than upright. */
const levelOf = ({ members }: Structure) => members.find((m) => Math.abs(m.cos) > Math.abs(m.sin))

/** The first quantity: a reaction of a truss, the moment in the middle of a member of a frame. */
const firstAsked = ({ kind, members, supports }: Problem, structure: Structure): PlaceDraft =>
  kind === 'truss'
    ? { quantity: 'reaction', node: supports?.[0]?.node, component: 'y' }
    : { quantity: 'moment', member: levelOf(structure)?.id ?? members[0]?.id, at: '50%' }

/** The influence line of a quantity along a path, and the worst places of loads on it. */
export default function Influence({ solution }: Solved) {
  const problem = useSheet((s) => s.problem)
  const kept = useMemo(() => influenceView(problem), [problem])
  const { structure } = solution
  const place = fitted(problem, kept.of ?? firstAsked(problem, structure))
  const members = useMemo(() => membersAlong(structure, kept.along), [structure, kept.along])
  const refusal = place && lineRefusal(place)
  const key = JSON.stringify(place)
  const found = useMemo(() => {
    const asked = JSON.parse(key) as Asked
    return refusal ? { message: refusal } : findLine(problem, structure, asked, members)
  }, [problem, structure, key, members, refusal])
  if (!place) return <p className="prose">There is nothing yet whose influence line could be drawn.</p>
  return (
    <>
      <p className="prose quiet">
        The value of one quantity while a force of one, pointing down, stands at each place. It is drawn above
        the structure where it is positive.
      </p>
      <Choice problem={problem} structure={structure} place={place} along={kept.along} />
      {'message' in found ? (
        <p className="prose pencil" role="alert">
          {found.message}
        </p>
      ) : (
        <>
          <p className="prose quiet">{releasedWords(place)}</p>
          <Released structure={structure} place={place} />
          <OnFigure found={found} name={answerName(place)} />
          <LineNumbers structure={structure} {...found} />
          <UniformBlock structure={structure} {...found} load={kept.load} />
          <TrainBlock structure={structure} {...found} text={kept.train} />
          <LineFormulas structure={structure} line={found.line} />
        </>
      )}
    </>
  )
}

/** The line as the shape of a released structure, by the theorem of Müller-Breslau. */
function releasedWords({ quantity, component }: Place): string {
  const unit: Record<string, string> = {
    reaction:
      component === 'rotation'
        ? 'the support let go and turned by one, as its moment turns'
        : 'the support let go and moved by one, as its reaction points',
    moment: 'a hinge put in there and folded upward by one',
    shear: 'a slide put in there and moved by one, the part at the start down and the other up',
    axial: 'the member cut there and its ends drawn together by one',
  }
  return unit[quantity]
    ? `By Müller-Breslau it is the shape of the structure with ${unit[quantity]}.`
    : 'By Maxwell it is the shape of the structure under a unit load put where the quantity is.'
}

const NO_LOADS: ReadonlySet<string> = new Set()

/** The structure let go for the quantity, with its unit displacement. */
function Released({ structure, place }: { structure: Structure; place: Place }) {
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  const block = useMemo(() => {
    const m = structure.members.find((o) => o.id === place.member)
    const at = m && place.at !== undefined ? placeOn(problem, place.at, m) : undefined
    return releasedFor(structure, { asked: place, at })
  }, [problem, structure, place])
  const figure = useMemo(() => block && bodyFigure(block, NO_LOADS, display), [block, display])
  return figure && block ? <SmallDrawing figure={figure} caption={block.caption} /> : null
}

/** Which quantity, and along which members the force moves; kept with the problem. */
function Choice({
  problem,
  structure,
  place,
  along,
}: {
  problem: Problem
  structure: Structure
  place: Place
  along: readonly string[] | undefined
}) {
  const apply = useEdit()
  const choose = (change: PlaceDraft) => {
    const fit = fitted(problem, change)
    if (fit) apply('influence line of', (p) => keepInfluence(p, { of: fit }), { merge: 'influence of' })
  }
  const walk = (text: string, merge: string): string | null => {
    const read = text === '' ? undefined : readAlong(structure, text)
    if (read && 'unknown' in read) return `There is no member ${read.unknown}.`
    const ids = read?.map((i) => structure.members[i].id)
    return (
      apply('path of the force', (p) => keepInfluence(p, { along: ids }), { merge, shown: true })?.message ??
      null
    )
  }
  return (
    <Block title="Of">
      <div className="new-answer">
        <PlaceFields problem={problem} place={place} onChange={choose} caseless />
      </div>
      <div className="influence-along">
        <span className="quiet">the force moves along</span>
        <LiveField
          name="members along which the force moves"
          value={along?.join(' ') ?? ''}
          placeholder={`all members, or ${structure.members
            .slice(0, 2)
            .map((m) => m.id)
            .join(' ')}`}
          onChange={walk}
          aside
        />
      </div>
    </Block>
  )
}

/** Hands the line to the Figure while the view is open. */
function OnFigure({
  found,
  name,
}: {
  found: Extract<ReturnType<typeof findLine>, { line: unknown }>
  name: string
}) {
  const store = useSheetStore()
  const display = useDisplay()
  const { line } = found
  useEffect(() => {
    const unit = lineUnit(line.asked, display)
    const of = `Influence line of ${name}${unit ? `, ${unit}` : ''}`
    const caption = `${of}: its value for a force of one, down, at each place.`
    store.setState((s) => ({ influence: { line, caption, loads: s.influence?.loads ?? [] } }))
  }, [store, line, name, display])
  useEffect(() => () => store.setState({ influence: null }), [store])
  return null
}
