import { randomBytes } from 'node:crypto'
import type { RequestHandler, Response } from 'express'
import helmet from 'helmet'

/** The nonce of an answer: scripts that stand in its page carry it, no other script runs. */
export const nonceOf = (response: Response): string =>
  (response.locals.nonce ??= randomBytes(16).toString('base64')) as string

const YEAR = 365 * 24 * 3600

/** What an answer tells the browser to forbid. */
export function securityHeaders(): RequestHandler {
  const headers = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", (_, response) => `'nonce-${nonceOf(response as Response)}'`],
        // typeset formulas and MUI place things by style attributes
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    referrerPolicy: { policy: 'same-origin' },
    strictTransportSecurity: false,
  })
  return (request, response, next) => {
    // only an answer that came through TLS may ask for TLS from now on
    if (request.secure) response.setHeader('Strict-Transport-Security', `max-age=${YEAR}; includeSubDomains`)
    response.setHeader('Permissions-Policy', 'camera=(), geolocation=(), microphone=(), payment=(), usb=()')
    // the browser tells the colours of its system from now on, so that a page arrives in them
    response.setHeader('Accept-CH', 'Sec-CH-Prefers-Color-Scheme')
    headers(request, response, next)
  }
}
