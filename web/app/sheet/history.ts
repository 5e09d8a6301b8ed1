import { clear, createStore, get, set } from 'idb-keyval'
import type { Problem } from '@viga/core'
import { forgetStatements } from './kept-statements'
import { BROUGHT_BACK } from './restore'
import { trusted, type SheetStore, type Step } from './store'

/** Delay after an edit before the list of steps is written, ms (debounce). */
const PAUSE = 400

interface Kept {
  problem: Problem
  past: Step[]
  future: Step[]
}

const shelf = () => createStore('viga-history', 'steps')

/**
 * Keeps undo and redo with the problem across a reload, in this browser. Steps share what they have in
 * common, and the
 * browser's database keeps that sharing, so a long list costs little more than its edits.
 * @returns a function that ends the watch
 */
export function keepHistory(store: SheetStore): () => void {
  const { id } = store.getState()
  if (typeof indexedDB === 'undefined') return () => {}
  const place = shelf()
  let timer: ReturnType<typeof setTimeout> | undefined
  let writing = Promise.resolve()
  const write = () => {
    const { problem, past, future } = store.getState()
    // the browser refuses to store the steps, so undo lasts as long as the page
    writing = writing.then(() => set(id, { problem, past, future } satisfies Kept, place)).catch(() => {})
  }
  const soon = () => {
    clearTimeout(timer)
    timer = setTimeout(() => {
      timer = undefined
      write()
    }, PAUSE)
  }
  /** Writes what still waits: the page goes away, or another one is shown. */
  const now = () => {
    if (timer === undefined) return
    clearTimeout(timer)
    timer = undefined
    write()
  }
  const unwatch = store.subscribe((after, before) => {
    if (after.past !== before.past || after.future !== before.future) soon()
  })
  void Promise.all([get<Kept>(id, place), restored(store)])
    .then(([kept]) => takeBack(store, kept))
    .catch(() => {})
  window.addEventListener('pagehide', now)
  document.addEventListener('visibilitychange', now)
  return () => {
    now()
    unwatch()
    window.removeEventListener('pagehide', now)
    document.removeEventListener('visibilitychange', now)
  }
}

/** Resolves when what earlier pages left has been brought back: their steps lead to that. */
const restored = (store: SheetStore): Promise<void> =>
  new Promise((resolve) => {
    if (store.getState().restored) return resolve()
    const unwatch = store.subscribe((now) => {
      if (!now.restored) return
      unwatch()
      resolve()
    })
  })

/**
 * Forgets the steps of all problems in this browser, and the earlier states that were kept to be compared.
 */
export const forgetHistories = async (): Promise<void> => {
  await clear(shelf())
  await forgetStatements()
}

/** Gives a copy of a problem the steps that led to it. */
export async function copyHistory(store: SheetStore, copy: string): Promise<void> {
  const { problem, past, future } = store.getState()
  await set(copy, { problem, past, future } satisfies Kept, shelf()).catch(() => {})
}

/** Takes back the steps of an earlier page, when they lead to the very problem that is open. */
export function takeBack(store: SheetStore, kept: Kept | undefined) {
  const { problem, past } = store.getState()
  if (!kept || !Array.isArray(kept.past) || !Array.isArray(kept.future)) return
  const same = JSON.stringify(kept.problem) === JSON.stringify(problem)
  // edits made before the list arrived, or by another page: their own list is the true one
  if (!same || past.some((s) => s.name !== BROUGHT_BACK)) return
  const sound = (steps: Step[]) =>
    steps.every((s) => typeof s.name === 'string' && trusted(s.problem) !== undefined)
  if (kept.past.length + kept.future.length > 0 && sound(kept.past.slice(-3)) && sound(kept.future.slice(-3)))
    store.setState({ past: kept.past, future: kept.future })
}
