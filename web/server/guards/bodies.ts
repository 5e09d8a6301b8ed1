import type { Request, RequestHandler, Response } from 'express'
import { MAX_BYTES } from '@viga/core'

/** A document with the form around it. */
export const MOST_BODY = MAX_BYTES + 100_000

const TOO_LARGE = `More than ${MAX_BYTES / 1e6} MB cannot be kept.`

/**
 * Refuses a body that is too large: before any of it is read where it says its length, as every browser's
 * does, and else as soon as more has come.
 */
export const boundedBodies: RequestHandler = (request, response, next) => {
  const length = request.get('Content-Length')
  if (request.get('Transfer-Encoding') !== undefined) {
    countChunks(request, response)
    next()
  } else if (length === undefined) next()
  else if (!/^\d{1,15}$/.test(length)) refuse(response, 400, 'This length cannot be read.')
  else if (Number(length) > MOST_BODY) refuse(response, 413, TOO_LARGE)
  else next()
}

function refuse(response: Response, status: number, words: string): void {
  if (response.headersSent) return
  // what follows on this connection is a body that nobody will read
  response.setHeader('Connection', 'close')
  response.status(status).type('text').send(words)
}

/**
 * Counts a body that comes in chunks as it arrives, without reading it: its reader is the page that is asked.
 */
function countChunks(request: Request, response: Response): void {
  let seen = 0
  let refused = false
  const push = request.push.bind(request)
  request.push = (chunk: Buffer | null, encoding) => {
    seen += chunk?.length ?? 0
    if (seen <= MOST_BODY) return push(chunk, encoding)
    // the rest is thrown away until the answer is sent, then the connection ends
    if (!refused) response.once('finish', () => request.destroy())
    refused = true
    refuse(response, 413, TOO_LARGE)
    return true
  }
}
