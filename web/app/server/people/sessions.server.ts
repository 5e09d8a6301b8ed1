import { createHash, randomBytes, randomUUID } from 'node:crypto'
import type { RowDataPacket } from 'mysql2/promise'
import { change, query } from '../database.server'
import type { Person, Role } from './person'

/** Days that a session which is not used any more is good for. */
export const DAYS_IDLE = 60
/** Time after which a use is noted again, s: not each request writes. */
const NOTED_S = 600

/** What the database knows of a secret: nobody who reads it can use it. */
export const digest = (secret: string): Buffer => createHash('sha256').update(secret).digest()

export const newSecret = (): string => randomBytes(32).toString('base64url')

interface Row extends RowDataPacket {
  session: string
  idle: number
  id: string
  name: string
  email: string | null
  subject: string | null
  role: Role
}

/** A session that holds, and whether its use was noted just now: then its cookie is good for longer, too. */
export interface Session {
  session: string
  person: Person
  noted: boolean
}

/** Who a session belongs to, if it is one that still holds. */
export async function sessionOf(secret: string): Promise<Session | undefined> {
  const [row] = await query<Row>(
    'SELECT s.id AS session, TIMESTAMPDIFF(SECOND, s.seen_at, NOW(3)) AS idle, p.id, p.name, p.email, ' +
      'p.subject, p.role ' +
      'FROM sessions s JOIN people p ON p.id = s.person WHERE s.token = ? AND s.seen_at > NOW(3) - ' +
      `INTERVAL ${DAYS_IDLE} DAY`,
    [digest(secret)],
  )
  if (!row) return undefined
  const noted = row.idle > NOTED_S
  if (noted) await change('UPDATE sessions SET seen_at = NOW(3) WHERE token = ?', [digest(secret)])
  const { session, id, name, email, subject, role } = row
  return { session, noted, person: { id, name, email, account: email !== null || subject !== null, role } }
}

/** Begins a session of a person; returns the secret for the cookie. */
export async function beginSession(person: string, browser: string): Promise<string> {
  const secret = newSecret()
  await change('INSERT INTO sessions (token, id, person, browser) VALUES (?, ?, ?, ?)', [
    digest(secret),
    randomUUID(),
    person,
    browser.slice(0, 200),
  ])
  return secret
}

export const endSession = (secret: string): Promise<number> =>
  change('DELETE FROM sessions WHERE token = ?', [digest(secret)])

/** Ends all sessions of a person but one. */
export const endOtherSessions = (person: string, session: string | null): Promise<number> =>
  change('DELETE FROM sessions WHERE person = ? AND id <> ?', [person, session ?? ''])

export const endOneSession = (person: string, session: string): Promise<number> =>
  change('DELETE FROM sessions WHERE person = ? AND id = ?', [person, session])

export interface SessionLine {
  id: string
  browser: string
  createdAt: string
  seenAt: string
}

/** The sessions of a person, the last used first. */
export async function sessionsOf(person: string): Promise<SessionLine[]> {
  const rows = await query<RowDataPacket & { id: string; browser: string; created_at: Date; seen_at: Date }>(
    'SELECT id, browser, created_at, seen_at FROM sessions WHERE person = ? ORDER BY seen_at DESC LIMIT 100',
    [person],
  )
  return rows.map((r) => ({
    id: r.id,
    browser: r.browser,
    createdAt: r.created_at.toISOString(),
    seenAt: r.seen_at.toISOString(),
  }))
}

/**
 * Ends what is out of date: sessions that are not used any more, and shelves without an account left by them.
 */
export async function purgeSessions(): Promise<void> {
  await change(`DELETE FROM sessions WHERE seen_at < NOW(3) - INTERVAL ${DAYS_IDLE} DAY LIMIT 10000`)
}
