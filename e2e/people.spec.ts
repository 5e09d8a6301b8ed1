import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { request as requests, type APIRequestContext } from '@playwright/test'
import { serve, serveOn, type Server } from '../scripts/serve.mjs'
import { expect, ready, test } from './pages'
import { standInProvider, type Claims } from './stand-in-provider'

/** A Viga of several people: who sees what, who may change it, how one becomes somebody. */

let administrator: APIRequestContext
let viga: Server & { databaseUrl: string }
const outbox = mkdtempSync(join(tmpdir(), 'viga-outbox-'))
test.describe.configure({ mode: 'serial' })
test.beforeAll(async () => {
  viga = await serve({ PEOPLE: 'many', OUTBOX: outbox })
  // the first account is the administrator's
  administrator = await account('warden@quince.example')
})
test.afterAll(async () => {
  await viga.stop()
  rmSync(outbox, { recursive: true, force: true })
})

const PASSWORD = 'seven brown otters'

/** A browser of its own. */
const browser = (): Promise<APIRequestContext> =>
  requests.newContext({ baseURL: viga.address, extraHTTPHeaders: { Origin: viga.address } })

const send = (who: APIRequestContext, path: string, form: Record<string, string>) =>
  who.post(path, { form, maxRedirects: 0 })

/** Makes an account in a browser of its own. */
async function account(email: string): Promise<APIRequestContext> {
  const who = await browser()
  const made = await send(who, '/sign-in', {
    intent: 'create',
    email,
    password: PASSWORD,
    name: email.split('@')[0],
  })
  expect(made.status()).toBe(302)
  return who
}

async function put(who: APIRequestContext, title = 'A shared beam'): Promise<string> {
  const demo = readFileSync(join(import.meta.dirname, '../web/database/demo/02-fern-walk.viga.json'), 'utf8')
  const file = JSON.stringify({ ...(JSON.parse(demo) as object), title })
  const made = await who.post('/?index', { multipart: { intent: 'open', file }, maxRedirects: 0 })
  return made.headers().location.replace('/given', '')
}

const documentOf = async (who: APIRequestContext, at: string) =>
  (await (await who.get(`${at}/newer?than=0`)).json()) as { revision: number; problem: { title: string } }

const linkIn = async (who: APIRequestContext, at: string) =>
  /shared\/([\w-]{43})/.exec(await (await who.get(`${at}/sharing`)).text())![0]

test('everybody has a shelf of their own without an account, and sees the examples', async () => {
  const [one, two] = [await browser(), await browser()]
  const at = await put(one, 'Only mine')
  expect(await (await one.get('/')).text()).toContain('Only mine')
  const other = await (await two.get('/')).text()
  expect(other).toContain('Palm house')
  expect(other).not.toContain('Only mine')
  expect((await two.get(`${at}/given`)).status()).toBe(404)
  const cookie = (await one.storageState()).cookies.find((c) => c.name === 'viga')!
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' })
})

