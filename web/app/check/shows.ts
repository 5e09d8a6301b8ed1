import type { Problem } from '@viga/core'
import { useEffect } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'

/**
 * How much of the answer is shown, from a hint to the values themselves; each shows what comes before it,
 * too.
 */
export const SHOWS = [
  { key: 'verdict', label: 'only right or wrong' },
  { key: 'place', label: 'where to look' },
  { key: 'slip', label: 'the slip' },
  { key: 'value', label: 'the values' },
] as const

export type Shows = (typeof SHOWS)[number]['key']

/** An instructor's setting in the problem: computed values are held back until they are asked for. */
export const isCovered = (p: Problem): boolean => p.view?.covered === true

const rank = (s: Shows) => SHOWS.findIndex((o) => o.key === s)

/**
 * What is shown of the answer: what was chosen, else everything, or next to nothing where values are covered.
 */
export const useShows = (): Shows => useSheet((s) => s.shows ?? (isCovered(s.problem) ? 'verdict' : 'value'))

/** Whether the choice shows so much. */
export const reaches = (chosen: Shows, level: Shows): boolean => rank(chosen) >= rank(level)

/**
 * Whether the computed values of the problem are held back now: in the Working, the Results and on the
 * Figure.
 */
export const useHeldBack = (): boolean => useSheet((s) => isCovered(s.problem) && s.shows !== 'value')

const place = (id: string) => `viga:shows:${id}`

/** Remembers the choice in this browser: who has asked for the values once need not ask again. */
export function useKeptShows() {
  const store = useSheetStore()
  const id = useSheet((s) => s.id)
  useEffect(() => {
    const kept = SHOWS.find((o) => o.key === localStorage.getItem(place(id)))
    if (kept && store.getState().shows === null) store.setState({ shows: kept.key })
  }, [store, id])
}

/** Chooses what is shown. */
export function useChooseShows() {
  const store = useSheetStore()
  return (shows: Shows) => {
    store.setState({ shows })
    try {
      localStorage.setItem(place(store.getState().id), shows)
    } catch {
      // a browser that keeps nothing asks again
    }
  }
}
