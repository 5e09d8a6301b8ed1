import { useEffect, useSyncExternalStore } from 'react'
import { useRouteLoaderData } from 'react-router'

export type Scheme = 'light' | 'dark'

const YEAR = 60 * 60 * 24 * 365

/** The colours chosen, from the text of a browser's cookies; undefined when nothing was chosen. */
export const chosenIn = (cookies: string): Scheme | undefined =>
  /(?:^|;\s*)scheme=(dark|light)(?:;|$)/.exec(cookies)?.[1] as Scheme | undefined

/** The request header by which a browser tells the colours of its system. */
export const SCHEME_HINT = 'Sec-CH-Prefers-Color-Scheme'

/** The colours of a page on the server: the chosen ones, else those of the system where the browser tells. */
export const schemeOf = (headers: Headers): Scheme =>
  chosenIn(headers.get('Cookie') ?? '') ?? (headers.get(SCHEME_HINT) === 'dark' ? 'dark' : 'light')

const DARK = '(prefers-color-scheme: dark)'

/** The colours in the browser: the chosen ones, else those of its system. */
const schemeHere = (): Scheme =>
  chosenIn(document.cookie) ?? (globalThis.matchMedia?.(DARK).matches ? 'dark' : 'light')

const listeners = new Set<() => void>()

/** Hears when the colours of the system change, or others are chosen. */
function follow(changed: () => void): () => void {
  const system = globalThis.matchMedia?.(DARK)
  listeners.add(changed)
  system?.addEventListener('change', changed)
  return () => {
    listeners.delete(changed)
    system?.removeEventListener('change', changed)
  }
}

/**
 * The colours to draw in: those that the page arrived in, and at once after it has come to life those of this
 * browser, which on a first visit the server may not know yet.
 */
export function useChosenScheme(): Scheme {
  const root = useRouteLoaderData<{ scheme: Scheme }>('root')
  return useSyncExternalStore(follow, schemeHere, () => root?.scheme ?? 'light')
}

/**
 * The colours and how to choose others; the cookie keeps a choice at once, so that the next page is drawn in
 * it. Until one is made the colours follow the system.
 */
export function useScheme(): [Scheme, (to: Scheme) => void] {
  const now = useChosenScheme()
  useEffect(() => {
    document.documentElement.dataset.scheme = now
  }, [now])
  const choose = (to: Scheme) => {
    document.cookie = `scheme=${to}; path=/; max-age=${YEAR}; samesite=lax`
    for (const changed of listeners) changed()
  }
  return [now, choose]
}
