import { createServer, type Server } from 'node:http'
import { connect, type AddressInfo } from 'node:net'
import express from 'express'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { boundedBodies, MOST_BODY } from '../../../server/guards/bodies'

let server: Server
let port: number

beforeAll(async () => {
  const app = express()
  app.use(boundedBodies)
  app.use((request, response) => {
    request.on('end', () => response.send('read')).on('error', () => {})
    request.resume()
  })
  server = createServer(app)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  port = (server.address() as AddressInfo).port
})
afterAll(() => void server.close())

/** Sends a head and a body in one go; the whole answer, at its last word or when the connection has ended. */
const send = (head: string, body: Buffer | string) =>
  new Promise<string>((resolve) => {
    let answer = ''
    const socket = connect(port, '127.0.0.1', () => {
      socket.write(`POST / HTTP/1.1\r\nHost: localhost\r\n${head}\r\n\r\n`)
      socket.write(body)
    })
    socket.on('data', (chunk) => {
      answer += String(chunk)
      if (/(kept|read)\.?$/.test(answer)) socket.destroy()
    })
    socket.on('error', () => {})
    socket.on('close', () => resolve(answer))
  })

const chunk = (size: number) => `${size.toString(16)}\r\n${' '.repeat(size)}\r\n`

describe('a body with its length', () => {
  it('is read when it is small', async () => {
    const answer = await send('Connection: close\r\nContent-Length: 5', 'words')
    expect(answer).toMatch(/^HTTP\/1.1 200[^]*read$/)
  })

  it('is refused when it is too large, and whoever sends it sees the answer each time', async () => {
    for (let round = 0; round < 30; round++) {
      const many = Array.from({ length: 4 }, () =>
        send('Content-Length: 629145600', Buffer.alloc(2_000_000, 32)),
      )
      for (const answer of await Promise.all(many))
        expect(answer).toMatch(/^HTTP\/1.1 413[^]*cannot be kept\.$/)
    }
  })

  it('is refused when the length is none', async () => {
    // Node's own reader refuses most of these, ours the lengths no body has
    expect(await send(`Content-Length: ${'9'.repeat(16)}`, 'words')).toMatch(/^HTTP\/1.1 400/)
  })
})

describe('a body in chunks', () => {
  it('is read when it is small', async () => {
    const answer = await send('Connection: close\r\nTransfer-Encoding: chunked', `${chunk(9)}0\r\n\r\n`)
    expect(answer).toMatch(/^HTTP\/1.1 200[^]*read/)
  })

  it('is refused as soon as more has come, and whoever sends it sees the answer each time', async () => {
    const body = Buffer.from(chunk(1_000_000).repeat(Math.ceil(MOST_BODY / 1e6) + 2))
    for (let round = 0; round < 8; round++) {
      expect(await send('Transfer-Encoding: chunked', body)).toMatch(/^HTTP\/1.1 413[^]*cannot be kept\.$/)
    }
  })
})
