import { beforeAll, describe, expect, inject, it } from 'vitest'
import { newProblem, type Problem } from '@viga/core'
import { migrate } from '../../../scripts/migrate.mjs'
import { cardOf } from '../../app/server/cards.server'
import {
  deleteProblem,
  insertProblem,
  problemById,
  problemsOnShelf,
  restoreProblem,
  saveProblem,
} from '../../app/server/problems.server'
import { saveRequest } from '../../app/server/save.server'
import { shelfAction } from '../../app/server/shelf-actions.server'

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})

const save = (id: string, body: unknown) =>
  saveRequest(
    id,
    new Request('http://viga/', {
      method: 'POST',
      body: typeof body === 'string' ? body : JSON.stringify(body),
    }),
  )

describe('a new database', () => {
  it('has the demo problems once, each solved', async () => {
    await migrate(inject('databaseUrl')) // a second start
    const cards = (await problemsOnShelf()).map(cardOf)
    expect(cards).toHaveLength(12)
    expect(cards[0].title).toMatch(/Palm house/)
    for (const c of cards) {
      expect(c.status.text).toMatch(/of \d agree/)
      expect(c.drawing.length).toBeGreaterThan(3)
    }
  })
})

describe('saving', () => {
  it('counts revisions, and refuses a stale one with the newer problem in hand', async () => {
    const id = await insertProblem(newProblem('first'))
    expect(await save(id, { revision: 1, document: newProblem('second') })).toEqual({
      status: 200,
      body: { revision: 2 },
    })
    const stale = await save(id, { revision: 1, document: newProblem('third') })
    expect(stale).toMatchObject({
      status: 409,
      body: { newer: { revision: 2, problem: { title: 'second' } } },
    })
    expect((await problemById(id))?.problem.title).toBe('second')
  })
  it('lets one of two saves at once through', async () => {
    const id = await insertProblem()
    const both = await Promise.all(['a', 'b'].map((t) => saveProblem(id, 1, newProblem(t))))
    expect(both.map((r) => r.saved).sort()).toEqual([false, true])
  })
  it.each([
    ['{', 400, '$'],
    [{ document: newProblem() }, 400, 'revision'],
    [{ revision: 0, document: newProblem() }, 400, 'revision'],
    [{ revision: 1 }, 400, 'document'],
    [
      { revision: 1, document: { ...newProblem(), nodes: [{ id: 'A', x: '3 kN', y: 0 }] } },
      400,
      'nodes[0].x',
    ],
    [{ revision: 1, document: { ...newProblem(), title: undefined } }, 400, 'title'],
  ])('refuses %j', async (body, status, path) => {
    const id = await insertProblem()
    expect(await save(id, body)).toMatchObject({ status, body: { errors: [{ path }] } })
    expect((await problemById(id))?.revision).toBe(1)
  })
  it('keeps every character that was typed', async () => {
    const title = 'Brücke Ω “B′” — 橋 🌹'
    const id = await insertProblem({ ...newProblem(title), notes: "'; DROP TABLE problems; --" })
    expect((await problemById(id))?.problem).toMatchObject({ title, notes: "'; DROP TABLE problems; --" })
  })
  it('knows a problem that is gone', async () => {
    const id = await insertProblem()
    await deleteProblem(id)
    expect(await save(id, { revision: 1, document: newProblem() })).toMatchObject({ status: 404 })
    await restoreProblem(id)
    expect((await problemById(id))?.id).toBe(id)
  })
})

describe('the Shelf', () => {
  const titles = async () => (await problemsOnShelf()).map((p) => p.problem.title)
  it('makes, renames, duplicates, takes off and puts back', async () => {
    const made = await shelfAction({ intent: 'new' })
    const id = made.ok ? made.open! : ''
    expect(await shelfAction({ intent: 'rename', id, title: ' Rose arch ' })).toEqual({ ok: true })
    await shelfAction({ intent: 'duplicate', id })
    await shelfAction({ intent: 'duplicate', id })
    expect(await titles()).toEqual(
      expect.arrayContaining(['Rose arch', 'Rose arch, copy 1', 'Rose arch, copy 2']),
    )
    expect(await shelfAction({ intent: 'delete', id })).toEqual({
      ok: true,
      deleted: { id, title: 'Rose arch' },
    })
    expect(await titles()).not.toContain('Rose arch')
    await shelfAction({ intent: 'restore', id })
    expect(await titles()).toContain('Rose arch')
  })
  it('opens a file as it is, unknown keys and all', async () => {
    const file: Problem & { extra: number } = { ...newProblem('From a file'), extra: 5 }
    const opened = await shelfAction({ intent: 'open', file: JSON.stringify(file) })
    expect((await problemById(opened.ok ? opened.open! : ''))?.problem).toEqual(file)
  })
  it.each([
    [{ intent: 'open', file: '{"a":1}' }, 'file', /not a Viga problem/],
    [{ intent: 'open', file: '' }, 'file', /empty/],
    [{ intent: 'rename', id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301', title: '' }, 'title', /at least one/],
    [{ intent: 'rename', id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301', title: 'x' }, 'id', /no longer/],
    [{ intent: 'rename', id: 'x', title: 'x' }, 'id', /not a problem/],
    [{ intent: 'burn' }, 'intent', /intent/],
  ])('refuses %j', async (fields, field, words) =>
    expect(await shelfAction(fields)).toMatchObject({
      ok: false,
      field,
      message: expect.stringMatching(words) as string,
    }),
  )
})
