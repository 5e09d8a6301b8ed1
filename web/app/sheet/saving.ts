import type { Problem } from '@viga/core'
import { draftPlace, type Draft, type DraftPlace } from './draft-place'
import { readDrafts } from './drafts'
import { FROM_ELSEWHERE, followOthers } from './following'
import { isOwn, noteSent, saveInit, sendDocument, sentBy, type SaveAnswer } from './sending'
import { trusted, type SheetStore } from './store'

/** Quiet time after an edit before it is sent, ms. */
const PAUSE = 350
/** Time before a save that was not kept is sent again, ms: it doubles each time, up to the longest. */
const FIRST_RETRY = 1_000
const LONGEST_RETRY = 60_000

/** The step by which edits come back that an earlier page could not send. */
export const BROUGHT_BACK = 'edits from before the page was closed'

/**
 * Keeps every edit: at once in this browser, shortly after in the database. A crash, a closed tab or a lost
 * network costs nothing; a save from a stale revision is refused by the server and both versions are kept for
 * the person.
 * @param place where drafts of this problem are kept in this browser
 * @returns a function that ends the watch
 */
export function keepSaved(
  store: SheetStore,
  place: DraftPlace = draftPlace(store.getState().id),
): () => void {
  const { id } = store.getState()
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending = false
  let retry = FIRST_RETRY
  let ended = false
  // what the server has; what an earlier page left is compared with it once it has been found
  let kept = store.getState().problem
  const remember = drafting(store, place, () => kept)

  const take = (answer: SaveAnswer, problem: Problem, document: string): number | undefined => {
    const { problem: now } = store.getState()
    if (answer.kind !== 'later') retry = FIRST_RETRY
    switch (answer.kind) {
      case 'kept':
        kept = problem
        noteSent(id, [document])
        store.setState({
          revision: answer.revision,
          save: now === problem ? { kind: 'saved', at: new Date().toISOString() } : { kind: 'unsaved' },
        })
        return PAUSE
      case 'copied':
        kept = problem
        void goOn(answer.id, problem)
        return undefined
      case 'newer':
        if (isOwn(id, answer.newer.problem)) {
          store.setState({ revision: answer.newer.revision, save: { kind: 'unsaved' } })
          return 0
        }
        store.setState({ save: { kind: 'conflict', newer: answer.newer } })
        return undefined
      case 'gone':
        store.setState({ save: { kind: 'gone' } })
        return undefined
      case 'refused':
        store.setState({ save: { kind: 'offline', message: answer.message } })
        return undefined
      case 'later': {
        store.setState({ save: { kind: 'offline', message: answer.message } })
        const pause = retry * (0.75 + Math.random() / 2) // a class does not come back all at once
        retry = Math.min(2 * retry, LONGEST_RETRY)
        return pause
      }
    }
  }

  /** The page goes on with the copy; edits that were made meanwhile go along as its draft. */
  const goOn = async (copy: string, problem: Problem) => {
    ended = true
    const { problem: now, drafts } = store.getState()
    if (now !== problem || Object.keys(drafts).length > 0)
      await draftPlace(copy)
        .keep({ revision: 1, problem: now, drafts, at: Date.now() })
        .catch(() => {})
    await place.forget().catch(() => {})
    store.setState({ movedTo: copy })
  }

  const send = async () => {
    const { problem, revision, save } = store.getState()
    if (ended || sending || save.kind === 'conflict' || save.kind === 'gone') return
    // an undo back to what was saved is sent, too: a save that was given up may have arrived meanwhile
    if (problem === kept && save.kind === 'saved') return
    sending = true
    if (save.kind !== 'offline') store.setState({ save: { kind: 'saving' } })
    const document = JSON.stringify(problem)
    noteSent(id, [...sentBy(id), document])
    const next = take(await sendDocument(id, revision, document), problem, document)
    sending = false
    remember()
    const { problem: now, save: after } = store.getState()
    if (next !== undefined && (now !== kept || after.kind !== 'saved')) plan(next)
  }
  const plan = (delay: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void send(), delay)
  }

  void restore(store, place, kept).then((pending) => {
    if (ended) return
    store.setState({ restored: true })
    if (pending) plan(0)
  })
  const unwatch = store.subscribe((now, before) => {
    if (now.problem !== before.problem || now.drafts !== before.drafts || now.revision !== before.revision)
      remember()
    const resumed =
      now.save.kind === 'unsaved' && (before.save.kind === 'conflict' || before.save.kind === 'gone')
    if (resumed && now.problem === kept)
      store.setState({ save: { kind: 'saved', at: new Date().toISOString() } })
    else if (now.problem !== before.problem || resumed) plan(PAUSE)
  })
  const unfollow = followOthers(store, (newer) => {
    kept = newer.problem
    store.getState().edit(FROM_ELSEWHERE, () => newer.problem, { merge: FROM_ELSEWHERE })
    store.setState({ revision: newer.revision, save: { kind: 'saved', at: newer.changedAt } })
  })
  const leave = () => {
    const { problem, revision, save } = store.getState()
    if (ended) return
    // the last edit of a page that goes away; what does not arrive is in this browser's store
    if (problem === kept || sending || save.kind === 'conflict' || save.kind === 'gone') return
    const document = JSON.stringify(problem)
    noteSent(id, [...sentBy(id), document])
    void fetch(`/problems/${id}/save`, { ...saveInit(revision, document), keepalive: true }).catch(() => {})
  }
  const online = () => {
    if (store.getState().save.kind === 'offline') plan(0)
  }
  window.addEventListener('pagehide', leave)
  window.addEventListener('online', online)
  return () => {
    leave()
    ended = true
    clearTimeout(timer)
    unwatch()
    unfollow()
    window.removeEventListener('pagehide', leave)
    window.removeEventListener('online', online)
  }
}

