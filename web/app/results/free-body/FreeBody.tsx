import { balance, dimension, readPlace, siPerCoherent } from '@viga/core'
import { useMemo, useState } from 'react'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { bodyOf } from '../../sheet/free-body-of'
import type { BodyChoice } from '../../sheet/results-view'
import { Line } from '../../widgets/Line'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import { Toggle } from '../../widgets/Toggle'
import type { Solved } from '../solved'
import { BalanceBlock } from './BalanceBlock'

const KINDS: Record<BodyChoice['kind'], string> = {
  whole: 'Whole structure',
  joint: 'A joint',
  member: 'A member',
  section: 'A section',
  cut: 'A cut',
}

/** A part of the structure by itself: all forces on it, and the three equations of equilibrium in numbers. */
export default function FreeBody({ solution, action }: Solved) {
  const choice = useSheet((s) => s.body)
  const about = useSheet((s) => s.about)
  const display = useDisplay()
  const body = useMemo(() => bodyOf(solution, action, choice), [solution, action, choice])
  const point = about ?? { x: 0, y: 0 }
  return (
    <>
      <BodyChooser solution={solution} choice={choice} />
      {!body.ok ? (
        <p className="prose pencil" role="alert">
          {body.message}
        </p>
      ) : (
        <>
          <AboutLine />
          {action.bent && (
            <p className="prose quiet">
              Second order: the structure is in equilibrium where it has moved to, so each force has its lever
              arm there.
            </p>
          )}
          <BalanceBlock
            title={body.other ? 'Start part' : capital(body.name)}
            balance={balance(body.forces, point)}
            display={display}
          />
          {body.other && (
            <BalanceBlock title="End part" balance={balance(body.other, point)} display={display} />
          )}
        </>
      )}
    </>
  )
}

type Structure = Solved['solution']['structure']

/** A free body of a kind to begin with. */
function firstOf(kind: BodyChoice['kind'], { nodes, members }: Structure): BodyChoice {
  if (kind === 'joint') return { kind, id: nodes[0].id }
  if (kind === 'member') return { kind, id: members[0].id }
  if (kind === 'section') return { kind, id: members[0].id, x: members[0].length / 2 }
  if (kind === 'cut') return middleCut(nodes)
  return { kind: 'whole' }
}

function BodyChooser({ solution, choice }: { solution: Solved['solution']; choice: BodyChoice }) {
  const store = useSheetStore()
  const { structure } = solution
  const choose = (body: BodyChoice) => store.setState({ body })
  return (
    <>
      <div className="table-choices" role="group" aria-label="Free body">
        {(Object.keys(KINDS) as BodyChoice['kind'][]).map((kind) => (
          <Toggle key={kind} on={kind === choice.kind} onClick={() => choose(firstOf(kind, structure))}>
            {KINDS[kind]}
          </Toggle>
        ))}
      </div>
      <div className="table-options">
        {choice.kind === 'joint' && (
          <OneOfThem
            name="joint cut free"
            value={choice.id}
            all={structure.nodes}
            onChoose={(n) => choose({ ...choice, id: n.id })}
          />
        )}
        {(choice.kind === 'member' || choice.kind === 'section') && (
          <OneOfThem
            name="member cut free"
            value={choice.id}
            all={structure.members}
            onChoose={({ id, length }) =>
              choose(
                choice.kind === 'member' ? { kind: 'member', id } : { kind: 'section', id, x: length / 2 },
              )
            }
          />
        )}
        {choice.kind === 'section' && <SectionPlace key={choice.id} solution={solution} choice={choice} />}
        {choice.kind === 'cut' && (
          <>
            <span className="quiet">Draw the cut across the Figure.</span>
            <Press
              className="textlink"
              onClick={() => choose({ ...choice, side: choice.side === 'left' ? 'right' : 'left' })}
            >
              The other part
            </Press>
          </>
        )}
      </div>
    </>
  )
}

interface OneOfThemProps<T> {
  name: string
  value: string
  all: readonly T[]
  onChoose: (it: T) => void
}

const OneOfThem = <T extends { id: string }>({ name, value, all, onChoose }: OneOfThemProps<T>) => (
  <Pick
    className="cell-select"
    aria-label={name}
    value={value}
    onChange={(e) => onChoose(all.find((o) => o.id === e.target.value)!)}
  >
    {all.map((o) => (
      <option key={o.id}>{o.id}</option>
    ))}
  </Pick>
)

/** A cut through the middle from top to bottom, to begin with. */
function middleCut(nodes: Structure['nodes']): BodyChoice {
  const xs = nodes.map((n) => n.x)
  const ys = nodes.map((n) => n.y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const over = 0.2 * Math.max(x1 - x0, y1 - y0, 1)
  // a little off the middle, where joints often stand
  const x = x0 + 0.46 * (x1 - x0)
  return { kind: 'cut', a: { x, y: y1 + over }, b: { x, y: y0 - over }, side: 'right' }
}

/** The place of a section along its member, typed. */
function SectionPlace({
  solution,
  choice,
}: {
  solution: Solved['solution']
  choice: Extract<BodyChoice, { kind: 'section' }>
}) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const m = solution.structure.members.find((o) => o.id === choice.id)
  const [text, setText] = useState('50%')
  const read = m && readPlace(problem, m.length, text)
  if (!m) return null
  return (
    <>
      <span className="quiet">at</span>
      <Line
        className="cell-input"
        typing
        aria-label="place of the section"
        value={text}
        spellCheck={false}
        onChange={(e) => {
          setText(e.target.value)
          const next = readPlace(problem, m.length, e.target.value)
          if (next.ok) store.setState({ body: { ...choice, x: next.x } })
        }}
      />
      {read && !read.ok && (
        <span className="pencil" role="alert">
          {read.message}
        </span>
      )}
    </>
  )
}

/** The point that moments are taken about: pressed on the Figure, or a joint by name. */
function AboutLine() {
  const store = useSheetStore()
  const about = useSheet((s) => s.about)
  const problem = useSheet((s) => s.problem)
  const outcome = useSheet((s) => s.outcome)
  const si = siPerCoherent(problem.units, dimension.length)
  const nodes = outcome.stage === 'invalid' ? [] : outcome.structure.nodes
  const at = nodes.find((n) => about && n.x === about.x && n.y === about.y)
  const shown = (v: number) => Number((v / si).toPrecision(4))
  return (
    <p className="prose about">
      Moments about{' '}
      <Pick
        className="cell-select"
        aria-label="moments about"
        value={at?.id ?? (about ? 'point' : 'origin')}
        onChange={(e) => {
          const n = nodes.find((o) => o.id === e.target.value)
          store.setState({ about: n ? { x: n.x, y: n.y } : null })
        }}
      >
        <option value="origin">0, 0</option>
        {about && !at && (
          <option value="point">
            {shown(about.x)}, {shown(about.y)} {problem.units.length}
          </option>
        )}
        {nodes.map((n) => (
          <option key={n.id}>{n.id}</option>
        ))}
      </Pick>
      . Press any point of the Figure to take them there.
    </p>
  )
}

const capital = (words: string) => words[0].toUpperCase() + words.slice(1)
