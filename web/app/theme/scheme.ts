import { useEffect, useState } from 'react'
import { useRouteLoaderData } from 'react-router'

export type Scheme = 'light' | 'dark'

const YEAR = 60 * 60 * 24 * 365

/** The colours chosen, from the text of a browser's cookies; light when nothing was chosen. */
export const schemeIn = (cookies: string): Scheme =>
  /(?:^|;\s*)scheme=dark(?:;|$)/.test(cookies) ? 'dark' : 'light'

/**
 * The colours to draw in: on the server what the request says, in the browser its own cookie, which the first
 * may not have reached yet while a long page is still arriving.
 */
export function useChosenScheme(): Scheme {
  const root = useRouteLoaderData<{ scheme: Scheme }>('root')
  return typeof document === 'undefined' ? (root?.scheme ?? 'light') : schemeIn(document.cookie)
}

/**
 * The chosen colours and how to choose others; the cookie keeps them at once, so that the next page is drawn
 * in them.
 */
export function useScheme(): [Scheme, (to: Scheme) => void] {
  const chosen = useChosenScheme()
  const [now, setNow] = useState(chosen)
  useEffect(() => {
    document.documentElement.dataset.scheme = now
  }, [now])
  const choose = (to: Scheme) => {
    document.cookie = `scheme=${to}; path=/; max-age=${YEAR}; samesite=lax`
    setNow(to)
  }
  return [now, choose]
}
