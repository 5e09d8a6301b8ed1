import type { RowDataPacket } from 'mysql2/promise'
import { change, query } from '../database.server'
import type { Access } from './access.server'
import { sendLetter } from './mail.server'
import { isPassword, passwordFault, passwordHash } from './passwords.server'
import { HOME, type Person, type Role } from './person'
import { digest, endOtherSessions, newSecret } from './sessions.server'
import { forgetTries, mayTry } from './tries.server'

/** What was wrong with what was entered, and where. */
export interface Fault {
  field: string
  message: string
}
export type Entered = { ok: true } | ({ ok: false } & Fault)

const done: Entered = { ok: true }
const fault = (field: string, message: string): Entered => ({ ok: false, field, message })

/** Tries to sign in to one account, and from one machine, within a quarter of an hour. */
const MOST = { account: 10, machine: 100, letters: 5 }
const SPAN_S = 900
const TOO_MANY = 'There were too many tries. Please wait a quarter of an hour.'

const lower = (email: string) => email.trim().toLowerCase()

interface AccountRow extends RowDataPacket {
  id: string
  password: string | null
  role: Role
}

const accountOf = async (email: string): Promise<AccountRow | undefined> =>
  (await query<AccountRow>('SELECT id, password, role FROM people WHERE email = ?', [lower(email)]))[0]

/**
 * Makes an account. What stands on the shelf of this browser goes along. The first account of a Viga is its
 * administrator's, and gets what stood on the shelf of whoever was at home.
 */
export async function createAccount(
  access: Access,
  { email, password, name }: { email: string; password: string; name: string },
): Promise<Entered> {
  const wrong = passwordFault(password, email)
  if (wrong) return fault('password', wrong)
  if (!(await mayTry(`account ${access.from}`, MOST.machine, SPAN_S))) return fault('email', TOO_MANY)
  if (await accountOf(email)) return fault('email', 'There is an account with this address already: sign in.')
  const before = access.person
  const person = before && !before.account ? before : await newPerson(access)
  const hash = await passwordHash(password)
  const first = !(await anyAccount())
  try {
    await change('UPDATE people SET email = ?, name = ?, password = ?, role = ? WHERE id = ?', [
      lower(email),
      name.trim(),
      hash,
      first ? 'administrator' : 'author',
      person.id,
    ])
  } catch (error) {
    if ((error as { code?: string }).code !== 'ER_DUP_ENTRY') throw error
    return fault('email', 'There is an account with this address already: sign in.')
  }
  if (first) await moveProblems(HOME.id, person.id)
  await access.signIn(person.id)
  return done
}

async function newPerson(access: Access): Promise<Person> {
  access.person = null
  return access.begin()
}

/** Whether this Viga has an account yet: the first one is its administrator's. */
export async function anyAccount(): Promise<boolean> {
  const [{ n }] = await query<RowDataPacket & { n: number }>(
    'SELECT COUNT(*) AS n FROM people WHERE email IS NOT NULL OR subject IS NOT NULL',
  )
  return n > 0
}

export const moveProblems = (from: string, to: string) =>
  change('UPDATE problems SET owner = ?, changed_at = changed_at WHERE owner = ?', [to, from])

/** What was shared with somebody by a link goes along; what the account has already stays as it is. */
async function moveShares(from: string, to: string): Promise<void> {
  await change('UPDATE IGNORE shares SET person = ? WHERE person = ?', [to, from])
  await change('DELETE FROM shares WHERE person = ?', [from])
}

/** Signs in. The shelf that this browser had without an account goes to the account. */
export async function signIn(
  access: Access,
  { email, password }: { email: string; password: string },
): Promise<Entered> {
  const tried = `sign-in ${lower(email)}`
  const may =
    (await mayTry(tried, MOST.account, SPAN_S)) &&
    (await mayTry(`sign-in from ${access.from}`, MOST.machine, SPAN_S))
  if (!may) return fault('email', TOO_MANY)
  const account = await accountOf(email)
  // the same words and the same time for both: nobody learns who has an account
  if (!(await isPassword(password, account?.password ?? null)) || !account)
    return fault('password', 'This address and this password do not belong together.')
  await forgetTries(tried)
  await becomeAccount(access, account.id)
  return done
}

