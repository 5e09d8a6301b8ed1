import { randomUUID } from 'node:crypto'
import {
  authorizationCodeGrant,
  buildAuthorizationUrl,
  calculatePKCECodeChallenge,
  discovery,
  allowInsecureRequests,
  randomNonce,
  randomPKCECodeVerifier,
  randomState,
  type Configuration,
} from 'openid-client'
import type { RowDataPacket } from 'mysql2/promise'
import { change, query } from '../database.server'
import type { Access } from './access.server'
import { anyAccount, becomeAccount, moveProblems } from './accounts.server'
import { HOME } from './person'

/** The words on the way to the provider that is set; null when none is. */
export const isOffered = (): string | null =>
  process.env.OPENID_ISSUER ? process.env.OPENID_WORDS || 'Sign in with the account of your school' : null

let found: Promise<Configuration> | undefined

/**
 * What the provider says of itself, read once; a provider that cannot be reached is asked again next time.
 */
function provider(): Promise<Configuration> {
  const { OPENID_ISSUER, OPENID_CLIENT, OPENID_SECRET } = process.env
  if (!OPENID_ISSUER || !OPENID_CLIENT) throw new Error('OPENID_ISSUER and OPENID_CLIENT are not both set.')
  const issuer = new URL(OPENID_ISSUER)
  // without TLS only on this machine, as tests do it
  const local = issuer.protocol === 'http:' && ['localhost', '127.0.0.1'].includes(issuer.hostname)
  found ??= discovery(issuer, OPENID_CLIENT, OPENID_SECRET, undefined, {
    execute: local ? [allowInsecureRequests] : [],
  }).catch((error: unknown) => {
    found = undefined
    throw error
  })
  return found
}

/** What must come back from the provider, kept by the browser meanwhile. */
export interface Begun {
  state: string
  nonce: string
  verifier: string
}

const back = (access: Access) => `${access.origin}/sign-in/back`

/** Where the browser goes to sign in, and what it keeps until it comes back. */
export async function beginElsewhere(access: Access): Promise<{ to: string; begun: Begun }> {
  const begun = { state: randomState(), nonce: randomNonce(), verifier: randomPKCECodeVerifier() }
  const to = buildAuthorizationUrl(await provider(), {
    redirect_uri: back(access),
    scope: 'openid email profile',
    state: begun.state,
    nonce: begun.nonce,
    code_challenge: await calculatePKCECodeChallenge(begun.verifier),
    code_challenge_method: 'S256',
  })
  return { to: to.href, begun }
}

/** Signs in whom the provider names, as an account that is made at the first time. */
export async function endElsewhere(access: Access, address: URL, begun: Begun): Promise<void> {
  const here = new URL(back(access))
  here.search = address.search
  const tokens = await authorizationCodeGrant(await provider(), here, {
    expectedState: begun.state,
    expectedNonce: begun.nonce,
    pkceCodeVerifier: begun.verifier,
    idTokenExpected: true,
  })
  const claims = tokens.claims()
  if (!claims) throw new Error('The provider names nobody.')
  const subject = `${claims.iss}#${claims.sub}`
  const [row] = await query<RowDataPacket & { id: string }>('SELECT id FROM people WHERE subject = ?', [
    subject,
  ])
  const id = row?.id ?? (await newAccount(subject, claims))
  await becomeAccount(access, id)
}

async function newAccount(subject: string, claims: Record<string, unknown>): Promise<string> {
  const id = randomUUID()
  const verified = claims.email_verified === true && typeof claims.email === 'string'
  const email = verified ? (claims.email as string).toLowerCase() : null
  // an address that has an account already stays that account's: nobody takes it over from elsewhere
  const [taken] = email
    ? await query<RowDataPacket>('SELECT id FROM people WHERE email = ?', [email])
    : [undefined]
  const first = !(await anyAccount())
  await change('INSERT INTO people (id, subject, email, name, role) VALUES (?, ?, ?, ?, ?)', [
    id,
    subject,
    taken ? null : email,
    typeof claims.name === 'string' ? claims.name.slice(0, 120) : '',
    first ? 'administrator' : 'author',
  ])
  // the first account of a Viga gets what stood on the shelf of whoever was at home
  if (first) await moveProblems(HOME.id, id)
  return id
}
