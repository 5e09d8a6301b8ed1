import { useSyncExternalStore } from 'react'

const QUERY = '(prefers-reduced-motion: reduce)'

// made once: it is asked with every drawing of the Figure
let asked: MediaQueryList | undefined
const list = () => (asked ??= window.matchMedia(QUERY))

function subscribe(changed: () => void) {
  list().addEventListener('change', changed)
  return () => list().removeEventListener('change', changed)
}

/** Whether the system asks for less motion. */
export const useReducedMotion = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => list().matches,
    () => false,
  )
