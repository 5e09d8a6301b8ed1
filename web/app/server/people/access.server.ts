import { randomUUID } from 'node:crypto'
import type { Request, Response } from 'express'
import { change } from '../database.server'
import { HOME, type Person } from './person'
import { beginSession, DAYS_IDLE, endSession, sessionOf } from './sessions.server'

/** Who asks, and the ways in which that changes; what it changes goes back to the browser with the answer. */
export interface Access {
  person: Person | null
  /** Several people use this Viga: there are accounts, and everybody has a shelf of their own. */
  many: boolean
  /** The session the request came with. */
  session: string | null
  /** The machine it came from, as far as it is known. */
  from: string
  /** The address under which this server was asked. */
  origin: string
  /**
   * The address for links in letters: one whose name the server was told, or of this machine. Null where any
   * name would do, since whoever asks could name a server of their own.
   */
  letterOrigin: string | null
  /** The person; somebody who is nobody yet gets a shelf of their own, without an account. */
  begin(): Promise<Person>
  /** From now on this browser is that person, in a session that begins now. */
  signIn(person: string): Promise<void>
  signOut(): Promise<void>
}

const COOKIE = 'viga'
const LASTS_MS = DAYS_IDLE * 24 * 3600 * 1000
const SECRET = /^[\w-]{43}$/

/** The secret in the cookies of a request. */
function secretIn(cookies: string | undefined): string | undefined {
  const found = /(?:^|;\s*)viga=([^;]*)/.exec(cookies ?? '')?.[1]
  return found !== undefined && SECRET.test(found) ? found : undefined
}

/**
 * Finds out who asks.
 * @param many whether there are several people; otherwise everybody is the one at home
 * @param namesAreKnown whether requests under other names than the server's own were refused before
 */
export async function accessOf(
  request: Request,
  response: Response,
  many: boolean,
  namesAreKnown: boolean,
): Promise<Access> {
  const origin = `${request.protocol}://${request.host}`
  const about = { from: request.ip ?? '', origin, letterOrigin: namesAreKnown ? origin : null }
  if (!many) return { ...about, ...onlyOne }
  let secret = secretIn(request.headers.cookie)
  const found = secret === undefined ? undefined : await sessionOf(secret)
  const options = { httpOnly: true, sameSite: 'lax', secure: request.secure, path: '/' } as const
  const setCookie = (value: string) => response.cookie(COOKIE, value, { ...options, maxAge: LASTS_MS })
  // a shelf without an account lasts as long as it is used: its only key is this cookie
  if (found?.noted && secret !== undefined) setCookie(secret)
  const access: Access = {
    ...about,
    many,
    person: found?.person ?? null,
    session: found?.session ?? null,
    async begin() {
      if (access.person) return access.person
      const person: Person = { id: randomUUID(), name: '', email: null, account: false, role: 'author' }
      await change('INSERT INTO people (id) VALUES (?)', [person.id])
      await access.signIn(person.id)
      return (access.person = person)
    },
    async signIn(person) {
      if (secret !== undefined) await endSession(secret)
      secret = await beginSession(person, request.get('User-Agent') ?? '')
      setCookie(secret)
    },
    async signOut() {
      if (secret !== undefined) await endSession(secret)
      response.clearCookie(COOKIE, options)
    },
  }
  response.locals.person = found?.person.id
  return access
}

const onlyOne: Omit<Access, 'from' | 'origin' | 'letterOrigin'> = {
  person: HOME,
  many: false,
  session: null,
  begin: () => Promise.resolve(HOME),
  signIn: () => Promise.resolve(),
  signOut: () => Promise.resolve(),
}
