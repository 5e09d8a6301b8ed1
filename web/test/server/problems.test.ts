import { beforeAll, describe, expect, inject, it } from 'vitest'
import { newProblem, type Problem } from '@viga/core'
import { migrate } from '../../../scripts/migrate.mjs'
import * as problems from '../../app/server/problems.server'
import { written } from '../../app/server/compute/jobs'
import { change } from '../../app/server/database.server'
import { HOME } from '../../app/server/people/person'
import { shelfPage as shelfOf, CARDS_A_PAGE, type ShelfQuery } from '../../app/server/shelf.server'
import { saveRequest } from '../../app/server/save.server'
import { problemById as problemOf } from './stored'
import { shelfAction as actionOf } from '../../app/server/shelf-actions.server'

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})

// everything here is done by the one person at home; people.test.ts has the others
const home = () => Promise.resolve(HOME)
const problemById = (id: string) => problemOf(HOME, id)
const insertProblem = (p?: Problem) => problems.insertProblem(HOME, p && written(p))
const shelfPage = (asked: ShelfQuery) => shelfOf(HOME, asked)
const shelfAction = (fields: Record<string, unknown>) => actionOf(home, fields)

const save = (id: string, body: unknown) =>
  saveRequest(
    HOME,
    home,
    id,
    new Request('http://viga/', {
      method: 'POST',
      body: typeof body === 'string' ? body : JSON.stringify(body),
    }),
  )

describe('a new database', () => {
  it('has the demo problems once, each solved', async () => {
    await migrate(inject('databaseUrl')) // a second start
    const { cards } = await shelfPage({})
    expect(cards).toHaveLength(20)
    expect(cards[0].title).toMatch(/Palm house/)
    for (const c of cards) {
      expect(c.status.text).toMatch(/of \d agree/)
      expect(c.drawing.match(/<path /g)?.length).toBeGreaterThan(3)
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
      newer: { revision: 2, title: 'second' },
    })
    expect((await problemById(id))?.problem.title).toBe('second')
  })
  it('answers with the problem where it is newer than what a window has', async () => {
    const id = await insertProblem(newProblem('first'))
    await save(id, { revision: 1, document: newProblem('second') })
    const newer = (than: number, of = id) => problems.textNewerThan(HOME, of, than)
    expect(await newer(1)).toMatchObject({ revision: 2, title: 'second' })
    expect(await newer(2)).toBeNull()
    expect(await newer(1, '00000000-0000-4000-8000-000000000000')).toBeUndefined()
  })
  it('lets one of two saves at once through', async () => {
    const id = await insertProblem()
    const both = await Promise.all(
      ['a', 'b'].map((t) => problems.saveProblem(HOME, id, 1, written(newProblem(t)))),
    )
    expect(both.map((r) => r.saved).sort()).toEqual([false, true])
  })
  it.each([
    ['{', 400, '$'],
    [{ document: newProblem() }, 400, 'revision'],
    [{ revision: 0, document: newProblem() }, 400, 'revision'],
    ['['.repeat(100_000), 400, '$'],
    [`{"revision":1,"document":${'['.repeat(100_000)}`, 400, '$'],
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
    await problems.deleteProblem(HOME, id)
    expect(await save(id, { revision: 1, document: newProblem() })).toMatchObject({ status: 404 })
    await problems.restoreProblem(HOME, id)
    expect((await problemById(id))?.id).toBe(id)
  })
})

describe('the Shelf', () => {
  const titles = async (find = '') => (await shelfPage({ find })).cards.map((c) => c.title)
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
  it('is searched by words of title and statement, and parted by kind and page', async () => {
    const beam: Problem = {
      ...newProblem('Gooseberry rail 100%'),
      statement: 'A rail under_spanned by a rope.',
      nodes: [
        { id: 'A', x: 0, y: 0 },
        { id: 'B', x: 4, y: 0 },
      ],
      members: [{ id: 'AB', start: 'A', end: 'B', material: 'steel', section: 'default' }],
    }
    for (let i = 0; i < CARDS_A_PAGE + 2; i++) await insertProblem({ ...beam, title: `${beam.title} ${i}` })
    const first = await shelfPage({ find: 'goose RAIL', kind: 'beam' })
    expect(first).toMatchObject({ page: 1, pages: 2 })
    expect(first.cards).toHaveLength(CARDS_A_PAGE)
    expect((await shelfPage({ find: 'goose rail', page: 99 })).cards).toHaveLength(2)
    expect((await shelfPage({ find: 'gooseberry', kind: 'truss' })).cards).toEqual([])
    // signs that mean something to SQL are letters here
    expect((await shelfPage({ find: '100% under_' })).pages).toBe(2)
    expect((await shelfPage({ find: 'under%spanned' })).cards).toEqual([])
    expect(first.counts.beam).toBeGreaterThanOrEqual(CARDS_A_PAGE + 2)
  })
  it('keeps a card by revision: made when saved, and made anew when it is missing', async () => {
    const id = await insertProblem(newProblem('Card of a pergola'))
    const card = async () => (await shelfPage({ find: 'card pergola' })).cards[0]
    expect((await card()).status.text).toBe('empty sheet')
    await save(id, {
      revision: 1,
      document: { ...newProblem('Card of a pergola'), nodes: [{ id: 'A', x: 0, y: 0 }] },
    })
    expect((await card()).status.text).not.toBe('empty sheet')
    await change('UPDATE problems SET card = NULL, card_revision = NULL WHERE id = ?', [id])
    expect((await card()).status.text).toBe('solved')
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
