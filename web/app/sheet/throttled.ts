import type { Sheet, SheetStore } from './store'

/**
 * While something is dragged in a large problem, the tables follow this often, ms: laying them out takes
 * longer than a frame.
 */
export const THROTTLE_MS = 250
/** Problems of up to this many members are laid out within a frame. */
const AT_ONCE = 20

/**
 * The store as the Sheet sees it: the very same, but while something is dragged on the Figure of a large
 * problem its readers hear of changes a few times a second, and of the last one when it is let go.
 */
export function throttledStore(store: SheetStore): SheetStore {
  const listeners = new Set<(s: Sheet, before: Sheet) => void>()
  /** What readers were last told. */
  let told = store.getState()
  let timer: ReturnType<typeof setTimeout> | undefined
  const tell = () => {
    clearTimeout(timer)
    timer = undefined
    const before = told
    told = store.getState()
    if (told !== before) for (const listener of listeners) listener(told, before)
  }
  const hear = (s: Sheet) => {
    if (!s.dragging || s.problem.members.length <= AT_ONCE) tell()
    else timer ??= setTimeout(tell, THROTTLE_MS)
  }
  let stop: (() => void) | undefined
  return {
    ...store,
    getState: () => {
      // without subscribers no change is received, so the state is read from the store
      if (!stop) told = store.getState()
      return told
    },
    subscribe: (listener) => {
      if (listeners.size === 0) {
        told = store.getState()
        stop = store.subscribe(hear)
      }
      listeners.add(listener)
      return () => {
        listeners.delete(listener)
        if (listeners.size > 0) return
        stop?.()
        stop = undefined
        clearTimeout(timer)
        timer = undefined
      }
    },
  }
}
