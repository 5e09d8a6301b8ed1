import { randomUUID } from 'node:crypto'
import type { RowDataPacket } from 'mysql2/promise'
import { newProblem, type Problem } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { written, type Written } from './compute/jobs'
import { change, inTurn, query, type Value } from './database.server'
import { HOUSE, idOf, type Person } from './people/person'

/** A problem as the database keeps it: the document as text, and the revision that a save must start from. */
export interface StoredText {
  id: string
  title: string
  revision: number
  document: string
  changedAt: string
  /** The person who asks may save over it; otherwise a change becomes a copy of their own. */
  mayWrite: boolean
  owner: string
}

/** The same with the document read. */
export interface StoredProblem {
  id: string
  revision: number
  problem: Problem
  changedAt: string
  mayWrite: boolean
}

interface Row extends RowDataPacket {
  id: string
  title: string
  document: string
  revision: number
  changed_at: Date
  owner: string
  may_write: number
}

/** A condition in SQL with the values of its placeholders. */
interface Condition {
  sql: string
  values: Value[]
}

/**
 * Problems (as `p`) that a person may save over: their own, those shared so, the house's for its
 * administrator.
 */
export const writableBy = (person: Person | null): Condition => ({
  sql:
    '(p.owner = ? OR (p.owner = ? AND ?) OR EXISTS (SELECT 1 FROM shares s WHERE s.problem = p.id AND ' +
    's.person = ? AND s.may_write))',
  values: [idOf(person), HOUSE, person?.role === 'administrator' ? 1 : 0, idOf(person)],
})

/**
 * Problems (as `p`) that a person may take off the Shelf: their own, and the house's for its administrator.
 */
export const ownedBy = (person: Person | null): Condition => ({
  sql: '(p.owner = ? OR (p.owner = ? AND ?))',
  values: [idOf(person), HOUSE, person?.role === 'administrator' ? 1 : 0],
})

/** Problems (as `p`) that a person may read: also the house's, and all that are shared with them. */
export const readableBy = (person: Person | null): Condition => ({
  sql:
    '(p.owner = ? OR p.owner = ? OR EXISTS (SELECT 1 FROM shares s WHERE s.problem = p.id AND ' +
    's.person = ?))',
  values: [idOf(person), HOUSE, idOf(person)],
})

/** A problem that this person may read, as it is kept. */
export async function textById(person: Person | null, id: string): Promise<StoredText | undefined> {
  const [writable, readable] = [writableBy(person), readableBy(person)]
  const rows = await query<Row>(
    `SELECT p.id, p.title, p.document, p.revision, p.changed_at, p.owner, ${writable.sql} AS may_write ` +
      `FROM problems p WHERE p.id = ? AND p.deleted_at IS NULL AND ${readable.sql}`,
    [...writable.values, id, ...readable.values],
  )
  const row = rows[0]
  return (
    row && {
      id: row.id,
      title: row.title,
      revision: row.revision,
      document: row.document,
      changedAt: row.changed_at.toISOString(),
      mayWrite: row.may_write === 1,
      owner: row.owner,
    }
  )
}

/** The document of a stored problem, read. */
export const readText = ({ id, revision, document, changedAt, mayWrite }: StoredText): StoredProblem => ({
  id,
  revision,
  problem: carriedOver(JSON.parse(document) as Problem),
  changedAt,
  mayWrite,
})

/** A stored problem as JSON: its document as it is kept, none of it read here. */
export const asJson = ({ id, revision, changedAt, mayWrite, document }: StoredText): string =>
  `${JSON.stringify({ id, revision, changedAt, mayWrite }).slice(0, -1)},"problem":${document}}`

/**
 * The problem if its revision is above `revision`; null if it is not, undefined if there is no such problem.
 */
export async function textNewerThan(
  person: Person | null,
  id: string,
  revision: number,
): Promise<StoredText | null | undefined> {
  // the document is read only when there is something new: most answers are one number
  const readable = readableBy(person)
  const rows = await query<Row>(
    `SELECT p.revision FROM problems p WHERE p.id = ? AND p.deleted_at IS NULL AND ${readable.sql}`,
    [id, ...readable.values],
  )
  if (!rows[0]) return undefined
  return rows[0].revision > revision ? textById(person, id) : null
}

