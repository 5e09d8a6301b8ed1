import { useEffect, useState } from 'react'
import { useRouteLoaderData } from 'react-router'

type Scheme = 'light' | 'dark'

const YEAR = 60 * 60 * 24 * 365

/** The chosen colours and how to choose others. The browser's own cookie keeps them, at once, so that the server draws the next page in them. */
export function useScheme(): [Scheme, (to: Scheme) => void] {
  const root = useRouteLoaderData<{ scheme: Scheme }>('root')
  const [now, setNow] = useState<Scheme>(root?.scheme ?? 'light')
  useEffect(() => {
    // another page of the same visit may have chosen since the server drew the first
    setNow(/(?:^|;\s*)scheme=dark(?:;|$)/.test(document.cookie) ? 'dark' : 'light')
  }, [])
  useEffect(() => {
    document.documentElement.dataset.scheme = now
  }, [now])
  const choose = (to: Scheme) => {
    document.cookie = `scheme=${to}; path=/; max-age=${YEAR}; samesite=lax`
    setNow(to)
  }
  return [now, choose]
}
