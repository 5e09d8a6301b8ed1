import { thing } from '@viga/core'
import type { Unknown } from '@viga/core'
import { useSheet, useSheetStore } from '../sheet/context'
import { targetsOf } from '../sheet/targets'

/**
 * The mark of an unknown, as on the Figure: a circle is free, a hatched square held. Pointing lights its
 * arrow.
 */
export function NumberMark({ of: { index, number, free } }: { of: Unknown }) {
  const store = useSheetStore()
  const target = thing.dof(index)
  const lit = useSheet((s) => targetsOf(s.hover).includes(target))
  return (
    <span
      className={`mark ${free ? 'mark-free' : 'mark-held'}${lit ? ' lit' : ''}`}
      onMouseEnter={() => store.getState().point(target)}
      onMouseLeave={() => store.getState().point(null)}
    >
      {number}
    </span>
  )
}
