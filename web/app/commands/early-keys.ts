import { useEffect } from 'react'
import { useNavigation } from 'react-router'
import { isOfField } from './typing'

/** Time after a page has come in which a late part of it still takes the keys pressed before, ms. */
const KEPT = 1_000
/** Time after the press of a link in which the page learns that another one is on its way, ms. */
const NOTICED = 500

/** Keys pressed while a page was on its way, the oldest first. */
let keys: KeyboardEvent[] = []
let underWay = false
let followed = -Infinity

/** Begins before any page listens: the first one, too, is on its way while its scripts are fetched. */
export function expectKeys() {
  underWay = true
  window.addEventListener('click', (e) => {
    if (e.target instanceof Element && e.target.closest('a[href]')) followed = e.timeStamp
  })
  window.addEventListener('keydown', (e) => {
    if ((underWay || e.timeStamp < followed + NOTICED) && !isOfField(e)) keys.push(e)
  })
}

/**
 * Hands over the keys that were pressed while the page was on its way and that nothing has answered to yet.
 * @param act says whether it did something with the key: it is then done with
 */
export function takeEarlyKeys(act: (e: KeyboardEvent) => boolean): void {
  const open = keys.filter((e) => !e.defaultPrevented)
  keys = []
  keys = open.filter((e) => !act(e))
}

/** Keeps keys pressed between the press that opens a page and its arrival, for the page to answer to. */
export function EarlyKeys(): null {
  const here = useNavigation().state === 'idle'
  useEffect(() => {
    underWay = !here
    if (!here) return
    const timer = setTimeout(() => (keys = []), KEPT)
    return () => clearTimeout(timer)
  }, [here])
  return null
}
