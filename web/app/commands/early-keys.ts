import { useEffect } from 'react'
import { useLocation, useNavigation } from 'react-router'
import { keysBefore } from './keep-keys'
import { isOfField } from './typing'

/** Time after a page has come in which a late part of it still takes the keys pressed before, ms. */
const KEPT = 1_000
/** A link within Viga; what is downloaded or opens elsewhere leaves the page as it is. */
const LINK = 'a[href]:not([download], [target])'
/** Limit on the time from the press of a link to the page it leads to, ms. */
const AWAITED = 10_000

/** Keys pressed while a page was on its way, the oldest first. */
let keys: KeyboardEvent[] = []
let underWay = false
let followed = -Infinity

const keep = (e: KeyboardEvent) => {
  if (!isOfField(e)) keys = [...keys, e]
}

/** Begins before any page listens: the first one, too, is on its way while its scripts are fetched. */
export function expectKeys() {
  underWay = true
  keysBefore().forEach(keep)
  window.addEventListener('click', (e) => {
    if (e.target instanceof Element && e.target.closest(LINK)) followed = performance.now()
  })
  window.addEventListener('keydown', (e) => {
    if (underWay || performance.now() < followed + AWAITED) keep(e)
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
  const { key } = useLocation()
  useEffect(() => {
    underWay = !here
    if (!here) return
    followed = -Infinity
    // those pressed from now on are for a next page
    const before = keys
    const timer = setTimeout(() => (keys = keys.filter((e) => !before.includes(e))), KEPT)
    return () => clearTimeout(timer)
  }, [here, key])
  return null
}
