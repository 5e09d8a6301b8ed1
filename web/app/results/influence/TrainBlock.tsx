import {
  formatNumber,
  keepInfluence,
  readTrain,
  reversedTrain,
  trainValue,
  withUnit,
  worstPlaces,
  type PathMember,
  type PathStretch,
  type Structure,
  type TrainLoad,
} from '@viga/core'
import type { StandingLoad } from '@viga/drawing/influence-line'
import { useEffect, useMemo, useState } from 'react'
import { LiveField } from '../../fields/LiveField'
import { useDisplay, useEdit, useSheet, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Press } from '../../widgets/Press'
import { Toggle } from '../../widgets/Toggle'
import { useReducedMotion } from '../../widgets/reduced-motion'
import { placeWords, usePath, type LineProps } from './LineNumbers'
import { unitOf } from './shown-line'
import { TrainEnvelope } from './TrainEnvelope'

/** One of the worst places of a train: where its first load stands, which way round it is, and the value. */
interface Worst {
  name: 'greatest' | 'least'
  x: number
  value: number
  train: readonly TrainLoad[]
  turned: boolean
}

/** A train on a path, and the unit of what it makes. */
interface Moving {
  structure: Structure
  path: readonly PathMember[]
  stretches: readonly PathStretch[]
  train: readonly TrainLoad[]
  perSI: number
  unit: string
}

/** The worst of a train both ways round. */
function worstOf(path: readonly PathStretch[], train: readonly TrainLoad[]): Worst[] {
  const both = [
    { train, turned: false, ...worstPlaces(path, train) },
    { train: reversedTrain(train), turned: true, ...worstPlaces(path, reversedTrain(train)) },
  ]
  return (['greatest', 'least'] as const).map((name) => {
    const [a, b] = both.map((way) => ({ ...way, ...(name === 'greatest' ? way.max : way.min) }))
    const sign = name === 'greatest' ? 1 : -1
    const best = sign * b.value > sign * a.value * (1 + 1e-9) ? b : a
    return { name, x: best.x, value: best.value, train: best.train, turned: best.turned }
  })
}

/** A train of loads that drives along the path: stated here, its worst places shown on the Figure. */
export function TrainBlock({ text, ...props }: LineProps & { text: string | undefined }) {
  const { structure, line, path } = props
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  const apply = useEdit()
  const stretches = usePath(props)
  const read = useMemo(() => (text === undefined ? undefined : readTrain(problem, text)), [problem, text])
  const train = read?.ok ? read.train : undefined
  if (!path || !stretches) return null
  const change = (typed: string, merge: string) => {
    const next = typed === '' ? undefined : readTrain(problem, typed)
    if (next && !next.ok) return next.message
    return (
      apply('train of loads', (p) => keepInfluence(p, { train: typed === '' ? undefined : typed }), {
        merge,
        shown: true,
      })?.message ?? null
    )
  }
  const { perSI, unit } = unitOf(line.asked, display)
  return (
    <Block title="Train of loads">
      <div className="influence-along">
        <span className="quiet">loads and spacings, the first in front</span>
        <LiveField
          name="train of loads"
          value={text ?? ''}
          placeholder={`80 ${display.force.unit}, 4 ${display.length.unit}, 120 ${display.force.unit}`}
          onChange={change}
          aside
        />
      </div>
      {train && (
        <Worsts {...{ structure, path, stretches, train, perSI, unit }} quantity={line.asked.quantity} />
      )}
    </Block>
  )
}

