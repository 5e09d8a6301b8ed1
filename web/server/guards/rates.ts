import type { Request, RequestHandler } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'

/**
 * Refuses the requests of an address beyond so many a minute. The number is meant for a flood: a class sits
 * behind one address.
 */
export const boundedRates = (aMinute: number) =>
  rateLimit({
    windowMs: 60_000,
    limit: aMinute,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    message: 'There are too many requests from this address. Please wait a minute.',
  })

/** What a person may ask for in a minute, by what is asked. Somebody who works by hand comes near none. */
const OF_A_PERSON: readonly { name: string; aMinute: number; isAsked: (r: Request) => boolean }[] = [
  {
    name: 'saves',
    aMinute: 600,
    isAsked: (r) => r.method === 'POST' && /^\/problems\/[^/]+\/save(\.data)?$/.test(r.path),
  },
  {
    name: 'reports',
    aMinute: 120,
    isAsked: (r) => /^\/problems\/[^/]+\/(working-as|results-as|figure-as|marked)\b/.test(r.path),
  },
  {
    name: 'sign-ins',
    aMinute: 60,
    isAsked: (r) => r.method === 'POST' && /^\/(sign-in|new-password)\b/.test(r.path),
  },
]

const SESSION = /(?:^|;\s*)viga=([\w-]{43})/

/** Whoever asks: the session of a browser, else its address; a class sits behind one address. */
const askerOf = (r: Request): string =>
  SESSION.exec(r.headers.cookie ?? '')?.[1] ?? ipKeyGenerator(r.ip ?? '')

/** Refuses what one person asks for beyond what a person can ask for, each sort of it by itself. */
export const boundedPersons = (): RequestHandler[] =>
  OF_A_PERSON.map(({ name, aMinute, isAsked }) =>
    rateLimit({
      windowMs: 60_000,
      limit: aMinute,
      skip: (r) => !isAsked(r),
      // sign-ins come before there is a person, and a new cookie is easily had
      keyGenerator: name === 'sign-ins' ? (r) => ipKeyGenerator(r.ip ?? '') : askerOf,
      standardHeaders: false,
      legacyHeaders: false,
      message: `There are too many ${name} in this minute. Please wait a moment.`,
    }),
  )
