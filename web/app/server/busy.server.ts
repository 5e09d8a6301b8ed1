import { performance, type EventLoopUtilization } from 'node:perf_hooks'

/** Interval over which the load of this thread is measured, ms. */
const SPAN = 150
/** The share of it from which a page is left to the browser to draw. */
const MUCH = 0.4

let before: EventLoopUtilization = performance.eventLoopUtilization()
let share = 0
setInterval(() => {
  const now = performance.eventLoopUtilization()
  share = performance.eventLoopUtilization(now, before).utilization
  before = now
}, SPAN).unref()

/**
 * Many people ask at this moment: what can be drawn in the browser is drawn there, so that nobody waits for
 * the page of another.
 */
export const isBusy = (): boolean => share > MUCH
