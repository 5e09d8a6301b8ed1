import { createServer, request as ask, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import express, { type RequestHandler } from 'express'
import { afterEach, describe, expect, it } from 'vitest'
import { allowedHosts } from '../../../server/guards/hosts'
import { boundedPersons, boundedRates } from '../../../server/guards/rates'

const servers: Server[] = []
afterEach(() => servers.splice(0).forEach((s) => void s.close()))

/** A server with one guard before a page that says the name it was asked under; a way to ask it. */
async function behind(guard: RequestHandler | RequestHandler[], trusted: string[] = []) {
  const app = express()
  app.set('trust proxy', trusted)
  app.use(guard)
  app.use((request, response) => void response.send(`page of ${request.get('Host')}`))
  const server = createServer(app)
  servers.push(server)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return (headers: Record<string, string> = {}, method = 'GET', path = '/') =>
    new Promise<[status: number, text: string]>((resolve, reject) => {
      ask({ host: '127.0.0.1', port, headers, method, path }, (response) => {
        let text = ''
        response.on('data', (chunk) => (text += String(chunk)))
        response.on('end', () => resolve([response.statusCode!, text]))
      })
        .on('error', reject)
        .end()
    })
}

describe('requests of one address', () => {
  it('are answered up to the limit of a minute, then refused with a sentence', async () => {
    const get = await behind(boundedRates(3))
    for (let k = 0; k < 3; k++) expect((await get())[0]).toBe(200)
    expect(await get()).toEqual([429, 'There are too many requests from this address. Please wait a minute.'])
  })

  it('are counted by whom a trusted proxy passes on, and by the proxy where it is not trusted', async () => {
    const from = (address: string) => ({ 'X-Forwarded-For': address })
    const trusting = await behind(boundedRates(1), ['loopback'])
    expect((await trusting(from('203.0.113.1')))[0]).toBe(200)
    expect((await trusting(from('203.0.113.2')))[0]).toBe(200)
    expect((await trusting(from('203.0.113.1')))[0]).toBe(429)
    const wary = await behind(boundedRates(1))
    expect((await wary(from('203.0.113.1')))[0]).toBe(200)
    expect((await wary(from('203.0.113.2')))[0]).toBe(429)
  })
})

describe('what one person asks for', () => {
  const cookie = (letter: string) => ({ Cookie: `viga=${letter.repeat(43)}` })
  it('has a limit of its own, by session, for each sort', async () => {
    const ask = await behind(boundedPersons())
    const report = (who: string) => ask(cookie(who), 'GET', '/problems/p/working-as/pdf')
    for (let k = 0; k < 120; k++) await report('a')
    expect(await report('a')).toEqual([
      429,
      'There are too many reports in this minute. Please wait a moment.',
    ])
    expect((await report('b'))[0]).toBe(200)
    expect((await ask(cookie('a'), 'POST', '/problems/p/save'))[0]).toBe(200)
    expect((await ask(cookie('a')))[0]).toBe(200)
  })
  it('is counted by address where somebody tries to sign in, whatever the cookie', async () => {
    const ask = await behind(boundedPersons())
    for (let k = 0; k < 60; k++) await ask(cookie(String.fromCharCode(97 + (k % 26))), 'POST', '/sign-in')
    expect((await ask(cookie('z'), 'POST', '/sign-in'))[0]).toBe(429)
  })
})

describe('the name a server is asked under', () => {
  const named = { hosts: ['viga.example'], isLocal: false }
  it.each([
    [named, { Host: 'viga.example' }, 200],
    [named, { Host: 'VIGA.example:8080' }, 200],
    [named, { Host: 'other.example' }, 421],
    [{ hosts: [], isLocal: true }, { Host: 'localhost:4780' }, 200],
    [{ hosts: [], isLocal: true }, { Host: '127.0.0.9' }, 200],
    [{ hosts: [], isLocal: true }, { Host: 'viga.example' }, 421],
    [{ hosts: [], isLocal: false }, { Host: 'viga.example' }, 200],
    [{ hosts: [], isLocal: false }, { Host: 'viga.example/path' }, 421],
  ])('%o %o: %i', async (settings, headers, status) => {
    const get = await behind(allowedHosts(settings))
    expect((await get(headers))[0]).toBe(status)
  })

  it('is that which a trusted proxy passes on, and only a trusted one', async () => {
    const passed = { Host: '10.0.0.1', 'X-Forwarded-Host': 'viga.example' }
    const trusting = await behind(allowedHosts(named), ['loopback'])
    expect(await trusting(passed)).toEqual([200, 'page of viga.example'])
    expect((await (await behind(allowedHosts(named)))(passed))[0]).toBe(421)
  })
})
