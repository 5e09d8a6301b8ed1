import { useSheet, useSheetStore } from '../sheet/context'
import { targetsOf } from '../sheet/targets'

/** What a row needs to be one thing with its place on the Figure: lit when it is pointed at there, and the reverse. */
export function useRow(target: string) {
  const store = useSheetStore()
  const lit = useSheet((s) => s.hover === target || targetsOf(s.selection).includes(target))
  return {
    className: lit ? 'lit' : undefined,
    onMouseEnter: () => store.getState().point(target),
    onMouseLeave: () => store.getState().point(null),
    onFocus: () => store.getState().point(target),
    onBlur: () => store.getState().point(null),
  }
}
