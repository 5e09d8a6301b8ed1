import { performance, type EventLoopUtilization } from 'node:perf_hooks'

/** Interval over which the load of this thread is measured, ms. */
const SPAN = 150
/** The share of it from which this server is busy. */
const MUCH = 0.4

let before: EventLoopUtilization = performance.eventLoopUtilization()
let share = 0
setInterval(() => {
  const now = performance.eventLoopUtilization()
  share = performance.eventLoopUtilization(now, before).utilization
  before = now
}, SPAN).unref()

/** Many people ask at this moment: what can wait waits. */
export const isBusy = (): boolean => share > MUCH

/** Pages that are drawn here at the same time. A burst of them is there before its load is measured. */
const AT_ONCE = 2
let drawing = 0

/**
 * Whether the server draws a page, or leaves it to the browser: while many people ask, nobody waits for the
 * page of another.
 * @param answer the context of the request; `drawn` is called there when the page is drawn, or given up
 */
export function drawsHere(answer: { drawn?: () => void }): boolean {
  if (isBusy() || drawing >= AT_ONCE) return false
  drawing++
  answer.drawn = () => {
    answer.drawn = undefined
    drawing--
  }
  return true
}
