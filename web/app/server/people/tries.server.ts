import type { RowDataPacket } from 'mysql2/promise'
import { change, query } from '../database.server'
import { digest } from './sessions.server'

/**
 * Counts a try, for all servers of one database together.
 * @param what is tried, and by whom: only its digest is kept
 * @returns false when there were more than `most` within `seconds`
 */
export async function mayTry(what: string, most: number, seconds: number): Promise<boolean> {
  const key = digest(what)
  await change(
    'INSERT INTO tries (what, count, until) VALUES (?, 1, NOW(3) + INTERVAL ? SECOND) ON DUPLICATE KEY ' +
      'UPDATE ' +
      'count = IF(until < NOW(3), 1, count + 1), until = IF(until < NOW(3), NOW(3) + INTERVAL ? SECOND, ' +
      'until)',
    [key, seconds, seconds],
  )
  const [row] = await query<RowDataPacket & { count: number }>('SELECT count FROM tries WHERE what = ?', [
    key,
  ])
  return (row?.count ?? 0) <= most
}

/** Forgets the tries of something that has succeeded. */
export const forgetTries = (what: string): Promise<number> =>
  change('DELETE FROM tries WHERE what = ?', [digest(what)])
