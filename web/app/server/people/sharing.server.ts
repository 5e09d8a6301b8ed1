import { randomUUID } from 'node:crypto'
import type { RowDataPacket } from 'mysql2/promise'
import { compute } from '../compute/pool.server'
import { change, query } from '../database.server'
import { insertProblem } from '../problems.server'
import type { Access } from './access.server'
import type { Entered } from './accounts.server'
import { HOUSE, mayWrite, type Person } from './person'
import { newSecret } from './sessions.server'
import { mayTry } from './tries.server'

export interface Sharing {
  links: { id: string; token: string; gives: 'read' | 'copy' }[]
  people: { id: string; name: string; email: string | null; mayWrite: boolean; byLink: boolean }[]
}

/** Only whose problem it is shares it; the house's problems are open anyway. */
async function isOwner(person: Person | null, problem: string): Promise<boolean> {
  if (!person) return false
  const [row] = await query<RowDataPacket & { owner: string }>(
    'SELECT owner FROM problems WHERE id = ? AND deleted_at IS NULL',
    [problem],
  )
  return row !== undefined && row.owner === person.id && row.owner !== HOUSE
}

/** With whom a problem is shared; undefined for whoever may not know. */
export async function sharingOf(person: Person | null, problem: string): Promise<Sharing | undefined> {
  if (!(await isOwner(person, problem))) return undefined
  const links = await query<RowDataPacket & Sharing['links'][number]>(
    'SELECT id, token, gives FROM links WHERE problem = ? ORDER BY created_at',
    [problem],
  )
  const rows = await query<
    RowDataPacket & { id: string; name: string; email: string | null; may_write: number; link: string | null }
  >(
    'SELECT s.id, p.name, p.email, s.may_write, s.link FROM shares s JOIN people p ON p.id = s.person ' +
      'WHERE s.problem = ? ORDER BY s.created_at LIMIT 500',
    [problem],
  )
  return {
    links: links.map(({ id, token, gives }) => ({ id, token, gives })),
    people: rows.map((r) => ({
      id: r.id,
      name: r.name,
      email: r.email,
      mayWrite: r.may_write === 1,
      byLink: r.link !== null,
    })),
  }
}

const refused: Entered = { ok: false, field: 'email', message: 'Only the one whose problem it is shares it.' }

/** Makes an address that lets whoever has it read the problem, or take a copy. */
export async function makeLink(
  person: Person | null,
  problem: string,
  gives: 'read' | 'copy',
): Promise<Entered> {
  if (!(await isOwner(person, problem))) return refused
  await change('INSERT INTO links (id, token, problem, gives) VALUES (?, ?, ?, ?)', [
    randomUUID(),
    newSecret(),
    problem,
    gives,
  ])
  return { ok: true }
}

/** Shares with the account of an address. */
export async function shareWith(
  access: Access,
  problem: string,
  { email, write }: { email: string; write: boolean },
): Promise<Entered> {
  const { person } = access
  if (!person || !(await isOwner(person, problem))) return refused
  if (!(await mayTry(`share by ${person.id}`, 60, 900)))
    return {
      ok: false,
      field: 'email',
      message: 'There were too many tries. Please wait a quarter of an hour.',
    }
  const [other] = await query<RowDataPacket & { id: string }>('SELECT id FROM people WHERE email = ?', [
    email.trim().toLowerCase(),
  ])
  if (!other) return { ok: false, field: 'email', message: 'There is no account with this address.' }
  if (other.id === person.id) return { ok: false, field: 'email', message: 'This is your own address.' }
  await change(
    'INSERT INTO shares (id, problem, person, may_write) VALUES (?, ?, ?, ?) ' +
      'ON DUPLICATE KEY UPDATE may_write = VALUES(may_write), link = NULL',
    [randomUUID(), problem, other.id, write ? 1 : 0],
  )
  return { ok: true }
}

/** Ends a link with all that came by it, or a share. */
export async function endSharing(person: Person | null, problem: string, id: string): Promise<Entered> {
  if (!(await isOwner(person, problem))) return refused
  await change('DELETE FROM shares WHERE problem = ? AND (id = ? OR link = ?)', [problem, id, id])
  await change('DELETE FROM links WHERE problem = ? AND id = ?', [problem, id])
  return { ok: true }
}

/** What a link leads to; undefined when it is none any more. */
export async function linkOf(token: string) {
  const [link] = await query<
    RowDataPacket & {
      id: string
      problem: string
      gives: 'read' | 'copy'
      owner: string
      title: string
      document: string
    }
  >(
    'SELECT l.id, l.problem, l.gives, p.owner, p.title, p.document FROM links l JOIN problems p ON p.id ' +
      '= l.problem ' +
      'WHERE l.token = ? AND p.deleted_at IS NULL',
    [token],
  )
  return link
}

/**
 * What somebody gets who follows a link: the problem to read, which then stands on their Shelf, or a copy.
 * @returns the id of the problem to open; undefined when the link is none any more
 */
export async function followLink(access: Access, token: string): Promise<string | undefined> {
  const link = await linkOf(token)
  if (!link) return undefined
  const person = await access.begin()
  if (link.owner === person.id) return link.problem
  const { document, title } = link
  if (link.gives === 'copy' && mayWrite(person))
    return insertProblem(person, await compute('retitle', { document, title }))
  await change('INSERT IGNORE INTO shares (id, problem, person, link) VALUES (?, ?, ?, ?)', [
    randomUUID(),
    link.problem,
    person.id,
    link.id,
  ])
  return link.problem
}
