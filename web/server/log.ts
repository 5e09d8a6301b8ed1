import { randomUUID } from 'node:crypto'
import type { Request, RequestHandler } from 'express'
import pino, { type Logger } from 'pino'
import { pinoHttp } from 'pino-http'

/**
 * Logs each event as one line of JSON to standard output. With a file, every line goes there, and standard
 * output has warnings and errors alone.
 */
export function createLog(level: string, file?: string): Logger {
  if (file === undefined) return pino({ level, base: undefined })
  const streams = [
    { level, stream: pino.destination({ dest: file, mkdir: true, sync: false }) },
    { level: 'warn', stream: process.stdout },
  ]
  return pino({ level, base: undefined }, pino.multistream(streams as pino.StreamEntry[]))
}

const ID = /^[\w-]{8,64}$/
const WRITES = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])

/**
 * Gives every request an id, which its answer carries too, and writes a line when it is answered: writes and
 * refusals always, what was read only when asked for.
 * @param trusted the id that a trusted proxy gave is taken over
 */
export const logRequests = (log: Logger, trusted: boolean): RequestHandler =>
  pinoHttp({
    logger: log,
    genReqId: (request, response) => {
      const given = request.headers['x-request-id']
      const id = trusted && typeof given === 'string' && ID.test(given) ? given : randomUUID()
      response.setHeader('X-Request-Id', id)
      return id
    },
    customLogLevel: (request, response, error) => {
      if (error ?? response.statusCode >= 500) return 'error'
      if (response.statusCode >= 400) return 'warn'
      return WRITES.has(request.method ?? '') ? 'info' : 'debug'
    },
    customProps: (request) => ({ person: (request as Request).res?.locals.person as string | undefined }),
    customSuccessMessage: (request) => (WRITES.has(request.method ?? '') ? 'write' : 'read'),
    serializers: {
      // no cookies, no bodies: a log is read by more people than a problem is
      req: (request: { id: string; method: string; url: string; raw: Request }) => ({
        id: request.id,
        method: request.method,
        url: request.url.split('?')[0].slice(0, 200),
        from: request.raw.ip, // behind a trusted proxy, whom it passes on
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
  })