test('every address answers each role as it may', async () => {
  const owner = await account('owner@quince.example')
  const at = await put(owner)
  const [reader, writer, other] = [
    await account('reader@quince.example'),
    await account('writer@quince.example'),
    await account('other@quince.example'),
  ]
  const nobody = await browser()
  await send(owner, `${at}/sharing`, { intent: 'person', email: 'reader@quince.example' })
  await send(owner, `${at}/sharing`, { intent: 'person', email: 'writer@quince.example', write: 'true' })
  await send(owner, `${at}/sharing`, { intent: 'link-read' })
  const link = await linkIn(owner, at)
  const guest = await browser()
  expect((await guest.get(`/${link}`, { maxRedirects: 0 })).status()).toBe(302)

  const who = { nobody, other, administrator, guest, reader, writer, owner }
  type Role = keyof typeof who
  /** 1 for each that gets it, in the order of `who`; the others get what follows. */
  const reads: [string, string, number][] = [
    [`${at}/given`, '0001111', 404],
    [`${at}/working`, '0001111', 404],
    [`${at}/results`, '0001111', 404],
    [`${at}/check`, '0001111', 404],
    [`${at}/given.data`, '0001111', 404],
    [`${at}/newer?than=0`, '0001111', 404],
    [`${at}/file`, '0001111', 404],
    [`${at}/figure-as/svg`, '0001111', 404],
    [`${at}/results-as/pdf`, '0001111', 404],
    [`${at}/working-as/markdown`, '0001111', 404],
    [`${at}/marked`, '0001111', 404],
    [`${at}/sharing`, '0000001', 0],
    ['/', '1111111', 0],
    ['/taken-off', '1111111', 0],
    ['/sign-in', '1111111', 0],
    ['/account', '0110111', 401],
    ['/account/file', '0110111', 401],
    ['/house', '0010000', 0],
    ['/shared/nothing', '0000000', 404],
  ]
  for (const [path, may, otherwise] of reads)
    for (const [i, role] of (Object.keys(who) as Role[]).entries()) {
      const status = (await who[role].get(path, { maxRedirects: 0 })).status()
      if (may[i] === '1') expect([path, role, status]).toEqual([path, role, 200])
      else if (otherwise) expect([path, role, status]).toEqual([path, role, otherwise])
      else expect([401, 403, 404], `${path} for ${role}`).toContain(status)
    }

  /** What each role's save does: kept, made a copy of their own, or nothing. */
  const saves: Record<Role, 'kept' | 'copied' | 'nothing'> = {
    nobody: 'nothing',
    other: 'nothing',
    administrator: 'nothing',
    guest: 'copied',
    reader: 'copied',
    writer: 'kept',
    owner: 'kept',
  }
  for (const role of Object.keys(who) as Role[]) {
    const { revision, problem } = await documentOf(owner, at)
    const response = await who[role].post(`${at}/save`, {
      data: { revision, document: { ...problem, title: `by ${role}` } },
    })
    const body = (await response.json()) as { copied?: string }
    const became = body.copied ? 'copied' : response.ok() ? 'kept' : 'nothing'
    expect([role, became]).toEqual([role, saves[role]])
    const now = await documentOf(owner, at)
    expect(now.problem.title).toBe(became === 'kept' ? `by ${role}` : problem.title)
  }
  // on the Shelf: only whose problem it is renames it, takes it off and shares it
  const id = at.split('/')[2]
  for (const role of ['nobody', 'other', 'administrator', 'guest', 'reader', 'writer'] as const) {
    for (const form of [
      { intent: 'delete', id },
      { intent: 'restore', id },
    ]) {
      const response = await send(who[role], '/?index', form)
      expect([role, form.intent, response.status()]).toEqual([role, form.intent, 400])
    }
    const share = await send(who[role], `${at}/sharing`, { intent: 'link-read' })
    expect([role, share.status()]).toEqual([role, 403])
  }
  expect((await send(owner, '/?index', { intent: 'delete', id })).status()).toBe(200)
  expect((await reader.get(`${at}/given`)).status()).toBe(404)
  expect((await send(owner, '/?index', { intent: 'restore', id })).status()).toBe(200)
})

test('a link for copies gives a copy, and a link that was ended gives nothing', async () => {
  const [owner, guest] = [await browser(), await browser()]
  const at = await put(owner, 'For copies')
  await send(owner, `${at}/sharing`, { intent: 'link-copy' })
  const link = await linkIn(owner, at)
  const given = await guest.get(`/${link}`, { maxRedirects: 0 })
  const copy = given.headers().location
  expect(copy).not.toContain(at)
  expect((await guest.get(copy)).status()).toBe(200)
  expect((await owner.get(copy)).status()).toBe(404)
  const page = await (await owner.get(`${at}/sharing.data`)).text()
  const linkId = page.match(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g)!.find((id) => !at.includes(id))
  await send(owner, `${at}/sharing`, { intent: 'end', id: linkId! })
  expect((await (await browser()).get(`/${link}`)).status()).toBe(404)
})

