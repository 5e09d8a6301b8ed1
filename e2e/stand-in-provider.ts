import { createSign, generateKeyPairSync } from 'node:crypto'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'

/** Whom the provider signs in next. */
export interface Claims {
  sub: string
  email?: string
  email_verified?: boolean
  name?: string
}

const { publicKey, privateKey } = generateKeyPairSync('rsa', { modulusLength: 2048 })
const part = (value: object) => Buffer.from(JSON.stringify(value)).toString('base64url')

function signed(payload: object): string {
  const text = `${part({ alg: 'RS256', kid: 'one' })}.${part(payload)}`
  return `${text}.${createSign('RSA-SHA256').update(text).sign(privateKey).toString('base64url')}`
}

/**
 * A provider of OpenID Connect that signs everybody in at once, for tests: discovery, the code flow and its
 * keys. Source: OpenID Connect Core 1.0, section 3.1.
 */
export async function standInProvider(claims: () => Claims): Promise<{ issuer: string; server: Server }> {
  const nonces = new Map<string, string>()
  const server = createServer((request, response) => {
    const url = new URL(request.url!, issuer)
    const json = (body: object) => {
      response.setHeader('Content-Type', 'application/json')
      response.end(JSON.stringify(body))
    }
    switch (url.pathname) {
      case '/.well-known/openid-configuration':
        return json({
          issuer,
          authorization_endpoint: `${issuer}/authorize`,
          token_endpoint: `${issuer}/token`,
          jwks_uri: `${issuer}/keys`,
          response_types_supported: ['code'],
          subject_types_supported: ['public'],
          id_token_signing_alg_values_supported: ['RS256'],
          code_challenge_methods_supported: ['S256'],
        })
      case '/keys':
        return json({
          keys: [{ ...publicKey.export({ format: 'jwk' }), kid: 'one', alg: 'RS256', use: 'sig' }],
        })
      case '/authorize': {
        const code = `code-${nonces.size}`
        nonces.set(code, url.searchParams.get('nonce')!)
        const back = new URL(url.searchParams.get('redirect_uri')!)
        back.searchParams.set('code', code)
        back.searchParams.set('state', url.searchParams.get('state')!)
        response.writeHead(302, { Location: back.href })
        return response.end()
      }
      case '/token': {
        let text = ''
        request.on('data', (chunk) => (text += String(chunk)))
        request.on('end', () => {
          const nonce = nonces.get(new URLSearchParams(text).get('code') ?? '')
          const now = Math.floor(Date.now() / 1000)
          const payload = { iss: issuer, aud: 'viga', iat: now, exp: now + 300, nonce, ...claims() }
          json({ access_token: 'none', token_type: 'Bearer', id_token: signed(payload) })
        })
        return
      }
      default:
        response.statusCode = 404
        response.end()
    }
  })
  let issuer = ''
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  issuer = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return { issuer, server }
}
