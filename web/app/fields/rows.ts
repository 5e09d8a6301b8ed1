import { useSheet, useSheetStore } from '../sheet/context'
import { targetsOf } from '../sheet/targets'

/**
 * What a row needs to be one thing with its place on the Figure: lit when it is pointed at there, and the
 * reverse.
 */
export function useRow(target: string) {
  const store = useSheetStore()
  // a row of several things is lit when any of them is pointed at
  const own = targetsOf(target)
  const lit = useSheet(
    (s) =>
      s.hover === target ||
      targetsOf(s.hover).some((t) => own.includes(t)) ||
      targetsOf(s.selection).some((t) => own.includes(t)),
  )
  return {
    className: lit ? 'lit' : undefined,
    onMouseEnter: () => store.getState().point(target),
    onMouseLeave: () => store.getState().point(null),
    onFocus: () => store.getState().point(target),
    onBlur: () => store.getState().point(null),
  }
}
