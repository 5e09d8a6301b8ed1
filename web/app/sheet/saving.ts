import type { Problem } from '@viga/core'
import { draftPlace, type DraftPlace } from './draft-place'
import { FROM_ELSEWHERE, followOthers, type Newer } from './following'
import {
  copyOf,
  forgetCopyOf,
  isOwn,
  noteSent,
  saveInit,
  sendDocument,
  sentBy,
  type SaveAnswer,
} from './sending'
import { restore } from './restore'
import type { SaveState, SheetState, SheetStore } from './store'

/** Delay after an edit before it is sent, ms (debounce). */
const PAUSE = 350
/** Time before a save that was not kept is sent again, ms: it doubles each time, up to the longest. */
const FIRST_RETRY = 1_000
const LONGEST_RETRY = 60_000

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
  const keeper = new Keeper(store, place)
  const unwatch = store.subscribe((now, before) => keeper.changed(now, before))
  const unfollow = followOthers(store, (newer) => keeper.follow(newer))
  const leave = () => keeper.leave()
  const online = () => keeper.online()
  window.addEventListener('pagehide', leave)
  window.addEventListener('online', online)
  return () => {
    leave()
    keeper.end()
    unwatch()
    unfollow()
    window.removeEventListener('pagehide', leave)
    window.removeEventListener('online', online)
  }
}

/** A save waits for a person's choice, or for the problem to be put back. */
const waits = (save: SaveState) => save.kind === 'conflict' || save.kind === 'gone'

const savedNow = (): SaveState => ({ kind: 'saved', at: new Date().toISOString() })

/** Sends what was edited, one save at a time, and takes what the server answers. */
class Keeper {
  private readonly id: string
  private timer: ReturnType<typeof setTimeout> | undefined
  private sending = false
  private retry = FIRST_RETRY
  private ended = false
  /** The page was left during a save, with edits that it does not hold. */
  private left = false
  /** What the server has; what an earlier page left is compared with it once it has been found. */
  private kept: Problem
  private readonly remember: () => void
  /** Resolves once what earlier pages left has been brought back. */
  private readonly restored: Promise<boolean>

  constructor(
    private readonly store: SheetStore,
    private readonly place: DraftPlace,
  ) {
    this.id = store.getState().id
    this.kept = store.getState().problem
    this.restored = restore(store, place, this.kept)
    this.remember = drafting(store, place, () => this.kept, this.restored)
    void this.restored.then((pending) => {
      if (this.ended) return
      store.setState({ restored: true })
      if (pending) this.plan(0)
    })
  }

  changed(now: SheetState, before: SheetState) {
    if (now.problem !== before.problem || now.drafts !== before.drafts || now.revision !== before.revision)
      this.remember()
    const resumed = now.save.kind === 'unsaved' && waits(before.save)
    if (resumed && now.problem === this.kept) this.store.setState({ save: savedNow() })
    else if (now.problem !== before.problem || resumed) this.plan(PAUSE)
  }

  /** Another window saved while nothing was edited here: its state is taken over as a step. */
  follow(newer: Newer) {
    this.kept = newer.problem
    this.store.getState().edit(FROM_ELSEWHERE, () => newer.problem, { merge: FROM_ELSEWHERE })
    this.store.setState({ revision: newer.revision, save: { kind: 'saved', at: newer.changedAt } })
  }

  /** The last edit of a page that goes away; what does not arrive is in this browser's store. */
  leave() {
    const { problem, revision, save } = this.store.getState()
    if (this.ended || problem === this.kept || waits(save)) return
    // what was edited during a save starts from the revision that the save will have made
    if (this.sending) {
      this.left = true
      return
    }
    const document = this.written(problem)
    const init = { ...saveInit(revision, document, this.copy()), keepalive: true }
    void fetch(`/problems/${this.id}/save`, init).catch(() => {})
  }

  /** The name of the copy that a save makes of a problem which is another's. */
  private copy(): string | undefined {
    return this.store.getState().mayWrite ? undefined : copyOf(this.id)
  }

  online() {
    if (this.store.getState().save.kind === 'offline') this.plan(0)
  }

  end() {
    this.ended = true
    clearTimeout(this.timer)
  }

