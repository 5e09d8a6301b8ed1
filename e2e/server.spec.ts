import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { request as ask } from 'node:http'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type APIRequestContext } from '@playwright/test'
import { connect as connectDatabase } from '../scripts/migrate.mjs'
import { serve, serveOn, type Served } from '../scripts/serve.mjs'

/** Trials of the server itself: what it refuses, what it survives, what it promises. */

/** Whose the examples are. */
const HOUSE = '00000000-0000-4000-8000-000000000001'

/** A script of a build before this one, which a page that was opened then asks for. */
const EARLIER = 'export const before = true // '.repeat(100)

let viga: Served
let earlier: string
test.beforeAll(async () => {
  earlier = mkdtempSync(join(tmpdir(), 'viga-assets-'))
  writeFileSync(join(earlier, 'page-of-before.js'), EARLIER)
  viga = await serve({ LOG_LEVEL: 'info', EARLIER_ASSETS: earlier })
})
test.afterAll(async () => {
  await viga.stop()
  rmSync(earlier, { recursive: true })
})

const statement = (title: string) => ({
  format: 'viga-problem',
  version: 1,
  title,
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  nodes: [],
  members: [],
})

/** Puts a problem on the Shelf; returns its address. */
async function put(request: APIRequestContext, address: string, title: string): Promise<string> {
  const response = await request.post(`${address}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(statement(title)) },
    maxRedirects: 0,
  })
  return response.headers().location.replace('/given', '')
}

const save = (request: APIRequestContext, address: string, at: string, revision: number, title: string) =>
  request.post(`${address}${at}/save`, { data: { revision, document: statement(title) } })

const fileOf = async (request: APIRequestContext, address: string, at: string) =>
  (await (await request.get(`${address}${at}/file`)).json()) as { title: string }

/** Sends bytes as they are; the first line of the answer. */
const raw = (address: string, text: string, more?: Buffer) =>
  new Promise<string>((resolve) => {
    const { hostname, port } = new URL(address)
    let answer = ''
    const socket = connect(Number(port), hostname, () => {
      socket.write(text)
      if (more) socket.write(more)
    })
    socket.on('data', (chunk) => (answer += String(chunk)))
    socket.on('error', () => {})
    socket.on('close', () => resolve(answer.split('\r\n')[0]))
  })

test('what cannot be meant is refused with its reason, and never by an error of the server', async ({
  request,
}) => {
  const at = await put(request, viga.address, 'asked badly')
  const form = { 'Content-Type': 'application/x-www-form-urlencoded' }
  const tries: [string, string, number, { data?: string; headers?: Record<string, string> }?][] = [
    ['GET', '/%E0%A4%A', 404],
    ['GET', '/assets/%2e%2e/%2e%2e/server/index.js', 404],
    ['GET', '/problems/x/given', 404],
    ['GET', `${at}/newer?than=soon`, 400],
    ['GET', `${at}/figure-as/svg?size=1e99`, 400],
    ['GET', `${at}/save`, 405],
    ['GET', '/?page=1e308&kind=none', 200],
    ['POST', `${at}/save`, 400, { data: '{' }],
    ['POST', `${at}/save`, 400, { data: 'null' }],
    ['POST', `${at}/save`, 400, { data: '{"revision":1e400,"document":{}}' }],
    ['POST', `${at}/save`, 400, { data: '['.repeat(1_000_000) }],
    ['POST', '/?index', 400, { data: 'x', headers: { 'Content-Type': 'multipart/form-data' } }],
    ['POST', '/?index', 400, { data: 'intent=burn', headers: form }],
    ['POST', '/', 405, { data: 'intent=new', headers: form }],
    ['PUT', '/', 405, { data: 'x' }],
    ['DELETE', at, 405],
    // another site, or another name that points here
    [
      'POST',
      `${at}/save`,
      403,
      { data: '{}', headers: { 'Content-Type': 'text/plain', Origin: 'http://quince.example' } },
    ],
    ['POST', `${at}/save`, 403, { data: '{}', headers: { 'Sec-Fetch-Site': 'cross-site' } }],
    ['POST', '/?index', 403, { data: 'intent=new', headers: { ...form, Origin: 'null' } }],
    ['GET', '/', 421, { headers: { Host: 'quince.example' } }],
  ]
  for (const [method, path, status, options] of tries) {
    const response = await request.fetch(viga.address + path, { method, maxRedirects: 0, ...options })
    expect([method, path, response.status()]).toEqual([method, path, status])
    expect(await response.text()).not.toMatch(/Unexpected Server Error|at .*\.js/)
  }
})

test('a body that is too large is refused before it is read, or as soon as more has come', async () => {
  const head = (more: string) => `POST /?index HTTP/1.1\r\nHost: localhost\r\n${more}\r\n\r\n`
  const large = await raw(viga.address, head('Content-Length: 629145600'), Buffer.alloc(2_000_000, 32))
  expect(large).toContain('413')
  const chunk = (size: number) => `${size.toString(16)}\r\n${' '.repeat(size)}\r\n`
  const chunked = head('Content-Type: multipart/form-data; boundary=x\r\nTransfer-Encoding: chunked')
  expect(await raw(viga.address, chunked, Buffer.from(chunk(1_000_000).repeat(26)))).toContain('413')
  expect(
    await raw(
      viga.address,
      chunked.replace('Host', 'Connection: close\r\nHost'),
      Buffer.from(`${chunk(9)}0\r\n\r\n`),
    ),
  ).toContain('400')
  expect(await raw(viga.address, 'NONSENSE\r\n\r\n')).toContain('400')
})

test('answers forbid what a page does not need; each page has a nonce of its own', async ({ request }) => {
  const [one, two] = [await request.get(viga.address), await request.get(viga.address)]
  const headers = one.headers()
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'cache-control': 'no-store',
  })
  const nonce = /script-src 'self' 'nonce-([^']+)'/.exec(headers['content-security-policy'])![1]
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'")
  expect(headers['content-security-policy']).not.toMatch(/script-src[^;]*unsafe/)
  expect(two.headers()['content-security-policy']).not.toContain(nonce)
  const scripts = (await one.text()).match(/<script[^>]*>/g)!
  expect(scripts.length).toBeGreaterThan(2)
  for (const script of scripts) expect(script).toContain(`nonce="${nonce}"`)
  expect(headers['strict-transport-security']).toBeUndefined()
})

test('scripts of an earlier build are still given; what is long is sent compressed', async ({ request }) => {
  const script = readdirSync(join(import.meta.dirname, '../web/build/client/assets')).find((f) =>
    f.endsWith('.js'),
  )!
  const sent = async (name: string) => {
    const response = await request.get(`${viga.address}/assets/${name}`)
    return { status: response.status(), text: await response.text(), headers: response.headers() }
  }
  expect(await sent('page-of-before.js')).toMatchObject({ status: 200, text: EARLIER })
  for (const name of [script, 'page-of-before.js'])
    expect((await sent(name)).headers['cache-control']).toContain('immutable')
  expect((await sent('page-of-before.js')).headers['content-encoding']).toMatch(/^(br|gzip)$/)
  expect((await sent('never-was.js')).status).toBe(404)
  const encoded = /^(br|gzip)$/
  const at = await put(request, viga.address, 'sent compressed')
  const page = await request.get(`${viga.address}${at}/given`)
  expect(page.headers()['content-encoding']).toMatch(encoded)
  expect(await page.text()).toContain('sent compressed')
  const answer = await save(request, viga.address, at, 1, 'sent as it is')
  expect(answer.status()).toBe(200)
  expect(answer.headers()['content-encoding']).toBeUndefined()
})

test('reports of the examples are those that were made with the build', async ({ request }) => {
  const folder = join(import.meta.dirname, '../web/build/server/examples')
  const made = readdirSync(folder).map((file) => readFileSync(join(folder, file)))
  const database = await connectDatabase(viga.databaseUrl)
  const [rows] = (await database.query(`SELECT id, document FROM problems WHERE owner = '${HOUSE}'`)) as [
    { id: string; document: string }[],
    unknown,
  ]
  await database.end()
  expect(rows).toHaveLength(20)
  for (const { id, document } of rows) {
    const { loadCases } = JSON.parse(document) as { loadCases: { id: string }[] }
    const first = encodeURIComponent(loadCases[0].id)
    for (const query of ['', `?case=${first}`]) {
      const pdf = await request.get(`${viga.address}/problems/${id}/working-as/pdf${query}`)
      expect(pdf.headers()['content-type']).toBe('application/pdf')
      const body = await pdf.body()
      expect(made.some((file) => file.equals(body))).toBe(true)
    }
  }
})

test('behind a proxy that ends TLS, pages are written to, and ask for TLS from then on', async ({
  request,
}) => {
  const server = await serveOn(viga.databaseUrl, {
    PEOPLE: 'many',
    LOG_LEVEL: 'info',
    TRUSTED_PROXIES: '1',
    ALLOWED_HOSTS: 'viga.quince.example',
  })
  const headers = {
    'X-Forwarded-Proto': 'https',
    'X-Forwarded-Host': 'viga.quince.example',
    'X-Forwarded-For': '192.0.2.7',
    Origin: 'https://viga.quince.example',
  }
  const made = await request.post(`${server.address}/?index`, {
    form: { intent: 'new' },
    headers,
    maxRedirects: 0,
  })
  expect(made.status()).toBe(302)
  expect(made.headers()['strict-transport-security']).toContain('max-age=31536000')
  expect(made.headers()['set-cookie']).toMatch(/^viga=[\w-]{43};.*Path=\/;.*HttpOnly; Secure; SameSite=Lax$/)
  const id = made.headers()['x-request-id']
  await expect.poll(() => server.lines.find((line) => line.includes(id))).toContain('"from":"192.0.2.7"')
  const plain = await request.post(`${server.address}/?index`, {
    form: { intent: 'new' },
    headers: { ...headers, Origin: 'http://viga.quince.example' },
  })
  expect(plain.status()).toBe(403)
  expect((await request.get(server.address)).status()).toBe(421)
  await server.stop()
})

test('each write leaves a line in the log with its id, without what was written', async ({ request }) => {
  const at = await put(request, viga.address, 'a secret of the quince')
  const response = await save(request, viga.address, at, 1, 'another secret of the quince')
  const id = response.headers()['x-request-id']
  await expect.poll(() => viga.lines.find((line) => line.includes(id))).toBeTruthy()
  expect(JSON.parse(viga.lines.find((line) => line.includes(id))!)).toMatchObject({
    msg: 'write',
    req: { id, method: 'POST', url: `${at}/save` },
    res: { status: 200 },
  })
  expect(viga.lines.join('\n')).not.toContain('secret of the quince')
})

test('what was acknowledged is there after the server was killed in the midst of saves', async ({
  request,
}) => {
  let server = await serveOn(viga.databaseUrl)
  for (let round = 0; round < 3; round++) {
    const problems = await Promise.all(
      Array.from({ length: 6 }, (_, i) => put(request, server.address, `killed ${round} ${i}`)),
    )
    const acknowledged = problems.map(() => 'nothing')
    let running = true
    const writers = problems.map(async (at, i) => {
      for (let revision = 1; running; revision++) {
        const title = `killed ${round} ${i} ${revision}`
        const response = await save(request, server.address, at, revision, title).catch(() => undefined)
        if (!response?.ok()) return
        acknowledged[i] = title
      }
    })
    await expect.poll(() => acknowledged.every((title) => title !== 'nothing')).toBe(true)
    server.process.kill('SIGKILL')
    running = false
    await Promise.all(writers)
    server = await serveOn(viga.databaseUrl)
    for (const [i, at] of problems.entries()) {
      const { title } = await fileOf(request, server.address, at)
      // the last acknowledged one, or the one whose answer was cut off
      expect(Number(title.split(' ')[3])).toBeGreaterThanOrEqual(Number(acknowledged[i].split(' ')[3]))
    }
  }
  await server.stop()
})

test('asked to end, it finishes what is under way and ends well in under a second', async ({ request }) => {
  const server = await serveOn(viga.databaseUrl)
  const at = await put(request, server.address, 'under way')
  const pending = save(request, server.address, at, 1, 'kept at the end')
  const ended = new Promise((resolve) => server.process.once('exit', resolve))
  const since = Date.now()
  await pending
  server.process.kill('SIGTERM')
  expect(await ended).toBe(0)
  expect(Date.now() - since).toBeLessThan(5_000) // no measurement: it does not wait for its kept connections
  expect((await fileOf(request, viga.address, at)).title).toBe('kept at the end')
})

test('wrong settings are named, and nothing starts', async () => {
  await expect(serveOn('postgres://nowhere', { PEOPLE: 'some' })).rejects.toThrow(/ended \(2\)/)
})

test('a row that somebody holds stalls nobody else, and its save comes again later', async ({ request }) => {
  const [held, free] = [await put(request, viga.address, 'held'), await put(request, viga.address, 'free')]
  const db = await connectDatabase(viga.databaseUrl)
  await db.query('START TRANSACTION')
  await db.query('SELECT id FROM problems WHERE id = ? FOR UPDATE', [held.split('/')[2]])
  const waiting = Promise.all(
    Array.from({ length: 12 }, () => save(request, viga.address, held, 1, 'changed while held')),
  )
  for (let revision = 1; revision <= 5; revision++)
    expect((await save(request, viga.address, free, revision, `free ${revision}`)).status()).toBe(200)
  await db.query('ROLLBACK')
  await db.end()
  const statuses = (await waiting).map((r) => r.status())
  expect(statuses.filter((s) => s === 200)).toHaveLength(1)
  expect(statuses.every((s) => [200, 409, 503].includes(s))).toBe(true)
})

test('a database that is silent is said to be, at once to whoever comes next, and goes on', async ({
  request,
}) => {
  const own = await serve()
  const at = await put(request, own.address, 'before the silence')
  process.kill(own.databasePid(), 'SIGSTOP')
  const ready = () => request.get(`${own.address}/ready`)
  expect((await ready()).status()).toBe(503)
  const page = await request.get(`${own.address}${at}/given`)
  expect(page.status()).toBe(503)
  expect(await page.text()).toContain('cannot be reached just now')
  expect((await request.get(`${own.address}/health`)).status()).toBe(200)
  process.kill(own.databasePid(), 'SIGCONT')
  await expect.poll(async () => (await ready()).status()).toBe(200)
  // and one that is killed is started anew, with all that was acknowledged
  await save(request, own.address, at, 1, 'before the kill')
  process.kill(own.databasePid(), 'SIGKILL')
  await expect
    .poll(async () => (await ready().catch(() => undefined))?.status(), { timeout: 30_000 })
    .toBe(200)
  expect((await fileOf(request, own.address, at)).title).toBe('before the kill')
  await own.stop()
})

test('two servers on one database see each other’s saves, and one of two at once is refused', async ({
  request,
}) => {
  // of several hosts of a database, the first that answers is taken
  const other = await serveOn(viga.databaseUrl.replace('@', '@127.0.0.1:9,'))
  const at = await put(request, viga.address, 'on two machines')
  expect((await save(request, other.address, at, 1, 'from the other')).ok()).toBe(true)
  expect((await fileOf(request, viga.address, at)).title).toBe('from the other')
  const both = await Promise.all([
    save(request, viga.address, at, 2, 'from here'),
    save(request, other.address, at, 2, 'from there'),
  ])
  expect(both.map((r) => r.status()).sort()).toEqual([200, 409])
  await other.stop()
})

test('a request that is given up gives its work up, and others are answered meanwhile', async ({
  request,
}) => {
  const response = await request.get(`${viga.address}/health`)
  expect(await response.text()).toBe('alive')
  const demo = readFileSync(join(import.meta.dirname, '../web/database/demo/01-palm-house.viga.json'), 'utf8')
  const made = await request.post(`${viga.address}/?index`, {
    multipart: { intent: 'open', file: demo },
    maxRedirects: 0,
  })
  const at = viga.address + made.headers().location.replace('/given', '')
  const given = ask(`${at}/working-as/pdf`)
  given.on('error', () => {})
  given.end()
  given.destroy()
  expect((await request.get(`${viga.address}/ready`)).status()).toBe(200)
  const again = await request.get(`${at}/working-as/markdown`)
  expect(await again.text()).toContain('Palm house')
})

test('of many pages at once some are left to the browser; afterwards the server draws again', async ({
  request,
}) => {
  const at = `${viga.address}${await put(request, viga.address, 'asked by many')}/given`
  const isDrawn = async () => {
    const response = await request.get(at)
    expect(response.status()).toBe(200)
    const page = await response.text()
    expect(page).toContain('asked by many')
    return !page.includes('The problem is being drawn')
  }
  const drawn = await Promise.all(Array.from({ length: 30 }, isDrawn))
  expect(drawn).toContain(false)
  // those that nobody waits for count no longer, too
  for (let k = 0; k < 6; k++) {
    const given = ask(at)
    given.on('error', () => {})
    given.end()
    given.destroy()
  }
  await expect.poll(isDrawn).toBe(true)
})
