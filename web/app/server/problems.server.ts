import { randomUUID } from 'node:crypto'
import type { RowDataPacket } from 'mysql2/promise'
import { newProblem, type Problem } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { cardOf } from './cards.server'
import { change, query } from './database.server'

/** A problem as the database keeps it: the document, and the revision that a save must start from. */
export interface StoredProblem {
  id: string
  revision: number
  problem: Problem
  changedAt: string
}

interface Row extends RowDataPacket {
  id: string
  title: string
  document: string
  revision: number
  changed_at: Date
}

const COLUMNS = 'id, title, document, revision, changed_at'

const stored = (row: Row): StoredProblem => ({
  id: row.id,
  revision: row.revision,
  problem: carriedOver(JSON.parse(row.document) as Problem),
  changedAt: row.changed_at.toISOString(),
})

export async function problemById(id: string): Promise<StoredProblem | undefined> {
  const rows = await query<Row>(`SELECT ${COLUMNS} FROM problems WHERE id = ? AND deleted_at IS NULL`, [id])
  return rows[0] && stored(rows[0])
}

/** The problem if its revision is above `revision`; null if it is not, undefined if there is no such problem. */
export async function problemNewerThan(
  id: string,
  revision: number,
): Promise<StoredProblem | null | undefined> {
  // the document is read only when there is something new: most answers are one number
  const rows = await query<Row>('SELECT revision FROM problems WHERE id = ? AND deleted_at IS NULL', [id])
  if (!rows[0]) return undefined
  return rows[0].revision > revision ? problemById(id) : null
}

/** Puts a problem on the Shelf; returns its id. */
export async function insertProblem(problem: Problem = newProblem()): Promise<string> {
  const id = randomUUID()
  await change(
    'INSERT INTO problems (id, title, document, revision, kind, words, card, card_revision) ' +
      'VALUES (?, ?, ?, 1, ?, ?, ?, 1)',
    [id, problem.title, JSON.stringify(problem), ...cardColumns(problem)],
  )
  return id
}

/** The columns kind, words and card of a problem: what the Shelf shows of it and is searched by. */
export function cardColumns(problem: Problem): [kind: string, words: string, card: string] {
  const card = cardOf(problem)
  const words = `${problem.title} ${card.statement}`.toLowerCase().slice(0, 20_000)
  return [card.kind, words, JSON.stringify(card)]
}

export type SaveResult =
  { saved: true; revision: number } | { saved: false; newer: StoredProblem | undefined }

/**
 * Saves over the revision the person started from; a stale one changes nothing and hands back the newer
 * problem.
 */
export async function saveProblem(id: string, revision: number, problem: Problem): Promise<SaveResult> {
  const changed = await change(
    'UPDATE problems SET document = ?, title = ?, kind = ?, words = ?, card = ?, card_revision = ?, ' +
      'revision = revision + 1, changed_at = NOW(3) WHERE id = ? AND revision = ? AND deleted_at IS NULL',
    [JSON.stringify(problem), problem.title, ...cardColumns(problem), revision + 1, id, revision],
  )
  return changed === 1
    ? { saved: true, revision: revision + 1 }
    : { saved: false, newer: await problemById(id) }
}

/** Takes a problem off the Shelf; `restoreProblem` puts it back. */
export const deleteProblem = (id: string): Promise<number> =>
  change('UPDATE problems SET deleted_at = NOW(3) WHERE id = ? AND deleted_at IS NULL', [id])

export const restoreProblem = (id: string): Promise<number> =>
  change('UPDATE problems SET deleted_at = NULL WHERE id = ?', [id])