test('what stands on a shelf goes along to an account, new or there already', async () => {
  const who = await browser()
  await put(who, 'Before the account')
  await send(who, '/sign-in', { intent: 'create', email: 'mover@quince.example', password: PASSWORD })
  const elsewhere = await browser()
  await put(elsewhere, 'From another browser')
  const before = (await elsewhere.storageState()).cookies[0].value
  await send(elsewhere, '/sign-in', {
    intent: 'sign-in',
    email: ' Mover@Quince.example ',
    password: PASSWORD,
  })
  const shelf = await (await elsewhere.get('/')).text()
  expect(shelf).toContain('Before the account')
  expect(shelf).toContain('From another browser')
  // the session of before the sign-in is worth nothing any more
  expect((await elsewhere.storageState()).cookies[0].value).not.toBe(before)
  const thief = await requests.newContext({
    baseURL: viga.address,
    extraHTTPHeaders: { Cookie: `viga=${before}` },
  })
  expect((await thief.get('/account')).status()).toBe(401)
})

test('passwords: common ones refused, wrong ones counted, a forgotten one set by a letter', async () => {
  const who = await browser()
  const create = (password: string) =>
    send(who, '/sign-in', { intent: 'create', email: 'heron@quince.example', password })
  for (const [password, why] of [
    ['short', /at least 10/],
    ['password123', /common/],
    ['my heron@quince', /name of the address/],
    ['aaaaaaaaaaaa', /different/],
  ] as const) {
    const response = await create(password)
    expect(response.status()).toBe(400)
    expect(await response.text()).toMatch(why)
  }
  expect((await create(PASSWORD)).status()).toBe(302)
  const stranger = await browser()
  const tryOnce = (email: string, password: string) =>
    send(stranger, '/sign-in', { intent: 'sign-in', email, password })
  // nobody learns which addresses have an account
  const [known, unknown] = [
    await tryOnce('heron@quince.example', 'wrong password'),
    await tryOnce('nobody@quince.example', 'wrong password'),
  ]
  const words = async (answer: typeof known) => (await answer.text()).replace(/nonce="[^"]*"/g, '')
  expect(await words(known)).toBe(await words(unknown))
  for (let i = 0; i < 10; i++) await tryOnce('heron@quince.example', `guess ${i}`)
  expect(await (await tryOnce('heron@quince.example', PASSWORD)).text()).toMatch(/too many tries/)

  await send(stranger, '/sign-in', { intent: 'forgot', email: 'heron@quince.example' })
  await send(stranger, '/sign-in', { intent: 'forgot', email: 'nobody@quince.example' })
  const letters = readdirSync(outbox).filter((n) => n.endsWith('.eml'))
  expect(letters).toHaveLength(1)
  const { text } = JSON.parse(readFileSync(join(outbox, letters[0].replace('.eml', '.json')), 'utf8')) as {
    text: string
  }
  const path = /new-password\/[\w-]{43}/.exec(text)![0]
  const set = (password: string) =>
    send(stranger, `/${path}`, { intent: 'new-password', password, again: password })
  expect((await set('nine green otters')).status()).toBe(302)
  expect((await stranger.get('/account')).status()).toBe(200)
  // the link is good once, and the sessions of before have ended
  expect((await set('ten green otters')).status()).toBe(400)
  expect((await who.get('/account')).status()).toBe(401)
})

test('sessions are listed and ended; an account is exported and deleted with all that is on it', async () => {
  const here = await account('leaver@quince.example')
  const at = await put(here, 'To be exported')
  const there = await browser()
  await send(there, '/sign-in', { intent: 'sign-in', email: 'leaver@quince.example', password: PASSWORD })
  expect((await there.get('/account')).status()).toBe(200)
  await send(here, '/account', { intent: 'end-others' })
  expect((await there.get('/account')).status()).toBe(401)
  const file = (await (await here.get('/account/file')).json()) as {
    person: { email: string }
    problems: { document: { title: string } }[]
  }
  expect(file.person.email).toBe('leaver@quince.example')
  expect(file.problems.map((p) => p.document.title)).toEqual(['To be exported'])
  expect((await send(here, '/account', { intent: 'delete', password: 'wrong' })).status()).toBe(400)
  expect((await send(here, '/account', { intent: 'delete', password: PASSWORD })).status()).toBe(302)
  const again = await browser()
  const signIn = await send(again, '/sign-in', {
    intent: 'sign-in',
    email: 'leaver@quince.example',
    password: PASSWORD,
  })
  expect(signIn.status()).toBe(400)
  expect((await here.get(`${at}/given`)).status()).toBe(404)
})

