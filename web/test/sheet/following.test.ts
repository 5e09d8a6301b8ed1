import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { newProblem } from '@viga/core'
import { followOthers, type Newer } from '../../app/sheet/following'
import { createSheet } from '../../app/sheet/store'

const open = () =>
  createSheet({ id: 'p', problem: newProblem('mine'), revision: 3, changedAt: '2026-01-01T00:00:00Z' })

let answer: { status: number; body?: unknown }
const asked: string[] = []
const listeners = new Map<string, () => void>()
beforeEach(() => {
  asked.length = 0
  const listen = (type: string, then: () => void) => void listeners.set(type, then)
  const on = { addEventListener: listen, removeEventListener: (t: string) => void listeners.delete(t) }
  vi.stubGlobal('window', on)
  vi.stubGlobal('document', { ...on, visibilityState: 'visible', activeElement: null })
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url)
    return Promise.resolve({ status: answer.status, json: () => Promise.resolve(answer.body) })
  })
})
afterEach(() => vi.unstubAllGlobals())

const newer: Newer = { problem: newProblem('theirs'), revision: 5, changedAt: '2026-01-02T00:00:00Z' }

it('an idle window takes over what is newer, and asks no more once it is left', async () => {
  const store = open()
  const adopted: Newer[] = []
  const leave = followOthers(store, (n) => adopted.push(n))
  answer = { status: 200, body: newer }
  listeners.get('focus')!()
  await vi.waitFor(() => expect(adopted.map((n) => n.revision)).toEqual([5]))
  expect(asked).toEqual(['/problems/p/newer?than=3'])
  leave()
  expect(listeners.size).toBe(0)
})

it.each([
  ['nothing newer', { status: 204 }],
  ['an older revision', { status: 200, body: { ...newer, revision: 2 } }],
  ['a document that breaks the contract', { status: 200, body: { ...newer, problem: { title: 7 } } }],
  ['a server in trouble', { status: 500 }],
])('takes over nothing from %s', async (_, reply) => {
  const adopt = vi.fn()
  const leave = followOthers(open(), adopt)
  answer = reply
  listeners.get('focus')!()
  await vi.waitFor(() => expect(asked).toHaveLength(1))
  await Promise.resolve()
  leave()
  expect(adopt).not.toHaveBeenCalled()
})

it('a window with edits of its own is not asked to follow', () => {
  const store = open()
  const leave = followOthers(store, () => {})
  store.getState().edit('title', (p) => ({ ...p, title: 'edited' }))
  listeners.get('focus')!()
  expect(asked).toEqual([])
  leave()
})
