import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { edit, newProblem, type Problem } from '@viga/core'
import { createSheet } from '../../app/sheet/store'
import { takeBack } from '../../app/sheet/history'
import { keepSaved, settle } from '../../app/sheet/saving'

const demo = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../database/demo/01-palm-house.viga.json'), 'utf8'),
) as Problem
const open = (problem = demo, revision = 1) =>
  createSheet({ id: 'p1', problem, revision, changedAt: '2026-01-01T00:00:00Z' })

describe('edits of a sheet', () => {
  it('change the results at once', () => {
    const store = open()
    const thrust = () => {
      const { outcome } = store.getState()
      return outcome.stage === 'solved' ? outcome.solution.cases[0].reactions[11] : NaN
    }
    const before = thrust()
    expect(store.getState().edit('wider', (p) => edit.setSymbol(p, 'span', '16 m'))).toBeNull()
    expect(thrust()).not.toBe(before)
  })
  it('are refused whole when they break the contract', () => {
    const store = open()
    const error = store.getState().edit('bad', (p) => edit.setNode(p, 'B', { y: '3 kN' }))
    expect(error).toMatchObject({ path: 'nodes[1].y' })
    expect(store.getState().problem).toBe(demo)
    expect(store.getState().past).toHaveLength(0)
  })
  it('undo and redo without end, with names, and keep the selection', () => {
    const store = open()
    for (let i = 1; i <= 50; i++)
      store.getState().edit(`step ${i}`, (p) => edit.setNode(p, 'C', { x: i / 10 + 3 }), { select: 'node:C' })
    store.getState().select(null)
    expect(store.getState().past.at(-1)!.name).toBe('step 50')
    for (let i = 0; i < 50; i++) store.getState().undo()
    expect(store.getState().problem).toBe(demo)
    for (let i = 0; i < 50; i++) store.getState().redo()
    expect(store.getState().problem.nodes[2].x).toBe(8)
  })
  it('of one thing in quick succession are one step', () => {
    const store = open()
    for (const x of [4, 5, 6])
      store.getState().edit('drag', (p) => edit.setNode(p, 'C', { x }), { merge: 'drag C' })
    expect(store.getState().past).toHaveLength(1)
    store.getState().undo()
    expect(store.getState().problem).toBe(demo)
  })
  it('drop a selection whose thing is gone, and a case that is gone', () => {
    const store = open()
    store.getState().select('member:AB')
    store.getState().chooseAction('W')
    store.getState().edit('out', (p) => edit.removeMembers(p, ['AB']))
    expect(store.getState().selection).toBeNull()
    store.getState().edit('out', (p) => edit.removeCase({ ...p, answers: [] }, 'W'))
    expect(store.getState().actionId).toBe('G')
  })
})

