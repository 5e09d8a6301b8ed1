import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { newProblem } from '@viga/core'
import type { Draft } from '../../app/sheet/draft-place'

const draft = (title: string, at: number): Draft => ({
  revision: 1,
  problem: newProblem(title),
  drafts: {},
  at,
})

/** The locks of a browser: what its pages hold. */
let held: Set<string>
let tab: Map<string, string>

/** A page of the browser: the module anew, as each page has it, in a tab that remembers its name. */
async function page(remembered = new Map<string, string>()) {
  tab = remembered
  vi.resetModules()
  return (await import('../../app/sheet/draft-place')).draftPlace
}

beforeEach(() => {
  held = new Set()
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => tab.get(k) ?? null,
    setItem: (k: string, v: string) => tab.set(k, v),
  })
  vi.stubGlobal('navigator', {
    locks: {
      request: (name: string, _: unknown, hold: (lock: unknown) => unknown) => {
        if (held.has(name)) return Promise.reject(new Error('held'))
        held.add(name)
        return Promise.resolve(hold({ name })).then(() => held.delete(name))
      },
    },
  })
})

it('each window has a draft of its own; one that was closed leaves it to the others', async () => {
  const first = (await page())('p1')
  await first.keep(draft('of the first', 1))
  const firstLocks = [...held]
  const second = (await page())('p1')
  expect(await second.found()).toEqual({ own: undefined, left: [] })
  await second.keep(draft('of the second', 2))
  for (const lock of firstLocks) held.delete(lock) // its browser was killed
  expect((await second.found()).left.map((d) => d.problem.title)).toEqual(['of the first'])
  expect((await second.found()).own?.problem.title).toBe('of the second')
  await second.forget()
  expect(await second.found()).toEqual({ own: undefined, left: [] })
})

it('a window that is reloaded finds its own draft; a copy of the window is another one', async () => {
  const remembered = new Map<string, string>()
  const before = (await page(remembered))('p2')
  await before.keep(draft('mine', 1))
  const copied = (await page(new Map(remembered)))('p2')
  expect((await copied.found()).own).toBeUndefined()
  held.clear()
  const reloaded = (await page(remembered))('p2')
  expect((await reloaded.found()).own?.problem.title).toBe('mine')
  expect((await reloaded.found()).left).toEqual([])
})

it('drafts of one problem are none of another, and all are forgotten at once', async () => {
  const draftPlace = await page()
  await draftPlace('p3').keep(draft('mine', 1))
  expect((await draftPlace('p33').found()).own).toBeUndefined()
  const { forgetAllDrafts } = await import('../../app/sheet/draft-place')
  await forgetAllDrafts()
  expect((await draftPlace('p3').found()).own).toBeUndefined()
})