test('signing in elsewhere makes an account at the first time, and takes over nobody’s', async () => {
  let claims: Claims = { sub: '7', email: 'Pupil@quince.example', email_verified: true, name: 'A pupil' }
  const provider = await standInProvider(() => claims)
  const server = await serveOn(viga.databaseUrl, {
    PEOPLE: 'many',
    OPENID_ISSUER: provider.issuer,
    OPENID_CLIENT: 'viga',
    OPENID_SECRET: 'a secret',
  })
  const elsewhere = () => requests.newContext({ baseURL: server.address })
  const [first, second, other] = [await elsewhere(), await elsewhere(), await elsewhere()]
  const account = async (who: APIRequestContext) => (await who.get('/account')).text()
  expect(await (await first.get('/sign-in')).text()).toContain('account of your school')
  expect((await first.get('/sign-in/elsewhere')).url()).toBe(`${server.address}/`)
  expect(await account(first)).toContain('pupil@quince.example')
  const made = await first.post('/?index', { form: { intent: 'new' }, maxRedirects: 0 })
  await second.get('/sign-in/elsewhere')
  expect((await second.get(made.headers().location)).status()).toBe(200)
  // an address that has an account here stays that account's
  claims = { sub: '8', email: 'warden@quince.example', email_verified: true, name: 'Not the warden' }
  await other.get('/sign-in/elsewhere')
  expect(await account(other)).not.toContain('warden@quince.example')
  expect((await other.get('/house')).status()).toBe(403)
  // what was not begun in this browser ends nowhere
  const stranger = await elsewhere()
  expect((await stranger.get('/sign-in/back?code=code-0&state=x')).status()).toBe(400)
  await server.stop()
  provider.server.close()
})

test('a person makes an account, changes an example into a copy, and signs out', async ({ page }) => {
  await page.goto(viga.address)
  await ready(page)
  await page.getByRole('link', { name: 'Sign in' }).click()
  const form = page.getByRole('region', { name: 'A new account' })
  await form.getByLabel('Your name').fill('Ada Heron')
  await form.getByLabel('E-mail address').fill('ada at quince')
  await form.getByRole('button', { name: 'Make an account' }).click()
  await expect(form.getByText('This is not an e-mail address.')).toBeVisible()
  await form.getByLabel('E-mail address').fill('ada@quince.example')
  await form.getByLabel('Password').fill(PASSWORD)
  await form.getByRole('button', { name: 'Make an account' }).click()
  await page.waitForURL(viga.address)
  await expect(page.getByRole('link', { name: 'Ada Heron' })).toBeVisible()
  await ready(page)
  await page.getByRole('link', { name: /Open Palm house/ }).click()
  await page.waitForURL(/given/)
  const original = page.url()
  await page.getByLabel('value of span').fill('16 m')
  await page.keyboard.press('Enter')
  await expect(page.getByText('This is a copy of your own now')).toBeVisible()
  expect(page.url()).not.toBe(original)
  await expect(page.getByLabel('value of span')).toHaveValue('16 m')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('value of span')).not.toHaveValue('16 m')
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.getByRole('link', { name: 'Ada Heron' }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'You are signed out' })).toBeVisible()
  await page.getByRole('link', { name: 'to the Shelf' }).click()
  await expect(page.getByRole('link', { name: 'Sign in' })).toBeVisible()
})

test('no violation of accessibility on the pages about people, forms with faults, light and dark', async ({
  page,
}) => {
  const check = async () => {
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual(
      [],
    )
  }
  const go = async (path: string) => {
    await page.goto(viga.address + path)
    await ready(page)
  }
  await page.context().addCookies((await administrator.storageState()).cookies)
  const at = await put(administrator, 'Looked at')
  await send(administrator, `${at}/sharing`, { intent: 'link-read' })
  for (const scheme of ['Light', 'Dark']) {
    for (const path of ['/account', '/house', `${at}/sharing`, '/taken-off', '/nowhere']) {
      await page.goto(viga.address + path)
      await page.waitForLoadState('networkidle')
      await check()
    }
    await go('/sign-in')
    await page.getByRole('button', { name: 'Make an account' }).click()
    await expect(page.getByText('The e-mail address is missing.')).toBeVisible()
    await check()
    if (scheme === 'Light') await page.getByRole('button', { name: 'Dark' }).click()
  }
})
