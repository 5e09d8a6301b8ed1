import type { working } from '@viga/core'
import { memo, useDeferredValue, useMemo } from 'react'
import { Formula } from '../widgets/Formula'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { useWorkingView } from './working-view'
import { lineOf } from './line'
import { Num } from './Num'

/** Numbers one below the other: letters, numbers put in, result. */
export function Lines({
  block,
  within,
}: {
  block: Extract<working.Block, { kind: 'lines' }>
  within?: string
}) {
  const { title, addresses } = block
  return (
    <>
      {title && <div className="matrix-head">{title}</div>}
      <div className="lines">
        {addresses.map((a) => (
          <Line key={a} at={a} within={within} />
        ))}
      </div>
    </>
  )
}

const Line = memo(function Line({ at, within }: { at: string; within?: string }) {
  const { ledger, reading } = useWorkingView()
  const store = useSheetStore()
  // its number is new with the edit; the formula beside it follows, so that typing never waits for it
  const later = useDeferredValue(ledger)
  const { letters, numbers, words, long, most } = useMemo(
    () => lineOf(later, at, within, reading),
    [later, at, within, reading],
  )
  return (
    <div
      className="reckon"
      onMouseEnter={() => store.getState().point(targetOf(ledger.belongs(at)) || null)}
      onMouseLeave={() => store.getState().point(null)}
    >
      <span className="reckon-left">
        <Formula {...letters} />
        {numbers && (
          <span className={long ? 'below' : undefined}>
            <Formula {...numbers} />
          </span>
        )}
        {words && <span className="quiet"> {words}</span>}
      </span>
      <span className="reckon-right">
        = <Num at={at} unit most={most} />
      </span>
    </div>
  )
})