/**
 * Writes what is not saved yet into this browser, one write at a time, the newest state each. `draftKept` of the
 * store says that the newest edit is on the disk.
 * @returns a function that has the state as it is now written
 */
function drafting(store: SheetStore, place: DraftPlace, savedProblem: () => Problem): () => void {
  let writing = false
  let asked = false
  const write = async () => {
    writing = true
    while (asked) {
      asked = false
      const { problem, revision, drafts } = store.getState()
      const pending = problem !== savedProblem() || Object.keys(drafts).length > 0
      try {
        if (pending) await place.keep({ revision, problem, drafts, at: Date.now() })
        else await place.forget()
        if (!asked) store.setState({ draftKept: pending })
      } catch {
        // a full or forbidden store: the database still keeps every edit
        store.setState({ draftKept: false })
      }
    }
    writing = false
  }
  return () => {
    asked = true
    if (store.getState().draftKept) store.setState({ draftKept: false })
    // as soon as the edit is on the screen, so that writing never delays it
    if (!writing) setTimeout(() => !writing && void write())
  }
}

/**
 * What earlier pages of this browser could not send any more: each becomes a step, the newest last, so that undo
 * leads back through all of them.
 * @returns whether there is something to be sent
 */
async function restore(store: SheetStore, place: DraftPlace, server: Problem): Promise<boolean> {
  const { id, revision, save } = store.getState()
  const found = await place.found().catch(() => ({ own: undefined, left: [] }))
  const before = earlierDraft(id)
  const usable = [before, ...found.left, found.own].flatMap((draft) => {
    const problem = draft && trusted(draft.problem)
    return draft && problem ? [{ ...draft, problem }] : []
  })
  const same = JSON.stringify(server)
  // what arrived after all leaves texts that could not be read
  const unsent = usable.filter((d) => JSON.stringify(d.problem) !== same)
  const mine = store.getState().problem
  for (const { problem } of unsent) store.getState().edit(BROUGHT_BACK, () => problem)
  // edits made before the drafts were found go on from them
  if (unsent.length > 0 && mine !== server) store.getState().edit(BROUGHT_BACK, () => mine)
  const drafts = readDrafts(Object.assign({}, ...usable.map((d) => d.drafts)))
  if (Object.keys(drafts).length > 0) store.setState({ drafts: { ...drafts, ...store.getState().drafts } })
  const last = unsent.at(-1)
  if (!last) {
    if (usable.length > 0 && Object.keys(drafts).length === 0) await place.forget().catch(() => {})
    return store.getState().problem !== server
  }
  if (last.revision !== revision && !isOwn(id, server)) {
    const changedAt = save.kind === 'saved' ? save.at : ''
    store.setState({ save: { kind: 'conflict', newer: { problem: server, revision, changedAt } } })
  }
  return true
}

/** The draft of a page of before drafts had a place for each window; it is found once. */
function earlierDraft(id: string): Draft | undefined {
  const key = `viga:draft:${id}`
  try {
    const text = localStorage.getItem(key)
    localStorage.removeItem(key)
    return text === null ? undefined : (JSON.parse(text) as Draft)
  } catch {
    return undefined
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
