import { useEffect } from 'react'
import { useSheetStore } from '../sheet/context'

/**
 * Copies, cuts and pastes the selection while the component is on the page. The script that reads and writes
 * pieces is fetched once the page is there.
 */
export function useClipboard(on: boolean) {
  const store = useSheetStore()
  useEffect(() => {
    if (!on) return
    let stop: (() => void) | undefined
    let over = false
    void import('./clipboard').then(
      ({ listenToClipboard }) => {
        if (!over) stop = listenToClipboard(store)
      },
      () => {},
    )
    return () => {
      over = true
      stop?.()
    }
  }, [store, on])
}