/** Goes on as an account; what stood on the shelf without one goes along. */
export async function becomeAccount(access: Access, account: string): Promise<void> {
  const before = access.person
  if (before && !before.account && before.id !== account) {
    await moveProblems(before.id, account)
    await moveShares(before.id, account)
  }
  await access.signIn(account)
}

/** Sends the link for a new password. The answer does not say whether there is such an account. */
export async function sendReset(access: Access, email: string): Promise<Entered> {
  const may =
    (await mayTry(`letter ${lower(email)}`, MOST.letters, SPAN_S)) &&
    (await mayTry(`letter from ${access.from}`, MOST.machine, SPAN_S))
  if (!may) return fault('email', TOO_MANY)
  const account = await accountOf(email)
  if (!account) return done
  const secret = newSecret()
  await change('DELETE FROM letters WHERE person = ?', [account.id])
  await change('INSERT INTO letters (token, person) VALUES (?, ?)', [digest(secret), account.id])
  const path = `/new-password/${secret}`
  const way =
    access.letterOrigin === null
      ? `This address, put after the name of your Viga, is good for one hour and once:\n${path}`
      : `This link is good for one hour and once:\n${access.letterOrigin}${path}`
  await sendLetter({
    to: lower(email),
    subject: 'A new password for Viga',
    text:
      `Somebody, probably you, asked for a new password for Viga.\n\n${way}\n\n` +
      'If you did not ask for it, nothing has to be done.\n',
  })
  return done
}

/** Sets a new password with the secret of a letter, and ends all sessions of the account. */
export async function resetPassword(access: Access, secret: string, password: string): Promise<Entered> {
  if (!(await mayTry(`reset from ${access.from}`, MOST.machine, SPAN_S))) return fault('password', TOO_MANY)
  const [row] = await query<RowDataPacket & { person: string; email: string }>(
    'SELECT l.person, p.email FROM letters l JOIN people p ON p.id = l.person WHERE l.token = ? AND ' +
      'l.created_at > NOW(3) - INTERVAL 1 HOUR',
    [digest(secret)],
  )
  if (!row) return fault('password', 'This link is used, or older than an hour: please ask for another one.')
  const wrong = passwordFault(password, row.email)
  if (wrong) return fault('password', wrong)
  const hash = await passwordHash(password)
  // once: whoever deletes the row sets the password
  if ((await change('DELETE FROM letters WHERE token = ?', [digest(secret)])) !== 1)
    return fault('password', 'This link is used: please ask for another one.')
  await change('UPDATE people SET password = ? WHERE id = ?', [hash, row.person])
  await change('DELETE FROM sessions WHERE person = ?', [row.person])
  await becomeAccount(access, row.person)
  await sendNotice(row.email)
  return done
}

/** Says that a password was changed: whoever did not do so has a way to get the account back. */
const sendNotice = (email: string): Promise<void> =>
  sendLetter({
    to: email,
    subject: 'The password of your Viga account was changed',
    text:
      'The password of your account in Viga was changed just now, and other browsers were signed out.\n\n' +
      'If you did not change it, ask for a new password on the page “Sign in”.\n',
  })

/** Changes the password of the person who asks, who states the old one; the other sessions end. */
export async function changePassword(
  access: Access,
  { old, password }: { old: string; password: string },
): Promise<Entered> {
  const { person } = access
  if (!person?.email) return fault('old', 'There is no account to change.')
  if (!(await mayTry(`password of ${person.id}`, MOST.account, SPAN_S))) return fault('old', TOO_MANY)
  const account = await accountOf(person.email)
  if (!(await isPassword(old, account?.password ?? null)))
    return fault('old', 'This is not the current password.')
  const wrong = passwordFault(password, person.email)
  if (wrong) return fault('password', wrong)
  await change('UPDATE people SET password = ? WHERE id = ?', [await passwordHash(password), person.id])
  await endOtherSessions(person.id, access.session)
  await sendNotice(person.email)
  return done
}

