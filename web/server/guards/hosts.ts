import type { RequestHandler } from 'express'
import type { Settings } from '../settings'

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])$/

/**
 * Answers only under the names this server is known by: a name that somebody else points at it reads and
 * writes nothing.
 */
export function allowedHosts({ hosts, isLocal }: Pick<Settings, 'hosts' | 'isLocal'>): RequestHandler {
  return (request, response, next) => {
    const host = request.get('Host') ?? ''
    const name = request.hostname?.toLowerCase() ?? ''
    const known = hosts.length > 0 ? hosts.includes(name) : !isLocal || LOOPBACK.test(name)
    if (known && /^[\w.:[\]-]+$/.test(host)) {
      // the name the person asked for, as a trusted proxy passed it on: links and forms are of that one
      request.headers.host = request.host
      delete request.headers['x-forwarded-host']
      next()
    } else response.status(421).type('text').send('This server does not answer under that name.')
  }
}
