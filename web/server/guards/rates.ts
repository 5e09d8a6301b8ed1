import { rateLimit } from 'express-rate-limit'

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