/** The worst places of a train, one of them on the Figure, or the train on its way. */
function Worsts({ structure, path, stretches, train, perSI, unit, quantity }: Moving & { quantity: string }) {
  const display = useDisplay()
  const worst = useMemo(() => worstOf(stretches, train), [stretches, train])
  const [chosen, choose] = useState<Worst['name'] | 'driving' | 'envelope'>('greatest')
  const shown = worst.find((w) => w.name === chosen)
  return (
    <>
      <table className="t" aria-label="Worst places of the train">
        <tbody>
          {worst.map((w) => (
            <tr key={w.name}>
              <td>
                <Toggle on={w.name === chosen} className="textlink" onClick={() => choose(w.name)}>
                  {w.name}
                </Toggle>
              </td>
              <td className="n strong">
                {formatNumber(w.value * perSI, { figures: 4 })} {unit}
              </td>
              <td>
                {w.value === 0
                  ? 'nowhere on the path'
                  : w.turned
                    ? 'turned round, first load '
                    : 'first load '}
                {w.value !== 0 && frontWords(structure, path, w.x, display.length)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {chosen === 'driving' && (
        <Driving {...{ structure, path, stretches, train, perSI, unit }} stop={() => choose('greatest')} />
      )}
      {chosen === 'envelope' && (
        <TrainEnvelope {...{ structure, path, train }} quantity={quantity === 'shear' ? 'shear' : 'moment'} />
      )}
      {shown && <Standing structure={structure} path={path} train={shown.train} x={shown.x} />}
      <p className="influence-moving">
        {chosen !== 'driving' && (
          <Press className="textlink" onClick={() => choose('driving')}>
            Drive along
          </Press>
        )}
        {structure.kind !== 'truss' && (
          <Toggle
            on={chosen === 'envelope'}
            className="textlink"
            onClick={() => choose(chosen === 'envelope' ? 'greatest' : 'envelope')}
          >
            Envelope
          </Toggle>
        )}
      </p>
    </>
  )
}

/** The place of the first load in words: on the path, or so far beyond its end. */
function frontWords(
  structure: Structure,
  path: readonly PathMember[],
  x: number,
  { perSI, unit }: { perSI: number; unit: string },
): string {
  const last = path[path.length - 1]
  const end = last.from + structure.members[last.member].length
  return x > end + 1e-9
    ? `${withUnit(x - end, { perSI, unit })} beyond the end`
    : `at ${placeWords(structure, path, x, perSI)}`
}

/** The loads of a train that stand on the path, for the Figure. */
function standing(
  structure: Structure,
  path: readonly PathMember[],
  train: readonly TrainLoad[],
  x: number,
  write: (force: number) => string,
): StandingLoad[] {
  return train.flatMap(({ force, behind }): StandingLoad[] => {
    const at = x - behind
    const on = path.find(
      (p) => at >= p.from - 1e-9 && at <= p.from + structure.members[p.member].length + 1e-9,
    )
    if (!on) return []
    const along = at - on.from
    const { length } = structure.members[on.member]
    return [{ member: on.member, x: on.reversed ? length - along : along, words: write(force) }]
  })
}

/** Puts the train on the Figure while it is shown. */
function Standing({
  structure,
  path,
  train,
  x,
}: {
  structure: Structure
  path: readonly PathMember[]
  train: readonly TrainLoad[]
  x: number
}) {
  const store = useSheetStore()
  const display = useDisplay()
  useEffect(() => {
    const loads = standing(structure, path, train, x, (force) => withUnit(force, display.force))
    store.setState((s) => (s.influence ? { influence: { ...s.influence, loads } } : {}))
    return () => store.setState((s) => (s.influence ? { influence: { ...s.influence, loads: [] } } : {}))
  }, [store, structure, path, train, x, display])
  return null
}

/** Time that a train takes along its path, s. */
const DRIVE_S = 9

/** The train on its way, with the value it makes just now. */
function Driving({ structure, path, stretches, train, perSI, unit, stop }: Moving & { stop: () => void }) {
  const still = useReducedMotion()
  const end = (stretches.at(-1)?.to ?? 0) + Math.max(...train.map((t) => t.behind))
  const [x, setX] = useState(still ? end / 2 : 0)
  useEffect(() => {
    if (still) return
    let frame = 0
    const begun = performance.now()
    const go = (now: number) => {
      setX((((now - begun) / 1000 / DRIVE_S) % 1) * end)
      frame = requestAnimationFrame(go)
    }
    frame = requestAnimationFrame(go)
    return () => cancelAnimationFrame(frame)
  }, [still, end])
  return (
    <>
      <Standing structure={structure} path={path} train={train} x={x} />
      <p className="influence-driving">
        <b>{formatNumber(trainValue(stretches, train, x) * perSI, { figures: 3 })}</b> {unit}{' '}
        <Press className="textlink" onClick={stop}>
          Stop
        </Press>
      </p>
    </>
  )
}
