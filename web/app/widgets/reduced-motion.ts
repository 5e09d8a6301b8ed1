import { useSyncExternalStore } from 'react'

const QUERY = '(prefers-reduced-motion: reduce)'

function subscribe(changed: () => void) {
  const list = window.matchMedia(QUERY)
  list.addEventListener('change', changed)
  return () => list.removeEventListener('change', changed)
}

/** Whether the system asks for less motion. */
export const useReducedMotion = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(QUERY).matches,
    () => false,
  )
