import type { RequestHandler } from 'express'
import { MAX_BYTES } from '@viga/core'

/** A document with the form around it. */
export const MOST_BODY = MAX_BYTES + 100_000

/**
 * Refuses a body that is too large before any of it is read. What does not say its length is refused too: every
 * browser says it.
 */
export const boundedBodies: RequestHandler = (request, response, next) => {
  const length = request.get('Content-Length')
  const refuse = (status: number, words: string) => {
    // what follows on this connection is a body that nobody will read
    response.setHeader('Connection', 'close')
    response.status(status).type('text').send(words)
  }
  if (request.get('Transfer-Encoding') !== undefined) refuse(411, 'A body must say how long it is.')
  else if (length === undefined) next()
  else if (!/^\d{1,15}$/.test(length)) refuse(400, 'This length cannot be read.')
  else if (Number(length) > MOST_BODY) refuse(413, `More than ${MAX_BYTES / 1e6} MB cannot be kept.`)
  else next()
}
