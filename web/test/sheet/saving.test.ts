import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { edit, newProblem, type Problem } from '@viga/core'
import type { Draft, DraftPlace } from '../../app/sheet/draft-place'
import { keepSaved, settle } from '../../app/sheet/saving'
import { createSheet } from '../../app/sheet/store'

const open = (problem: Problem = newProblem(), revision = 1) =>
  createSheet({ id: 'p1', problem, revision, changedAt: '2026-01-01T00:00:00Z' })
const rename = (title: string) => (p: Problem) => edit.setText(p, 'title', title)
const draft = (title: string, at = 0, revision = 1): Draft => ({
  revision,
  problem: { ...newProblem(), title },
  drafts: {},
  at,
})

/** Drafts of one window in memory; a write is complete when the test says so. */
function place(own?: Draft, left: Draft[] = []) {
  let kept = own
  const waiting: (() => void)[] = []
  return {
    get kept() {
      return kept
    },
    /** The disk is done with what it was given. */
    finish: async () => {
      for (const done of waiting.splice(0)) done()
      await vi.advanceTimersByTimeAsync(0)
    },
    found: () => Promise.resolve({ own, left }),
    keep: (next: Draft) => new Promise<void>((resolve) => waiting.push(() => ((kept = next), resolve()))),
    forget: () => Promise.resolve(void (kept = undefined)),
  } satisfies DraftPlace & Record<string, unknown>
}

/** What the tab remembers over its reload. */
const tab = new Map<string, string>()
let replies: { status: number; body?: unknown }[]
let sent: { revision: number; document: Problem }[]
const listeners = new Map<string, () => void>()