/**
 * Puts a problem on a person's shelf; returns its id.
 * @param asked the id it shall have; another one where that is taken
 */
export async function insertProblem(
  owner: Person,
  problem: Written = written(newProblem()),
  asked?: string,
): Promise<string> {
  const id = asked ?? randomUUID()
  try {
    await change(
      'INSERT INTO problems (id, owner, title, document, revision, words, kind) VALUES (?, ?, ?, ?, 1, ?, ?)',
      [id, owner.id, problem.title, problem.document, problem.words, problem.kind],
    )
  } catch (error) {
    if (asked === undefined || (error as { code?: string }).code !== 'ER_DUP_ENTRY') throw error
    return insertProblem(owner, problem)
  }
  return id
}

export type SaveResult = { saved: true; revision: number } | { saved: false; found: StoredText | undefined }

/**
 * Saves over the revision the person started from. A stale one, and one of somebody who may only read,
 * changes nothing and hands back the problem as it is.
 */
export function saveProblem(
  person: Person | null,
  id: string,
  revision: number,
  problem: Written,
): Promise<SaveResult> {
  const writable = writableBy(person)
  return inTurn(id, async () => {
    const changed = await change(
      'UPDATE problems p SET p.document = ?, p.title = ?, p.words = ?, p.kind = ?, p.revision = ' +
        'p.revision + 1, ' +
        'p.changed_at = NOW(3) WHERE p.id = ? AND p.revision = ? AND p.deleted_at IS NULL AND ' +
        `${writable.sql}`,
      [problem.document, problem.title, problem.words, problem.kind, id, revision, ...writable.values],
    )
    return changed === 1
      ? { saved: true, revision: revision + 1 }
      : { saved: false, found: await textById(person, id) }
  })
}

/** Takes a problem off the Shelf; `restoreProblem` puts it back within the time it is kept. */
export function deleteProblem(person: Person, id: string): Promise<number> {
  const owned = ownedBy(person)
  return inTurn(id, () =>
    change(
      `UPDATE problems p SET p.deleted_at = NOW(3) WHERE p.id = ? AND p.deleted_at IS NULL AND ${owned.sql}`,
      [id, ...owned.values],
    ),
  )
}

/** Puts a problem back that was taken off; returns how many were there to be put back. */
export function restoreProblem(person: Person, id: string): Promise<number> {
  const owned = ownedBy(person)
  return inTurn(id, () =>
    change(
      'UPDATE problems p SET p.deleted_at = NULL WHERE p.id = ? AND p.deleted_at IS NOT NULL AND ' +
        `${owned.sql}`,
      [id, ...owned.values],
    ),
  )
}

/** Days that a problem which was taken off can be put back. */
export const DAYS_KEPT = 30

export interface TakenOff {
  id: string
  title: string
  deletedAt: string
}

/** So many of them are listed. */
export const MOST_LISTED = 500

/** What was taken off a person's shelf, the last first; one more than is listed when there are more. */
export async function takenOff(person: Person | null): Promise<TakenOff[]> {
  const owned = ownedBy(person)
  const rows = await query<RowDataPacket & { id: string; title: string; deleted_at: Date }>(
    'SELECT p.id, p.title, p.deleted_at FROM problems p WHERE ' +
      `p.deleted_at > NOW(3) - INTERVAL ${DAYS_KEPT} DAY AND ${owned.sql} ` +
      `ORDER BY p.deleted_at DESC LIMIT ${MOST_LISTED + 1}`,
    owned.values,
  )
  return rows.map((r) => ({ id: r.id, title: r.title, deletedAt: r.deleted_at.toISOString() }))
}

/** Ends what was taken off longer ago; returns how many problems that were. */
export const purgeTakenOff = (): Promise<number> =>
  change(`DELETE FROM problems WHERE deleted_at < NOW(3) - INTERVAL ${DAYS_KEPT} DAY LIMIT 1000`)