export const rename = (person: Person, name: string): Promise<number> =>
  change('UPDATE people SET name = ? WHERE id = ?', [name.trim(), person.id])

/** Ends an account with all that is on its shelf. The password is stated again. */
export async function deleteAccount(access: Access, password: string): Promise<Entered> {
  const { person } = access
  if (!person?.account) return fault('password', 'There is no account to delete.')
  if (!(await mayTry(`password of ${person.id}`, MOST.account, SPAN_S))) return fault('password', TOO_MANY)
  const [{ hash }] = await query<RowDataPacket & { hash: string | null }>(
    'SELECT password AS hash FROM people WHERE id = ?',
    [person.id],
  )
  // whoever signs in elsewhere has no password here
  if (hash !== null && !(await isPassword(password, hash)))
    return fault('password', 'This is not the password.')
  if (person.role === 'administrator' && (await isLastAdministrator(person.id)))
    return fault('password', 'The last administrator stays: make somebody else one first.')
  await access.signOut()
  await change('DELETE FROM people WHERE id = ?', [person.id])
  return done
}

async function isLastAdministrator(id: string): Promise<boolean> {
  const [{ n }] = await query<RowDataPacket & { n: number }>(
    "SELECT COUNT(*) AS n FROM people WHERE role = 'administrator' AND id <> ? AND " +
      '(email IS NOT NULL OR subject IS NOT NULL)',
    [id],
  )
  return n === 0
}

export interface AccountLine {
  id: string
  email: string | null
  name: string
  role: Role
  problems: number
}

/** So many accounts are listed. */
export const MOST_ACCOUNTS = 1000

/** The accounts of a Viga, for its administrator; one more than is listed when there are more. */
export const accountLines = (): Promise<(AccountLine & RowDataPacket)[]> =>
  query(
    'SELECT p.id, p.email, p.name, p.role, COUNT(q.id) AS problems FROM people p LEFT JOIN problems q ON ' +
      'q.owner = p.id ' +
      'AND q.deleted_at IS NULL WHERE p.email IS NOT NULL OR p.subject IS NOT NULL GROUP BY p.id ORDER ' +
      'BY p.created_at ' +
      `LIMIT ${MOST_ACCOUNTS + 1}`,
  )

/** Gives an account another role. */
export async function setRole(id: string, role: Role): Promise<Entered> {
  if (role !== 'administrator' && (await isLastAdministrator(id)))
    return fault('role', 'The last administrator stays: make somebody else one first.')
  await change('UPDATE people SET role = ? WHERE id = ? AND (email IS NOT NULL OR subject IS NOT NULL)', [
    role,
    id,
  ])
  return done
}

/** All that is kept of a person, as one file. */
export async function exportOf(person: Person): Promise<string> {
  const problems = await query<
    RowDataPacket & { document: string; title: string; changed_at: Date; deleted_at: Date }
  >('SELECT title, document, changed_at, deleted_at FROM problems WHERE owner = ? ORDER BY created_at', [
    person.id,
  ])
  const shares = await query<RowDataPacket>(
    'SELECT p.title, o.email AS owner, s.may_write FROM shares s JOIN problems p ON p.id = s.problem ' +
      'JOIN people o ON o.id = p.owner WHERE s.person = ?',
    [person.id],
  )
  const head = {
    person: { name: person.name, email: person.email, role: person.role },
    sharedWithYou: shares,
  }
  // documents go as they are kept: nothing of them is read here
  const items = problems.map(
    ({ document, changed_at, deleted_at }) =>
      `{"changedAt":${JSON.stringify(changed_at)},"takenOffAt":${JSON.stringify(deleted_at)},` +
      `"document":${document}}`,
  )
  return `${JSON.stringify(head).slice(0, -1)},"problems":[${items.join(',\n')}]}\n`
}
