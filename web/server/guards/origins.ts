import type { RequestHandler } from 'express'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])
const KNOWN = new Set([...READS, 'POST'])

/** Refuses methods that nothing here answers. */
export const knownMethods: RequestHandler = (request, response, next) => {
  if (KNOWN.has(request.method)) next()
  else
    response
      .status(405)
      .setHeader('Allow', [...KNOWN].join(', '))
      .type('text')
      .send('This address accepts no POST request.')
}

/**
 * Refuses a write that a page of another site makes a browser send. Every browser says where a write comes
 * from; a program that says nothing of it carries no person's cookies.
 */
export const sameOrigin: RequestHandler = (request, response, next) => {
  if (READS.has(request.method) || isOwn(request)) next()
  else response.status(403).type('text').send('Another site may not write here.')
}

function isOwn(request: Parameters<RequestHandler>[0]): boolean {
  const site = request.get('Sec-Fetch-Site')
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false
  const origin = request.get('Origin')
  if (origin === undefined) return true
  try {
    const { host, protocol } = new URL(origin)
    return host === request.host && protocol === `${request.protocol}:`
  } catch {
    return false // `null`, of a page that hides where it is from
  }
}
