import type { Request, RequestHandler, Response } from 'express'
import { MAX_BYTES } from '@viga/core'

/** Limit on a body in bytes: a document with the form around it. */
export const MOST_BODY = MAX_BYTES + 100_000

const TOO_LARGE = `More than ${MAX_BYTES / 1e6} MB cannot be kept.`

/**
 * Refuses a body that is too large. A body with a Content-Length, as every browser sends it, is refused
 * before any of it is read; a chunked body is refused as soon as it exceeds the limit.
 */
export const boundedBodies: RequestHandler = (request, response, next) => {
  const length = request.get('Content-Length')
  if (request.get('Transfer-Encoding') !== undefined) {
    countChunks(request, response)
    next()
  } else if (length === undefined) next()
  else if (!/^\d{1,15}$/.test(length)) refuse(request, response, 400, 'This length cannot be read.')
  else if (Number(length) > MOST_BODY) refuse(request, response, 413, TOO_LARGE)
  else next()
}

/** How much of a refused body is read and discarded before the connection ends: bytes, and milliseconds. */
const MOST_THROWN = 8_000_000
const LONGEST_THROWN = 1_000

/**
 * Answers at once, then discards the rest of the body up to the limits above and ends the connection. Closing
 * a connection with unread bytes resets it, and the client might never see the answer.
 */
function refuse(request: Request, response: Response, status: number, words: string): void {
  if (response.headersSent) return
  response.writeHead(status, {
    Connection: 'close',
    'Content-Type': 'text/plain; charset=utf-8',
    'Content-Length': Buffer.byteLength(words),
  })
  response.write(words)
  const end = () => {
    clearTimeout(timer)
    response.end()
  }
  const timer = setTimeout(end, LONGEST_THROWN)
  response.once('finish', () => request.destroy()).once('close', end)
  let thrown = 0
  request.push = (chunk: Buffer | null) => {
    thrown += chunk?.length ?? 0
    if (chunk === null || thrown > MOST_THROWN) end()
    return true
  }
  request.resume()
}

/** Counts the bytes of a chunked body as they arrive. The body itself is read by the route. */
function countChunks(request: Request, response: Response): void {
  let seen = 0
  const push = request.push.bind(request)
  request.push = (chunk: Buffer | null, encoding) => {
    seen += chunk?.length ?? 0
    if (seen <= MOST_BODY) return push(chunk, encoding)
    refuse(request, response, 413, TOO_LARGE)
    return true
  }
}
