import type { RowDataPacket } from 'mysql2/promise'
import { isBusy } from './busy.server'
import type { Card, CardContent, CardKind } from './cards.server'
import { compute } from './compute/pool.server'
import { change, query, type Value } from './database.server'
import { HOUSE, idOf, type Person } from './people/person'
import { readableBy } from './problems.server'

/** Cards on one page of the Shelf. */
export const CARDS_A_PAGE = 24
/** Time that a page waits for cards that were never made, ms, and for those of an older revision. */
const PATIENCE = { missing: 2_500, older: 300 }
/** Cards of an older revision that are made for one page. */
const MOST_OLDER = 2

export interface ShelfQuery {
  kind?: CardKind
  /** Words that the title or the statement must hold. */
  find?: string
  /** From 1. */
  page?: number
}

/** Whose a problem on the Shelf is: of the one who looks, of somebody who shares it, or of the house. */
export type Whose = 'own' | 'shared' | 'house'

export interface ShelfPage {
  cards: (Card & { whose: Whose })[]
  /** Problems on the Shelf by kind, and all of them. */
  counts: Record<'all' | CardKind, number>
  page: number
  pages: number
}

/** One page of a person's Shelf, newest problems first; a page beyond the last is the last. */
export async function shelfPage(
  person: Person | null,
  { kind, find = '', page = 1 }: ShelfQuery,
): Promise<ShelfPage> {
  const readable = readableBy(person)
  const words = find.toLowerCase().trim().split(/\s+/).filter(Boolean).slice(0, 8)
  const where = [
    'p.deleted_at IS NULL',
    readable.sql,
    ...(kind ? ['p.kind = ?'] : []),
    ...words.map(() => 'p.words LIKE ?'),
  ].join(' AND ')
  const values = [
    ...readable.values,
    ...(kind ? [kind] : []),
    ...words.map((w) => `%${w.replace(/[\\%_]/g, '\\$&')}%`),
  ]
  const counts = await countsByKind(person)
  const n = kind || words.length > 0 ? await countOf(where, values) : counts.all
  const pages = Math.max(1, Math.ceil(n / CARDS_A_PAGE))
  const shown = Math.min(Math.max(1, Math.trunc(page) || 1), pages)
  // the ids first: what is sorted is small, and the cards are read for one page alone
  const ids = await query<RowDataPacket & { id: string }>(
    `SELECT p.id FROM problems p WHERE ${where} ORDER BY p.owner = '${HOUSE}', p.created_at DESC, p.id ` +
      `LIMIT ${CARDS_A_PAGE} OFFSET ${(shown - 1) * CARDS_A_PAGE}`,
    values,
  )
  const cards = await cardsOf(
    person,
    ids.map((r) => r.id),
  )
  return { cards, counts, page: shown, pages }
}

async function countOf(where: string, values: Value[]): Promise<number> {
  const [{ n }] = await query<RowDataPacket & { n: number }>(
    `SELECT COUNT(*) AS n FROM problems p WHERE ${where}`,
    values,
  )
  return n
}

/** The titles on a person's Shelf that begin like this one, so that a copy can be told from them. */
export async function titlesLike(person: Person | null, title: string): Promise<string[]> {
  const readable = readableBy(person)
  const rows = await query<RowDataPacket & { title: string }>(
    `SELECT p.title FROM problems p WHERE p.deleted_at IS NULL AND ${readable.sql} AND p.title LIKE ?`,
    [...readable.values, `${title.slice(0, 200).replace(/[\\%_]/g, '\\$&')}%`],
  )
  return rows.map((r) => r.title)
}

interface CardRow extends RowDataPacket {
  id: string
  title: string
  owner: string
  card: string | null
  revision: number
  card_revision: number | null
  changed_at: Date
}

async function cardsOf(person: Person | null, ids: string[]): Promise<ShelfPage['cards']> {
  if (ids.length === 0) return []
  const rows = await query<CardRow>(
    'SELECT id, title, owner, card, revision, card_revision, changed_at FROM problems WHERE id IN ' +
      `(${ids.map(() => '?').join(', ')})`,
    ids,
  )
  const byId = new Map(rows.map((r) => [r.id, r]))
  const found = ids.flatMap((id) => byId.get(id) ?? [])
  const missing = found.filter((r) => r.card === null)
  // one that was just changed is made now, for whoever comes back from it; the others follow when left alone
  const older = found
    .filter((r) => r.card !== null && r.card_revision !== r.revision)
    .sort((a, b) => b.changed_at.getTime() - a.changed_at.getTime())
  const fresh = await makeCards([...missing, ...older.slice(0, MOST_OLDER)])
  return found.map((row) => ({
    ...cardFrom(row, fresh.get(row.id)),
    whose: whoseOf(person, row.owner),
  }))
}

