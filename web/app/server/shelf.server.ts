import type { RowDataPacket } from 'mysql2/promise'
import type { Problem } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import type { Card, CardContent, CardKind } from './cards.server'
import { change, query } from './database.server'
import { cardColumns } from './problems.server'

/** Cards on one page of the Shelf. */
export const CARDS_A_PAGE = 48
/** Cards that are missing and made for one request at the most: each solves its problem. */
const MOST_MADE = 24

export interface ShelfQuery {
  kind?: CardKind
  /** Words that the title or the statement must hold. */
  find?: string
  /** From 1. */
  page?: number
}

export interface ShelfPage {
  cards: Card[]
  /** Problems on the Shelf by kind, and all of them. */
  counts: Record<'all' | CardKind, number>
  page: number
  pages: number
}

/** One page of the Shelf, newest problems first; a page beyond the last is the last. */
export async function shelfPage({ kind, find = '', page = 1 }: ShelfQuery): Promise<ShelfPage> {
  await makeMissingCards()
  const words = find.toLowerCase().trim().split(/\s+/).filter(Boolean).slice(0, 8)
  const where = ['deleted_at IS NULL', ...(kind ? ['kind = ?'] : []), ...words.map(() => 'words LIKE ?')]
  const values = [...(kind ? [kind] : []), ...words.map((w) => `%${w.replace(/[\\%_]/g, '\\$&')}%`)]
  const [counts, [{ n }]] = await Promise.all([
    countsByKind(),
    query<RowDataPacket & { n: number }>(
      `SELECT COUNT(*) AS n FROM problems WHERE ${where.join(' AND ')}`,
      values,
    ),
  ])
  const pages = Math.max(1, Math.ceil(n / CARDS_A_PAGE))
  const shown = Math.min(Math.max(1, Math.trunc(page) || 1), pages)
  const rows = await query<RowDataPacket & { id: string; title: string; card: string | null }>(
    `SELECT id, title, card FROM problems WHERE ${where.join(' AND ')} ` +
      `ORDER BY created_at DESC, id LIMIT ${CARDS_A_PAGE} OFFSET ${(shown - 1) * CARDS_A_PAGE}`,
    values,
  )
  return { cards: rows.map(cardFrom), counts, page: shown, pages }
}

/** The titles on the Shelf that begin like this one, so that a copy can be told from them. */
export async function titlesLike(title: string): Promise<string[]> {
  const rows = await query<RowDataPacket & { title: string }>(
    'SELECT title FROM problems WHERE deleted_at IS NULL AND title LIKE ?',
    [`${title.slice(0, 200).replace(/[\\%_]/g, '\\$&')}%`],
  )
  return rows.map((r) => r.title)
}

function cardFrom({ id, title, card }: { id: string; title: string; card: string | null }): Card {
  const content: CardContent =
    card === null
      ? { statement: '', kind: 'frame', drawing: [], status: { text: '', bad: false, signs: [] } }
      : (JSON.parse(card) as CardContent)
  return { ...content, id, title }
}

async function countsByKind(): Promise<ShelfPage['counts']> {
  const counts = { all: 0, beam: 0, frame: 0, truss: 0 }
  const rows = await query<RowDataPacket & { kind: CardKind | null; n: number }>(
    'SELECT kind, COUNT(*) AS n FROM problems WHERE deleted_at IS NULL GROUP BY kind',
  )
  for (const { kind, n } of rows) {
    counts.all += n
    if (kind) counts[kind] += n
  }
  return counts
}

/** Makes the cards of problems that have none yet, or one of an older revision: demo problems, older stores. */
async function makeMissingCards() {
  const rows = await query<RowDataPacket & { id: string; document: string; revision: number }>(
    'SELECT id, document, revision FROM problems WHERE deleted_at IS NULL AND ' +
      `(card_revision IS NULL OR card_revision <> revision) ORDER BY created_at DESC LIMIT ${MOST_MADE}`,
  )
  for (const { id, document, revision } of rows)
    await change(
      'UPDATE problems SET kind = ?, words = ?, card = ?, card_revision = ? WHERE id = ? AND revision = ?',
      [...cardColumns(carriedOver(JSON.parse(document) as Problem)), revision, id, revision],
    )
}
