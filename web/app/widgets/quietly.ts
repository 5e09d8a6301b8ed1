/**
 * Does something when nothing else is to be done; `remaining` says how long that will be so, ms. @returns
 * takes it back
 */
export function quietly(then: (remaining: () => number) => void): () => void {
  if (!window.requestIdleCallback) {
    const timer = setTimeout(() => then(() => 0), 300)
    return () => clearTimeout(timer)
  }
  const waiting = requestIdleCallback((moment) => then(() => moment.timeRemaining()))
  return () => cancelIdleCallback(waiting)
}
