import type { Logger } from 'pino'
import type { Access } from './people/access.server'

declare module 'react-router' {
  interface AppLoadContext {
    /** Scripts in the page carry it. */
    nonce: string
    log: Logger
    /** Who asks, and the ways to become somebody. */
    access: Access
    /** Tells that the page is drawn, where the server draws it. */
    drawn?: () => void
  }
}