function whoseOf(person: Person | null, owner: string): Whose {
  if (owner === idOf(person)) return 'own'
  if (owner !== HOUSE) return 'shared'
  return person?.role === 'administrator' ? 'own' : 'house'
}

function cardFrom({ id, title, card }: CardRow, fresh: string | undefined): Card {
  const text = fresh ?? card
  const content: CardContent =
    text === null
      ? { statement: '', drawing: '', status: { text: '', bad: false, signs: [] } }
      : (JSON.parse(text) as CardContent)
  return { ...content, id, title }
}

/** Cards that are missing or of an older revision, by problem: as many as are made within the patience. */
async function makeCards(rows: CardRow[]): Promise<Map<string, string>> {
  const fresh = new Map<string, string>()
  const giveUp = new AbortController()
  const made = Promise.allSettled(
    rows.map(async ({ id }) => {
      const card = await makeCard(id, giveUp.signal)
      if (card) fresh.set(id, card)
    }),
  )
  const patience = rows.some((r) => r.card === null) ? PATIENCE.missing : PATIENCE.older
  await Promise.race([made, new Promise((resolve) => setTimeout(resolve, patience).unref())])
  giveUp.abort()
  return fresh
}

const making = new Map<string, Promise<string | undefined>>()

/** The card of a problem as it is now, made once for all who ask at the same time. */
function makeCard(id: string, signal: AbortSignal): Promise<string | undefined> {
  const now = making.get(id) ?? drawCard(id, signal).finally(() => making.delete(id))
  making.set(id, now)
  return now
}

/** Makes the card of a problem and keeps it with its revision. */
async function drawCard(id: string, signal: AbortSignal): Promise<string | undefined> {
  const [row] = await query<RowDataPacket & { document: string; revision: number }>(
    'SELECT document, revision FROM problems WHERE id = ?',
    [id],
  )
  if (!row || signal.aborted) return undefined
  const card = await compute('card', { document: row.document }, signal)
  await change(
    'UPDATE problems SET card = ?, card_revision = ?, changed_at = changed_at ' +
      'WHERE id = ? AND (card_revision IS NULL OR card_revision < ?)',
    [card, row.revision, id, row.revision],
  )
  return card
}

async function countsByKind(person: Person | null): Promise<ShelfPage['counts']> {
  const counts = { all: 0, beam: 0, frame: 0, truss: 0 }
  const [own, house] = [idOf(person), HOUSE]
  // in two parts, so that each is counted in an index: of ten thousand no row is read
  const rows = await query<RowDataPacket & { kind: CardKind | null; n: number }>(
    'SELECT kind, COUNT(*) AS n FROM problems USE INDEX (whole_shelf) ' +
      'WHERE deleted_at IS NULL AND owner IN (?, ?) GROUP BY kind UNION ALL ' +
      'SELECT p.kind, COUNT(*) AS n FROM shares s JOIN problems p ON p.id = s.problem ' +
      'WHERE s.person = ? AND p.deleted_at IS NULL AND p.owner NOT IN (?, ?) GROUP BY p.kind',
    [own, house, own, own, house],
  )
  for (const { kind, n } of rows) {
    counts.all += n
    if (kind) counts[kind] += n
  }
  return counts
}

const waiting = new Map<string, NodeJS.Timeout>()
/** Quiet time after a change before its card is made, ms: while a person types, no card is made at all. */
const QUIET = 3_000

/**
 * Makes the card of a problem when it has been left alone for a while and nobody waits for the server; what
 * is asked for earlier is made then.
 */
export function cardSoon(id: string): void {
  clearTimeout(waiting.get(id))
  waiting.set(
    id,
    setTimeout(() => {
      if (isBusy()) return cardSoon(id)
      waiting.delete(id)
      // a card that fails is made when the Shelf shows it
      makeCard(id, AbortSignal.timeout(10_000)).catch(() => {})
    }, QUIET).unref(),
  )
}