  private plan(delay: number) {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.send(), delay)
  }

  /** The document as it is sent, noted so that it is known again when the server gives it back. */
  private written(problem: Problem): string {
    const document = JSON.stringify(problem)
    noteSent(this.id, [...sentBy(this.id), document])
    return document
  }

  private async send() {
    const { problem, revision, save } = this.store.getState()
    if (this.ended || this.sending || waits(save)) return
    // an undo back to what was saved is sent, too: a save that was given up may have arrived meanwhile
    if (problem === this.kept && save.kind === 'saved') return
    this.sending = true
    if (save.kind !== 'offline') this.store.setState({ save: { kind: 'saving' } })
    const document = this.written(problem)
    const answer = await sendDocument(this.id, revision, document, this.copy())
    const pause = this.take(answer, problem, document)
    this.sending = false
    if (this.left) return this.afterLeaving()
    this.remember()
    const { problem: now, save: after } = this.store.getState()
    if (pause !== undefined && (now !== this.kept || after.kind !== 'saved')) this.plan(pause)
  }

  /** Sends what was edited during the last save of a page that was left meanwhile. */
  private async afterLeaving() {
    const { problem, revision, save } = this.store.getState()
    if (problem === this.kept || waits(save)) return
    const answer = await sendDocument(this.id, revision, this.written(problem), this.copy())
    if (answer.kind === 'kept') {
      this.kept = problem
      this.remember()
    }
  }

  /**
   * Takes an answer of the server.
   * @returns the pause before the next save, ms; undefined where a person has to choose first
   */
  private take(answer: SaveAnswer, problem: Problem, document: string): number | undefined {
    const { store } = this
    if (answer.kind !== 'later') this.retry = FIRST_RETRY
    switch (answer.kind) {
      case 'kept': {
        this.kept = problem
        noteSent(this.id, [document])
        const same = store.getState().problem === problem
        store.setState({ revision: answer.revision, save: same ? savedNow() : { kind: 'unsaved' } })
        return PAUSE
      }
      case 'copied':
        this.kept = problem
        forgetCopyOf(this.id)
        void this.goOn(answer.id, answer.revision, problem)
        return undefined
      case 'newer':
        if (isOwn(this.id, answer.newer.problem)) {
          store.setState({ revision: answer.newer.revision, save: { kind: 'unsaved' } })
          return 0
        }
        // what the server has is the other version: an undo back to the last save here is not kept there
        this.kept = answer.newer.problem
        store.setState({ save: { kind: 'conflict', newer: answer.newer } })
        return undefined
      case 'gone':
        store.setState({ save: { kind: 'gone' } })
        return undefined
      case 'refused':
        store.setState({ save: { kind: 'offline', message: answer.message } })
        return undefined
      case 'later':
        store.setState({ save: { kind: 'offline', message: answer.message } })
        return this.nextPause()
    }
  }

  /** The pause before another try, longer each time; a class does not come back all at once. */
  private nextPause(): number {
    const pause = this.retry * (0.75 + Math.random() / 2)
    this.retry = Math.min(2 * this.retry, LONGEST_RETRY)
    return pause
  }

  /** The page goes on with the copy; edits that were made meanwhile go along as its draft. */
  private async goOn(copy: string, revision: number, problem: Problem) {
    this.ended = true
    await this.restored
    const { problem: now, drafts } = this.store.getState()
    if (now !== problem || Object.keys(drafts).length > 0)
      await draftPlace(copy)
        .keep({ revision, problem: now, drafts, at: Date.now() })
        .catch(() => {})
    await this.place.forget().catch(() => {})
    this.store.setState({ movedTo: copy })
  }
}

/**
 * Writes what is not saved yet into this browser, one write at a time, the newest state each. `draftKept` of
 * the store says that the newest edit is on the disk.
 * @param restored what earlier pages left in the same place is brought back: written over before that, it
 *   would be lost, and this page's own edit be found there as one of an earlier page
 * @returns a function that has the state as it is now written
 */
function drafting(
  store: SheetStore,
  place: DraftPlace,
  savedProblem: () => Problem,
  restored: Promise<unknown>,
): () => void {
  let writing = false
  let asked = false
  const write = async () => {
    writing = true
    await restored
    while (asked) {
      asked = false
      const { problem, revision, drafts } = store.getState()
      const pending = problem !== savedProblem() || Object.keys(drafts).length > 0
      try {
        if (pending) await place.keep({ revision, problem, drafts, at: Date.now() })
        else await place.forget()
        if (!asked) store.setState({ draftKept: pending })
      } catch {
        // the browser’s storage is full or refused; the database still keeps every edit
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
