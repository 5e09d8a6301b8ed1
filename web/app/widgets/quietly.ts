/** A browser that has not been idle for so long runs the task all the same, ms. */
const AT_LAST = 1000

/**
 * Runs a task when the browser is idle. `remaining` returns the idle time that is left, ms.
 * @returns a function that cancels it
 */
export function quietly(then: (remaining: () => number) => void): () => void {
  if (!window.requestIdleCallback) {
    const timer = setTimeout(() => then(() => 0), 300)
    return () => clearTimeout(timer)
  }
  const waiting = requestIdleCallback((moment) => then(() => moment.timeRemaining()), { timeout: AT_LAST })
  return () => cancelIdleCallback(waiting)
}
