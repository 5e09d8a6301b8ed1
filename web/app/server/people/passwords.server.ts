import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'
import PQueue from 'p-queue'
import { dictionary } from '@zxcvbn-ts/language-common'

/**
 * scrypt as the OWASP Password Storage Cheat Sheet recommends it: N = 2^15, r = 8, p = 3, 32 MB and some
 * tenths of a second for one guess.
 */
const COST = { N: 2 ** 15, r: 8, p: 3 }
const BYTES = 32
const LEAST = 10
const MOST = 200

/** Two at a time: many sign-ins at once take turns, not memory. */
const turns = new PQueue({ concurrency: 2 })

const derive = (password: string, salt: Buffer, cost: typeof COST): Promise<Buffer> => {
  const options: ScryptOptions = { ...cost, maxmem: 256 * cost.N * cost.r }
  return turns.add(
    () =>
      new Promise<Buffer>((resolve, reject) =>
        scrypt(password.normalize('NFKC'), salt, BYTES, options, (error, key) =>
          error ? reject(error) : resolve(key),
        ),
      ),
    { throwOnTimeout: true },
  )
}

/** What the database keeps of a password: the parameters, the salt and the derived key. */
export async function passwordHash(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, COST)
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64url'), key.toString('base64url')].join('$')
}

/** A hash of nothing anybody knows: an address without an account takes as long as one with it. */
const nobody = passwordHash(randomBytes(24).toString('hex'))

/** Whether a password is the one of this hash; without a hash it is none, after the same time. */
export async function isPassword(password: string, hash: string | null): Promise<boolean> {
  const [name, N, r, p, salt, key] = (hash ?? (await nobody)).split('$')
  if (name !== 'scrypt') return false
  const cost = { N: Number(N), r: Number(r), p: Number(p) }
  const derived = await derive(password, Buffer.from(salt, 'base64url'), cost)
  return timingSafeEqual(derived, Buffer.from(key, 'base64url')) && hash !== null
}

let common: Set<string> | undefined

/** Why a password is not taken; undefined when it is. @param email of whom it is to be */
export function passwordFault(password: string, email: string): string | undefined {
  if (password.length < LEAST) return `A password has at least ${LEAST} characters.`
  if (password.length > MOST) return `A password has at most ${MOST} characters.`
  common ??= new Set(dictionary['passwords-common'])
  const plain = password.toLowerCase()
  const stem = plain.replace(/[\d\W_]+$/, '')
  if (common.has(plain) || (stem.length >= 4 && common.has(stem) && plain.length - stem.length < 5))
    return 'This password is on the lists of common ones, which are tried first.'
  const [name] = email.toLowerCase().split('@')
  if (name.length >= 4 && plain.includes(name)) return 'A password must not hold the name of the address.'
  if (new Set(plain).size < 5) return 'A password has at least five different characters.'
  return undefined
}
