import { delMany, get, keys, promisifyRequest, set, del, type UseStore } from 'idb-keyval'
import type { Problem } from '@viga/core'
import type { Drafts } from './drafts'

/** What a window holds of a problem that the server has not kept yet. */
export interface Draft {
  /** The revision the edits started from. */
  revision: number
  problem: Problem
  /** Texts that cannot be read yet. */
  drafts: Drafts
  /** When it was written, ms since 1970. */
  at: number
}

/** Where the drafts of one problem are kept in this browser, one for each window. */
export interface DraftPlace {
  /** This window's own draft, and those that closed windows have left, the oldest first. */
  found(): Promise<{ own: Draft | undefined; left: Draft[] }>
  /** Resolves when the draft is on the disk: a browser that is killed from then on has it. */
  keep(draft: Draft): Promise<void>
  /** Forgets this window's draft, and those that were left and have been taken over. */
  forget(): Promise<void>
}

const DATABASE = 'viga-drafts'
const STORE = 'drafts'
/** A window of a browser that cannot say which windows are open counts as closed after this time, ms. */
const SILENT = 60_000

let database: Promise<IDBDatabase> | undefined

/** The store, with transactions that are complete when the system has written them to the disk. */
const onDisk: UseStore = async (mode, act) => {
  const request = () => {
    const opening = indexedDB.open(DATABASE)
    opening.onupgradeneeded = () => opening.result.createObjectStore(STORE)
    return promisifyRequest(opening)
  }
  const open = await (database ??= request())
  open.onclose = () => (database = undefined)
  return act(open.transaction(STORE, mode, { durability: 'strict' }).objectStore(STORE))
}

const WINDOW = 'viga:window'
const lockOf = (window: string) => `viga:window:${window}`
let thisWindow: Promise<string> | undefined

/** The name of this window: the same after a reload, another one in a window that was opened as its copy. */
const windowName = (): Promise<string> => (thisWindow ??= findWindow())

async function findWindow(): Promise<string> {
  const before = sessionStorage.getItem(WINDOW)
  for (const name of before ? [before, randomName()] : [randomName()])
    if (await holdLock(lockOf(name))) {
      sessionStorage.setItem(WINDOW, name)
      return name
    }
  return randomName()
}

const randomName = () =>
  Array.from(crypto.getRandomValues(new Uint32Array(3)), (n) => n.toString(36)).join('')

/** Holds a lock for as long as the page lives. @returns false when another page holds it */
function holdLock(name: string): Promise<boolean> {
  if (!navigator.locks) return Promise.resolve(true)
  return new Promise((resolve) => {
    const hold = (lock: Lock | null) => {
      resolve(lock !== null)
      return lock === null ? undefined : new Promise(() => {})
    }
    // a page that is being reloaded lets its lock go a moment after its successor asks for it
    const asked = AbortSignal.timeout(300)
    navigator.locks.request(name, { signal: asked }, hold).catch(() => resolve(false))
  })
}

/** Time that a window which is just being closed has to let its lock go, ms. */
const CLOSING = 1_000

/** Whether a window that left a draft is closed. */
async function isClosed(window: string, at: number): Promise<boolean> {
  if (!navigator.locks) return at < Date.now() - SILENT
  try {
    await navigator.locks.request(lockOf(window), { signal: AbortSignal.timeout(CLOSING) }, () => {})
    return true
  } catch {
    return false
  }
}

/** Where the drafts of a problem are kept in this browser. */
export function draftPlace(id: string): DraftPlace {
  const prefix = `${id}/`
  const taken: string[] = []
  const own = async () => prefix + (await windowName())
  return {
    async found() {
      const mine = await own()
      const left: Draft[] = []
      for (const key of (await keys<string>(onDisk)).filter((k) => k.startsWith(prefix) && k !== mine)) {
        const draft = await get<Draft>(key, onDisk)
        if (!draft || !(await isClosed(key.slice(prefix.length), draft.at))) continue
        taken.push(key)
        left.push(draft)
      }
      return { own: await get<Draft>(mine, onDisk), left: left.sort((a, b) => a.at - b.at) }
    },
    keep: async (draft) => set(await own(), draft, onDisk),
    async forget() {
      await del(await own(), onDisk)
      await delMany(taken.splice(0), onDisk)
    },
  }
}

/** Forgets all drafts in this browser: whoever uses it next is somebody else. */
export async function forgetAllDrafts(): Promise<void> {
  await delMany(await keys(onDisk), onDisk)
}
