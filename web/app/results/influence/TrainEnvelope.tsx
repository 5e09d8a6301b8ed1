import {
  formatNumber,
  movingEnvelope,
  withUnit,
  type AbsoluteWorst,
  type MovingEnvelope,
  type PathMember,
  type Structure,
  type TrainLoad,
} from '@viga/core'
import { useEffect, useState } from 'react'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { quietly } from '../../widgets/quietly'
import { placeWords } from './LineNumbers'

/** Along more members than this the envelope would take long to find. */
const MOST_MEMBERS = 12

interface Props {
  structure: Structure
  path: readonly PathMember[]
  train: readonly TrainLoad[]
  quantity: 'moment' | 'shear'
}

/** The worst that a train does at every place of its path, and the worst of all places. */
export function TrainEnvelope({ structure, path, train, quantity }: Props) {
  const problem = useSheet((s) => s.problem)
  const store = useSheetStore()
  const display = useDisplay()
  const isLong = path.length > MOST_MEMBERS
  const [envelope, setEnvelope] = useState<MovingEnvelope | null | undefined>(undefined)
  // hundreds of lines are found: an edit is painted first
  useEffect(
    () =>
      isLong
        ? undefined
        : quietly(() => setEnvelope(movingEnvelope({ problem, structure, path, train, quantity }) ?? null)),
    [isLong, problem, structure, path, train, quantity],
  )
  const unit = quantity === 'moment' ? display.moment : display.force
  useEffect(() => {
    if (!envelope) return
    const name = quantity === 'moment' ? 'M' : 'V'
    const caption = `Envelope of ${name}, ${unit.unit}, while the train drives along.`
    store.setState((s) => (s.influence ? { influence: { ...s.influence, band: { envelope, caption } } } : {}))
    return () =>
      store.setState((s) => (s.influence ? { influence: { ...s.influence, band: undefined } } : {}))
  }, [store, envelope, quantity, unit.unit])
  if (isLong) return <p className="prose quiet">The envelope is found along up to {MOST_MEMBERS} members.</p>
  if (envelope === undefined) return null
  if (!envelope) return <p className="prose quiet">The structure has no envelope along this path.</p>
  const where = (w: AbsoluteWorst) => {
    const on = path.find((p) => p.member === w.member)!
    const { length } = structure.members[w.member]
    const along = on.from + (on.reversed ? length - w.x : w.x)
    return placeWords(structure, path, along, display.length.perSI)
  }
  return (
    <table className="t" aria-label="Absolute worst values of the train">
      <thead>
        <tr>
          <th>{quantity === 'moment' ? 'moment' : 'shear'} of all places</th>
          <th className="n">{unit.unit}</th>
          <th>section</th>
          <th>first load</th>
        </tr>
      </thead>
      <tbody>
        {(['greatest', 'least'] as const).map((name) => {
          const w = envelope[name]
          return (
            <tr key={name}>
              <td>absolute {name}</td>
              <td className="n strong">{formatNumber(w.value * unit.perSI, { figures: 4 })}</td>
              <td>{where(w)}</td>
              <td>
                {w.turned ? 'turned round, ' : ''}
                {withUnit(w.front, display.length)} along
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
