import {
  dimension,
  makeReader,
  type Component,
  type ProblemError,
  type Quantity,
  type Support,
} from '@viga/core'
import type { Way } from '@viga/core/statement/load-entry'
import {
  readSettlement,
  SETTLEMENT_WAYS,
  settlementEntry,
  settlementValue,
  settlementWayWords,
} from '@viga/core/statement/settlement'
import { useState } from 'react'
import { LiveField } from '../fields/LiveField'
import { useSheetStore } from '../sheet/context'
import { Pick } from '../widgets/Pick'

interface Props {
  s: Support
  component: Component
  /** Puts the settlement, signed by its axis, or takes it away. */
  put: (value: Quantity | undefined, merge?: string) => ProblemError | null
}

/** A settlement in one direction of a support: how much, and which way, chosen or said in words. */
export function Settlement({ s, component, put }: Props) {
  const store = useSheetStore()
  const value = s.settlement?.[component]
  const stated = value === undefined ? undefined : settlementEntry(component, value)
  // the way of a settlement that is still to be typed
  const [chosen, setChosen] = useState<Way>(SETTLEMENT_WAYS[component][0])
  const way = stated && stated.amount !== 0 ? stated.way : chosen
  const name = `settlement ${component} at ${s.node}`
  const change = (text: string, merge: string): string | null => {
    if (text === '') return put(undefined, merge)?.message ?? null
    const read = readSettlement(text, component, way)
    if (!read.ok) return read.message
    const { units, symbols } = store.getState().problem
    const of = component === 'rotation' ? dimension.angle : dimension.length
    const r = makeReader(units, symbols).reader.read(read.amount, of)
    if (!r.ok) return r.message
    setChosen(read.way)
    return put(settlementValue(read.amount, read.way), merge)?.message ?? null
  }
  const turn = (to: Way) => {
    setChosen(to)
    if (stated && stated.amount !== 0) put(settlementValue(stated.amount, to))
  }
  return (
    <>
      <span className="quiet">settlement</span>
      <LiveField
        name={name}
        value={stated === undefined ? '' : String(stated.amount)}
        placeholder="0"
        onChange={change}
      />
      <Pick
        className="cell-select"
        aria-label={`direction in which ${s.node} settles, ${component}`}
        value={way}
        onChange={(e) => turn(e.target.value as Way)}
      >
        {SETTLEMENT_WAYS[component].map((w) => (
          <option key={w} value={w}>
            {settlementWayWords(w, s.angle !== undefined)}
          </option>
        ))}
      </Pick>
    </>
  )
}
