import type { Problem, ProblemError } from '@viga/core'
import type { Newer } from './following'

/** Time that an answer to a save may take before it is sent again, ms. */
const ANSWER = 12_000

/** The outcome of a save. */
export type SaveAnswer =
  | { kind: 'kept'; revision: number }
  /** Kept as a problem of one's own: the one it was made of is another's. */
  | { kind: 'copied'; id: string; revision: number }
  | { kind: 'newer'; newer: Newer }
  /** The problem was taken off the Shelf meanwhile. */
  | { kind: 'gone' }
  /** The same will not be kept however often it is sent. */
  | { kind: 'refused'; message: string }
  /** May be kept later. */
  | { kind: 'later'; message: string }

interface Body {
  revision?: number
  copied?: string
  newer?: Newer
  errors?: ProblemError[]
  gone?: boolean
}

const AGAIN = 'it is tried again by itself.'

/** @param copy the name of the copy that the save makes, of a problem which is another's */
export const envelope = (revision: number, document: string, copy?: string) =>
  `{"revision":${revision},${copy === undefined ? '' : `"copy":"${copy}",`}"document":${document}}`

/** The request of a save. */
export const saveInit = (revision: number, document: string, copy?: string): RequestInit => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: envelope(revision, document, copy),
})

const copyKey = (id: string) => `viga:copy:${id}`

/**
 * The name of the copy that a change to another's problem becomes: the same until the copy is known to be
 * there, so that a change which is sent twice makes one copy.
 */
export function copyOf(id: string): string {
  try {
    const before = localStorage.getItem(copyKey(id))
    if (before !== null) return before
    const made = crypto.randomUUID()
    localStorage.setItem(copyKey(id), made)
    return made
  } catch {
    // a browser that keeps nothing may make two copies of one problem
    return crypto.randomUUID()
  }
}

/** The copy is there: another change to the same problem makes another one. */
export function forgetCopyOf(id: string) {
  try {
    localStorage.removeItem(copyKey(id))
  } catch {
    // nothing is kept that could be forgotten
  }
}

/**
 * Sends a document to be kept, and reads the answer. Never throws: a missing answer is one of the outcomes.
 */
export async function sendDocument(
  id: string,
  revision: number,
  document: string,
  copy?: string,
): Promise<SaveAnswer> {
  let response: Response
  try {
    response = await fetch(`/problems/${id}/save`, {
      ...saveInit(revision, document, copy),
      signal: AbortSignal.timeout(ANSWER),
    })
  } catch (error) {
    return {
      kind: 'later',
      message:
        (error as Error).name === 'TimeoutError'
          ? `Viga does not answer; ${AGAIN}`
          : `Viga cannot be reached; ${AGAIN}`,
    }
  }
  const body = ((await response.json().catch(() => null)) ?? {}) as Body
  if (response.ok && body.copied !== undefined)
    return { kind: 'copied', id: body.copied, revision: body.revision ?? 1 }
  if (response.ok && body.revision !== undefined) return { kind: 'kept', revision: body.revision }
  if (response.status === 409 && body.newer) return { kind: 'newer', newer: body.newer }
  if (response.status === 404 && body.gone) return { kind: 'gone' }
  const message = body.errors?.[0].message
  if (response.status === 400)
    return { kind: 'refused', message: message ?? 'The server refused to keep this.' }
  if (response.status === 413) return { kind: 'refused', message: 'This problem is too large to be kept.' }
  return {
    kind: 'later',
    message: `${WORDS[response.status] ?? `Viga answers with error ${response.status}`}; ${AGAIN}`,
  }
}

const WORDS: Record<number, string> = {
  403: 'This may not be written from here',
  429: 'There are too many requests at this moment',
  500: 'Something went wrong inside Viga',
  502: 'The server of Viga is being started',
  503: 'Viga has no time, or no database, at this moment',
  504: 'The server of Viga does not answer',
}

const sentKey = (id: string) => `viga:sent:${id}`
const MOST_SENT = 3

/**
 * What this tab sent last, kept over its reload: a newer revision that says just this is no other person's,
 * but this tab's own, whose answer was lost or came after the page had gone.
 */
export function sentBy(id: string): string[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(sentKey(id)) ?? '[]')
    return Array.isArray(kept) ? kept.filter((t) => typeof t === 'string') : []
  } catch {
    return []
  }
}

export function noteSent(id: string, documents: readonly string[]) {
  try {
    sessionStorage.setItem(sentKey(id), JSON.stringify(documents.slice(-MOST_SENT)))
  } catch {
    // without it the worst is a question which of two versions to keep
  }
}

export const isOwn = (id: string, newer: Problem) => sentBy(id).includes(JSON.stringify(newer))
