import type { Problem, ProblemError } from '@viga/core'
import { readDrafts, type Drafts } from './drafts'
import { FROM_ELSEWHERE, followOthers } from './following'
import { trusted, type SheetStore } from './store'

/** Quiet time after an edit before it is sent, ms. */
const PAUSE = 350
/** Time before an unreachable server is tried again, ms. */
const RETRY = 4000

/** The step by which edits come back that an earlier page could not send. */
export const BROUGHT_BACK = 'edits from before the page was closed'

interface Draft {
  revision: number
  problem: Problem
  drafts: Drafts
}

const key = (id: string) => `viga:draft:${id}`

/**
 * What this tab sent last, kept over its reload: a newer revision that says just this is no other person's,
 * but this tab's
 * own, whose answer came after the page had gone.
 */
const sentKey = (id: string) => `viga:sent:${id}`
const MOST_SENT = 3

function sentBy(id: string): string[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(sentKey(id)) ?? '[]')
    return Array.isArray(kept) ? kept.filter((t) => typeof t === 'string') : []
  } catch {
    return []
  }
}

function noteSent(id: string, documents: readonly string[]) {
  try {
    sessionStorage.setItem(sentKey(id), JSON.stringify(documents.slice(-MOST_SENT)))
  } catch {
    // without it the worst is a question which of two versions to keep
  }
}

const isOwn = (id: string, newer: Problem) => sentBy(id).includes(JSON.stringify(newer))

/**
 * Keeps every edit: at once in this browser, shortly after in the database. A crash, a closed tab or a lost
 * network
 * costs nothing; a save from a stale revision is refused by the server and both versions are kept for the
 * person.
 * @returns a function that ends the watch
 */
export function keepSaved(store: SheetStore): () => void {
  const { id } = store.getState()
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending = false
  let kept = store.getState().problem

  // written as soon as the edit is on the screen, so that writing never delays it
  let writing: ReturnType<typeof setTimeout> | undefined
  const rememberSoon = () => (writing ??= setTimeout(remember))
  const remember = () => {
    clearTimeout(writing)
    writing = undefined
    const { problem, revision, drafts } = store.getState()
    const pending = problem !== kept || Object.keys(drafts).length > 0
    try {
      if (pending)
        localStorage.setItem(key(id), JSON.stringify({ revision, problem, drafts } satisfies Draft))
      else localStorage.removeItem(key(id))
    } catch {
      // a full or forbidden store: the database still keeps every edit
    }
  }

  const send = async () => {
    const { problem, revision, save } = store.getState()
    if (sending || problem === kept || save.kind === 'conflict') return
    sending = true
    store.setState({ save: { kind: 'saving' } })
    let next = PAUSE
    const document = JSON.stringify(problem)
    noteSent(id, [...sentBy(id), document])
    try {
      const response = await fetch(`/problems/${id}/save`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: envelope(revision, document),
      })
      const body = (await response.json()) as {
        revision?: number
        newer?: { problem: Problem; revision: number; changedAt: string }
        errors?: ProblemError[]
      }
      if (response.ok && body.revision !== undefined) {
        kept = problem
        noteSent(id, [document])
        store.setState({
          revision: body.revision,
          save:
            store.getState().problem === problem
              ? { kind: 'saved', at: new Date().toISOString() }
              : { kind: 'unsaved' },
        })
      } else if (response.status === 409 && body.newer && isOwn(id, body.newer.problem)) {
        store.setState({ revision: body.newer.revision, save: { kind: 'unsaved' } })
        next = 0
      } else if (response.status === 409 && body.newer)
        store.setState({ save: { kind: 'conflict', newer: body.newer } })
      else {
        store.setState({
          save: { kind: 'offline', message: body.errors?.[0].message ?? 'The server refused to keep this.' },
        })
        next = RETRY
      }
    } catch {
      store.setState({
        save: { kind: 'offline', message: 'Viga cannot be reached; everything is kept in this browser.' },
      })
      next = RETRY
    } finally {
      sending = false
      remember()
    }
    if (store.getState().problem !== kept && store.getState().save.kind !== 'conflict') plan(next)
  }
  const plan = (delay: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void send(), delay)
  }

  restore(store, (problem) => (kept = problem))
  const unwatch = store.subscribe((now, before) => {
    if (now.problem !== before.problem || now.drafts !== before.drafts || now.revision !== before.revision)
      rememberSoon()
    if (now.problem !== before.problem || (before.save.kind === 'conflict' && now.save.kind === 'unsaved'))
      plan(PAUSE)
  })
  if (store.getState().problem !== kept) plan(0)
  const unfollow = followOthers(store, (newer) => {
    kept = newer.problem
    store.getState().edit(FROM_ELSEWHERE, () => newer.problem, { merge: FROM_ELSEWHERE })
    store.setState({ revision: newer.revision, save: { kind: 'saved', at: newer.changedAt } })
  })
  const leave = () => {
    remember()
    const { problem, revision, save } = store.getState()
    // the last edit of a page that goes away; what does not arrive is in this browser's store
    if (problem === kept || sending || save.kind === 'conflict') return
    const document = JSON.stringify(problem)
    noteSent(id, [...sentBy(id), document])
    void fetch(`/problems/${id}/save`, {
      method: 'POST',
      keepalive: true,
      body: envelope(revision, document),
    }).catch(() => {})
  }
  window.addEventListener('pagehide', leave)
  return () => {
    leave()
    clearTimeout(timer)
    unwatch()
    unfollow()
    window.removeEventListener('pagehide', leave)
  }
}

const envelope = (revision: number, document: string) => `{"revision":${revision},"document":${document}}`

/** What an earlier page of this browser could not send any more. */
function restore(store: SheetStore, keepAs: (problem: Problem) => void) {
  const { id, problem: server, revision, save } = store.getState()
  keepAs(server)
  let draft: Draft | undefined
  try {
    draft = JSON.parse(localStorage.getItem(key(id)) ?? 'null') as Draft
  } catch {
    return
  }
  const problem = draft && trusted(draft.problem)
  if (!draft || !problem) return
  if (JSON.stringify(problem) === JSON.stringify(server)) {
    // it arrived after all: what is left are texts that could not be read
    const drafts = readDrafts(draft.drafts)
    if (Object.keys(drafts).length) store.setState({ drafts })
    else localStorage.removeItem(key(id))
    return
  }
  store.getState().edit(BROUGHT_BACK, () => problem)
  store.setState({ drafts: readDrafts(draft.drafts) })
  if (draft.revision !== revision && !isOwn(id, server)) {
    const changedAt = save.kind === 'saved' ? save.at : ''
    store.setState({ save: { kind: 'conflict', newer: { problem: server, revision, changedAt } } })
  }
}

/** Ends a conflict: `mine` is saved over the newer revision, `newer` is taken and mine stays in undo. */
export function settle(store: SheetStore, choice: 'mine' | 'newer') {
  const { save } = store.getState()
  if (save.kind !== 'conflict') return
  const { newer } = save
  if (choice === 'mine') store.setState({ revision: newer.revision, save: { kind: 'unsaved' } })
  else {
    store.setState({ revision: newer.revision, save: { kind: 'unsaved' } })
    store.getState().edit('took the newer version', () => newer.problem)
  }
}
