import type { Problem } from '@viga/core'
import { trusted, type SheetStore } from './store'

/** Time between two looks for a newer revision while the page is in view, ms. */
const LOOK_MS = 8000

/** The name in the undo list of what another window or another person saved. */
export const FROM_ELSEWHERE = 'changes made in another window'

export interface Newer {
  problem: Problem
  revision: number
  changedAt: string
}

/** Nothing of this window is on its way or half typed, so that a newer revision overwrites nothing. */
const isIdle = (store: SheetStore): boolean => {
  const { save, dragging } = store.getState()
  return save.kind === 'saved' && !dragging && !document.activeElement?.matches('[data-typing]')
}

/**
 * Asks the server for a newer revision than the one in this window, or whether the problem was taken off. A
 * server that cannot be reached answers nothing: the next save says so.
 */
async function newerThan(id: string, revision: number): Promise<Newer | 'gone' | undefined> {
  try {
    const response = await fetch(`/problems/${id}/newer?than=${revision}`)
    if (response.status === 404) return 'gone'
    if (response.status !== 200) return undefined
    const body = (await response.json()) as Newer
    return Number.isInteger(body.revision) && trusted(body.problem) ? body : undefined
  } catch {
    return undefined
  }
}

/**
 * Lets an idle window follow what another one saves: it looks when it gets the focus, and now and then while
 * it is in view.
 * @param adopt takes the newer revision over
 * @returns a function that ends the watch
 */
export function followOthers(store: SheetStore, adopt: (newer: Newer) => void): () => void {
  const { id } = store.getState()
  let looking = false
  const look = async () => {
    if (looking || document.visibilityState !== 'visible' || !isIdle(store)) return
    looking = true
    const { revision, problem } = store.getState()
    const newer = await newerThan(id, revision)
    looking = false
    // an edit made while the answer was on its way is this window's own: its save asks the person
    const untouched = store.getState().problem === problem && store.getState().revision === revision
    if (newer === 'gone') store.setState({ save: { kind: 'gone' } })
    else if (newer && newer.revision > revision && untouched && isIdle(store)) adopt(newer)
  }
  const onSight = () => void look()
  const timer = setInterval(onSight, LOOK_MS)
  window.addEventListener('focus', onSight)
  document.addEventListener('visibilitychange', onSight)
  return () => {
    clearInterval(timer)
    window.removeEventListener('focus', onSight)
    document.removeEventListener('visibilitychange', onSight)
  }
}
