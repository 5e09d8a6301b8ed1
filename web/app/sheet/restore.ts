import type { Problem } from '@viga/core'
import type { Draft, DraftPlace } from './draft-place'
import { readDrafts } from './drafts'
import { isOwn } from './sending'
import { trusted, type SheetStore } from './store'

/** The step by which edits come back that an earlier page could not send. */
export const BROUGHT_BACK = 'edits from before the page was closed'

/**
 * What earlier pages of this browser could not send any more: each becomes a step, the newest last, so that
 * undo leads back through all of them.
 * @returns whether there is something to be sent
 */
export async function restore(store: SheetStore, place: DraftPlace, server: Problem): Promise<boolean> {
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