beforeEach(() => {
  vi.useFakeTimers()
  tab.clear()
  replies = []
  sent = []
  const listen = {
    addEventListener: (type: string, then: () => void) => void listeners.set(type, then),
    removeEventListener() {},
  }
  vi.stubGlobal('window', listen)
  vi.stubGlobal('document', { ...listen, visibilityState: 'hidden', activeElement: null })
  vi.stubGlobal('localStorage', { getItem: () => null, setItem() {}, removeItem() {} })
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => tab.get(k) ?? null,
    setItem: (k: string, v: string) => tab.set(k, v),
  })
  vi.stubGlobal('fetch', (_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as (typeof sent)[number])
    const r = replies.shift() ?? { status: 200, body: { revision: sent.at(-1)!.revision + 1 } }
    if (r.status === 0) return Promise.reject(new Error('no network'))
    return Promise.resolve({ ok: r.status === 200, status: r.status, json: () => Promise.resolve(r.body) })
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** The sheet of a problem that is being kept, once what was left has been looked for. */
async function keeping(where = place(), problem?: Problem, revision?: number) {
  const store = open(problem, revision)
  keepSaved(store, where)
  await vi.advanceTimersByTimeAsync(0)
  return store
}

describe('a save', () => {
  it('is sent after a pause, from the revision it knows, and the draft is forgotten', async () => {
    const where = place()
    const store = await keeping(where, newProblem(), 7)
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(1)
    await where.finish()
    expect(where.kept?.problem.title).toBe('one')
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toMatchObject([{ revision: 7, document: { title: 'one' } }])
    expect(store.getState()).toMatchObject({ revision: 8, save: { kind: 'saved' } })
    await where.finish()
    expect(where.kept).toBeUndefined()
  })
  it('is sent again with growing pauses, and at once when the line is back', async () => {
    replies = Array.from({ length: 20 }, () => ({ status: 0 }))
    const store = await keeping()
    store.getState().edit('title', rename('one'))
    const times: number[] = []
    for (let t = 0; t < 60; t++) {
      const before = sent.length
      await vi.advanceTimersByTimeAsync(1000)
      if (sent.length > before) times.push(t)
    }
    const gaps = times.slice(1).map((t, i) => t - times[i])
    expect(gaps.length).toBeGreaterThan(3)
    expect(gaps.at(-1)).toBeGreaterThan(3 * gaps[0])
    replies = []
    listeners.get('online')!()
    await vi.advanceTimersByTimeAsync(10)
    expect(store.getState().save.kind).toBe('saved')
  })
  it.each([
    [0, /cannot be reached/],
    [500, /wrong inside Viga/],
    [503, /no time, or no database/],
    [502, /being started/],
    [418, /error 418/],
  ])('that is answered by %i says so in its own words', async (status, words) => {
    replies = [{ status }]
    const store = await keeping()
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(400)
    expect(store.getState().save).toMatchObject({
      kind: 'offline',
      message: expect.stringMatching(words) as string,
    })
  })
  it('that got no answer is settled after an undo back to what was saved, too', async () => {
    replies = [{ status: 0 }]
    const store = await keeping()
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(400)
    expect(store.getState().save.kind).toBe('offline')
    store.getState().undo()
    await vi.advanceTimersByTimeAsync(5000)
    expect(store.getState().save.kind).toBe('saved')
    expect(sent.at(-1)?.document).toEqual(newProblem())
  })
  it('that is refused for what it says is sent again only when that has changed', async () => {
    replies = [{ status: 400, body: { errors: [{ message: 'Expected a length.' }] } }]
    const store = await keeping()
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(300_000)
    expect(sent).toHaveLength(1)
    expect(store.getState().save).toMatchObject({ message: 'Expected a length.' })
    store.getState().edit('title', rename('two'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(store.getState().save.kind).toBe('saved')
  })
})

describe('what is kept in this browser', () => {
  it('is said to be kept when the disk has it, and no longer once something else was typed', async () => {
    replies = [{ status: 0 }, { status: 0 }]
    const where = place()
    const store = await keeping(where)
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(400)
    expect(store.getState()).toMatchObject({ save: { kind: 'offline' }, draftKept: false })
    await where.finish() // the first write
    await where.finish() // the one that was asked for meanwhile
    expect(store.getState().draftKept).toBe(true)
    store.getState().edit('title', rename('two'))
    expect(store.getState()).toMatchObject({ save: { kind: 'offline' }, draftKept: false })
    await vi.advanceTimersByTimeAsync(1)
    await where.finish()
    expect(where.kept?.problem.title).toBe('two')
    expect(store.getState().draftKept).toBe(true)
  })
  it('comes back after a window was killed, with the texts that could not be read', async () => {
    const store = await keeping(place({ ...draft('typed'), drafts: { 'x of A': { text: '4*' } } }))
    expect(store.getState()).toMatchObject({
      problem: { title: 'typed' },
      drafts: { 'x of A': { text: '4*' } },
      restored: true,
    })
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toMatchObject([{ revision: 1, document: { title: 'typed' } }])
  })
  it('of several windows comes back as steps, and undo leads through all of them', async () => {
    const store = await keeping(place(draft('own', 30), [draft('first', 10), draft('second', 20)]))
    expect(store.getState().problem.title).toBe('own')
    store.getState().undo()
    expect(store.getState().problem.title).toBe('second')
    store.getState().undo()
    expect(store.getState().problem.title).toBe('first')
  })
  it('goes under what was typed before it was found', async () => {
    const store = open()
    keepSaved(store, place(draft('left')))
    store.getState().edit('title', rename('now'))
    await vi.advanceTimersByTimeAsync(0)
    expect(store.getState().problem.title).toBe('now')
    store.getState().undo()
    expect(store.getState().problem.title).toBe('left')
  })
  it('waits for what an earlier page left: neither written over it nor taken for it', async () => {
    let look = () => {}
    const where = place(draft('left'))
    const { found } = where
    where.found = async () => {
      await new Promise<void>((resolve) => (look = resolve))
      return { ...(await found()), own: where.kept! }
    }
    replies = [{ status: 0 }]
    const store = open()
    keepSaved(store, where)
    store.getState().edit('title', rename('now'))
    await vi.advanceTimersByTimeAsync(200)
    await where.finish()
    expect(where.kept?.problem.title).toBe('left')
    look()
    await vi.advanceTimersByTimeAsync(0)
    await where.finish()
    expect(where.kept?.problem.title).toBe('now')
    expect(store.getState().past.map((s) => s.problem.title)).toEqual([newProblem().title, 'now', 'left'])
  })
  it('is forgotten when it arrived after all', async () => {
    const where = place(draft('typed'))
    const store = await keeping(where, { ...newProblem(), title: 'typed' }, 2)
    expect(where.kept).toBeUndefined()
    expect(store.getState().save.kind).toBe('saved')
  })
  it('asks which version holds when the server has a newer one', async () => {
    const store = await keeping(place(draft('typed', 0, 1)), { ...newProblem(), title: 'theirs' }, 2)
    expect(store.getState()).toMatchObject({ save: { kind: 'conflict' }, problem: { title: 'typed' } })
  })
})

describe('two versions', () => {
  it('what this tab sent just before it was reloaded is no other version', async () => {
    const first = await keeping()
    first.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toHaveLength(1)
    // the reloaded page was served before that save, and goes on from the older revision
    replies = [
      {
        status: 409,
        body: { newer: { problem: { ...newProblem(), title: 'one' }, revision: 2, changedAt: '' } },
      },
    ]
    const reloaded = await keeping()
    reloaded.getState().edit('title', rename('two'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent.map((s) => [s.revision, s.document.title])).toEqual([
      [1, 'one'],
      [1, 'two'],
      [2, 'two'],
    ])
    expect(reloaded.getState()).toMatchObject({
      revision: 3,
      save: { kind: 'saved' },
      problem: { title: 'two' },
    })
  })
  it.each(['mine', 'newer'] as const)('both stay until the person chooses: %s', async (choice) => {
    const newer = {
      problem: { ...newProblem(), title: 'theirs' },
      revision: 5,
      changedAt: '2026-01-01T00:00:00Z',
    }
    replies = [{ status: 409, body: { newer } }]
    const store = await keeping()
    store.getState().edit('title', rename('mine'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(store.getState()).toMatchObject({ save: { kind: 'conflict' }, problem: { title: 'mine' } })
    store.getState().edit('statement', (p) => edit.setText(p, 'statement', 'more'))
    expect(store.getState().save.kind).toBe('conflict')
    settle(store, choice)
    await vi.advanceTimersByTimeAsync(1000)
    expect(store.getState()).toMatchObject({
      revision: 6,
      save: { kind: 'saved' },
      problem: { title: choice === 'mine' ? 'mine' : 'theirs' },
    })
  })
})

it('an undo to the last save here and “mine” is sent over the newer version', async () => {
  const newer = { problem: { ...newProblem(), title: 'theirs' }, revision: 5, changedAt: '' }
  replies = [{ status: 409, body: { newer } }]
  const store = await keeping()
  store.getState().edit('title', rename('mine'))
  await vi.advanceTimersByTimeAsync(1000)
  store.getState().undo()
  settle(store, 'mine')
  await vi.advanceTimersByTimeAsync(1000)
  expect(sent.at(-1)).toMatchObject({ revision: 5, document: { title: newProblem().title } })
  expect(store.getState()).toMatchObject({ revision: 6, save: { kind: 'saved' } })
})

it('what is edited during a save is sent after it when the page is left meanwhile', async () => {
  const store = open()
  let answer: () => void = () => {}
  vi.stubGlobal('fetch', (_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as (typeof sent)[number])
    const body = { revision: sent.at(-1)!.revision + 1 }
    return new Promise((resolve) => (answer = () => resolve(Response.json(body))))
  })
  const where = place()
  const end = keepSaved(store, where)
  await vi.advanceTimersByTimeAsync(0)
  store.getState().edit('title', rename('one'))
  await vi.advanceTimersByTimeAsync(400)
  expect(sent).toHaveLength(1)
  store.getState().edit('title', rename('two'))
  end()
  answer()
  await vi.advanceTimersByTimeAsync(10)
  expect(sent.map((s) => [s.revision, s.document.title])).toEqual([
    [1, 'one'],
    [2, 'two'],
  ])
})

it('a change to another’s problem that is sent twice names one copy', async () => {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  })
  replies = [{ status: 503 }, { status: 200, body: { revision: 2, copied: 'p2' } }]
  const store = createSheet({ id: 'p1', problem: newProblem(), revision: 1, changedAt: '', mayWrite: false })
  keepSaved(store, place())
  await vi.advanceTimersByTimeAsync(0)
  store.getState().edit('title', rename('one'))
  await vi.advanceTimersByTimeAsync(10_000)
  const names = sent.map((s) => (s as { copy?: string }).copy)
  expect(names).toHaveLength(2)
  expect(names[0]).toMatch(/^[\da-f-]{36}$/)
  expect(names[1]).toBe(names[0])
  // the copy is there: the next change to the same problem makes another one
  expect(kept.size).toBe(0)
})

it('a problem that was taken off meanwhile is saved when it has been put back', async () => {
  replies = [{ status: 404, body: { gone: true } }]
  const store = await keeping()
  store.getState().edit('title', rename('one'))
  await vi.advanceTimersByTimeAsync(1000)
  store.getState().edit('title', rename('two'))
  await vi.advanceTimersByTimeAsync(60_000)
  expect(store.getState().save.kind).toBe('gone')
  expect(sent).toHaveLength(1)
  store.setState({ save: { kind: 'unsaved' } })
  await vi.advanceTimersByTimeAsync(1000)
  expect(sent.at(-1)?.document.title).toBe('two')
  expect(store.getState().save.kind).toBe('saved')
})

it('a change to another’s problem goes on as a copy of one’s own', async () => {
  replies = [{ status: 200, body: { revision: 1, copied: 'p2' } }]
  const where = place()
  const store = await keeping(where)
  store.getState().edit('title', rename('one'))
  await vi.advanceTimersByTimeAsync(1000)
  await where.finish()
  expect(store.getState().movedTo).toBe('p2')
  expect(where.kept).toBeUndefined()
  store.getState().edit('title', rename('two'))
  await vi.advanceTimersByTimeAsync(60_000)
  expect(sent).toHaveLength(1)
})
