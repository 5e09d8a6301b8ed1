import { useSheet, useSheetStore } from '../sheet/context'
import { targetsOf } from '../sheet/targets'

/** The mark of an unknown, as on the Figure: a circle is free, a hatched square held. Pointing lights its arrow. */
export function NumberMark({ n, free }: { n: number; free: boolean }) {
  const store = useSheetStore()
  const target = `dof:${n - 1}`
  const lit = useSheet((s) => targetsOf(s.hover).includes(target))
  return (
    <span className={`mark ${free ? 'mark-free' : 'mark-held'}${lit ? ' lit' : ''}`} onMouseEnter={() => store.getState().point(target)} onMouseLeave={() => store.getState().point(null)}>
      {n}
    </span>
  )
}