describe('keeping what was typed', () => {
  const kept = new Map<string, string>()
  /** What the tab remembers over its reload. */
  const tab = new Map<string, string>()
  let replies: { status: number; body: unknown }[]
  let sent: { revision: number; document: Problem }[]
  beforeEach(() => {
    vi.useFakeTimers()
    kept.clear()
    tab.clear()
    replies = []
    sent = []
    const deaf = { addEventListener() {}, removeEventListener() {} }
    vi.stubGlobal('window', deaf)
    vi.stubGlobal('document', { ...deaf, visibilityState: 'hidden', activeElement: null })
    vi.stubGlobal('localStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => kept.set(k, v),
      removeItem: (k: string) => kept.delete(k),
    })
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
  const rename = (title: string) => (p: Problem) => edit.setText(p, 'title', title)

  it('saves after a pause, from the revision it knows, and forgets the draft', async () => {
    const store = open(newProblem(), 7)
    keepSaved(store)
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(1)
    expect(kept.size).toBe(1)
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toMatchObject([{ revision: 7, document: { title: 'one' } }])
    expect(store.getState()).toMatchObject({ revision: 8, save: { kind: 'saved' } })
    expect(kept.size).toBe(0)
  })
  it('tries again when the server cannot be reached, and keeps the draft meanwhile', async () => {
    replies = [{ status: 0, body: null }]
    const store = open(newProblem())
    keepSaved(store)
    store.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(store.getState().save.kind).toBe('offline')
    expect(kept.size).toBe(1)
    await vi.advanceTimersByTimeAsync(5000)
    expect(store.getState().save.kind).toBe('saved')
  })
  it('brings back what a killed tab could not send', async () => {
    kept.set(
      'viga:draft:p1',
      JSON.stringify({
        revision: 1,
        problem: { ...newProblem(), title: 'typed' },
        drafts: { 'x of A': '4*' },
      }),
    )
    const store = open(newProblem())
    keepSaved(store)
    expect(store.getState()).toMatchObject({
      problem: { title: 'typed' },
      drafts: { 'x of A': { text: '4*' } },
    })
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toHaveLength(1)
  })
  it('forgets a draft that arrived after all', () => {
    const problem = { ...newProblem(), title: 'typed' }
    kept.set('viga:draft:p1', JSON.stringify({ revision: 1, problem, drafts: {} }))
    const store = open(problem, 2)
    keepSaved(store)
    expect(kept.size).toBe(0)
    expect(store.getState().save.kind).toBe('saved')
  })
  it('takes what this tab sent just before it was reloaded for no other version', async () => {
    const first = open(newProblem())
    keepSaved(first)
    first.getState().edit('title', rename('one'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toHaveLength(1)
    // the reloaded page was served before that save, and goes on from the older revision
    const reloaded = open(newProblem())
    replies = [
      {
        status: 409,
        body: { newer: { problem: { ...newProblem(), title: 'one' }, revision: 2, changedAt: '' } },
      },
    ]
    keepSaved(reloaded)
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
  it('keeps both versions when a newer one was saved elsewhere, until the person chooses', async () => {
    const newer = {
      problem: { ...newProblem(), title: 'theirs' },
      revision: 5,
      changedAt: '2026-01-01T00:00:00Z',
    }
    for (const choice of ['mine', 'newer'] as const) {
      replies = [{ status: 409, body: { newer } }]
      const store = open(newProblem())
      keepSaved(store)
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
      kept.clear()
    }
  })
})

describe('undo over a reload', () => {
  const steps = () => {
    const store = open()
    store.getState().edit('move C', (p) => edit.setNode(p, 'C', { x: 8 }))
    store.getState().edit('move D', (p) => edit.setNode(p, 'D', { x: 16 }))
    store.getState().undo()
    const { problem, past, future } = store.getState()
    return structuredClone({ problem, past, future })
  }
  it('takes back the steps that lead to the very problem that is open', () => {
    const kept = steps()
    const store = open(kept.problem)
    takeBack(store, kept)
    expect(store.getState().past.map((s) => s.name)).toEqual(['move C'])
    store.getState().redo()
    expect(store.getState().problem.nodes[3].x).toBe(16)
    store.getState().undo()
    store.getState().undo()
    expect(store.getState().problem).toEqual(demo)
  })
  it('leaves them alone when the problem is another, was edited since, or the list is damaged', () => {
    const kept = steps()
    const other = open()
    takeBack(other, kept)
    expect(other.getState().past).toEqual([])
    const edited = open(kept.problem)
    edited.getState().edit('title', (p) => edit.setText(p, 'title', 'x'))
    edited.getState().edit('back', () => kept.problem)
    takeBack(edited, kept)
    expect(edited.getState().past.map((s) => s.name)).toEqual(['title', 'back'])
    const damaged = open(kept.problem)
    takeBack(damaged, { ...kept, past: [{ ...kept.past[0], problem: { nodes: 7 } as never }] })
    expect(damaged.getState().past).toEqual([])
    takeBack(damaged, undefined)
  })
})

describe('what is shown', () => {
  it('stays shown when its case is given another label', () => {
    const problem = {
      ...newProblem(),
      loadCases: [
        { id: 'D', loads: [] },
        { id: 'L', loads: [] },
      ],
    }
    const store = createSheet({ id: 'p1', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
    store.getState().chooseAction('L')
    store.getState().edit('rename', (p) => edit.renameCase(p, 'L', 'live'))
    expect(store.getState().actionId).toBe('live')
  })
})
