import { useSyncExternalStore } from 'react'

const never = () => () => {}

/** False on the server and while the page takes over what the server drew, true from then on. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
