import { working } from '@viga/core'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { hasChanged, useWorkingView } from './working-view'

/** A number of the working: pointing lights what it belongs to, a click opens where it came from. */
export function Num({ at, unit = false, most }: { at: string; unit?: boolean; most?: number }) {
  const { ledger, reading, before, open, trail } = useWorkingView()
  const store = useSheetStore()
  const entry = ledger.entry(at)
  if (!entry) return <span className="quiet">none</span>
  return (
    <>
      <button
        type="button"
        className={hasChanged(at, ledger, before) ? 'num changed' : 'num'}
        aria-pressed={trail.at(-1) === at}
        title={String(entry.value)}
        onClick={() => open(at)}
        onMouseEnter={() => store.getState().point(targetOf(ledger.belongs(at)) || null)}
        onMouseLeave={() => store.getState().point(null)}
      >
        {working.shown(entry.value, reading, most)}
      </button>
      {unit && <span className="ro"> {entry.unit}</span>}
    </>
  )
}
