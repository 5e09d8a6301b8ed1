import { clear, createStore, get, set } from 'idb-keyval'
import type { Problem } from '@viga/core'
import { trusted } from './store'

/** A statement of the problem as it was once, kept in this browser to be compared with. */
export interface KeptStatement {
  /** When it was kept, as an ISO date. */
  at: string
  problem: Problem
}

/** Limit on the kept statements of one problem. Beyond it the oldest is removed. */
const MOST_KEPT = 12

const place = () => createStore('viga-kept', 'statements')

/** The statements of a problem that were kept, newest first; none where the browser keeps nothing. */
export async function keptStatements(id: string): Promise<KeptStatement[]> {
  if (typeof indexedDB === 'undefined') return []
  const kept = await get<unknown>(id, place()).catch(() => undefined)
  if (!Array.isArray(kept)) return []
  return (kept as KeptStatement[]).filter((k) => typeof k.at === 'string' && trusted(k.problem) !== undefined)
}

/** Keeps a statement as it is now; returns all that are kept. */
export async function keepStatement(id: string, problem: Problem): Promise<KeptStatement[]> {
  const next = [{ at: new Date().toISOString(), problem }, ...(await keptStatements(id))].slice(0, MOST_KEPT)
  await set(id, next, place()).catch(() => {})
  return next
}

/** Forgets the statements of all problems that were kept in this browser. */
export const forgetStatements = (): Promise<void> => clear(place())
