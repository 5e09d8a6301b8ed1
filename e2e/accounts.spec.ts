import AxeBuilder from '@axe-core/playwright'
import { request as requests, type APIRequestContext, type Page } from '@playwright/test'
import { serve, serveOn } from '../scripts/serve.mjs'
import { expect, ready, test } from './pages'
import { PASSWORD, put, send, severalPeople } from './several-people'
import { standInProvider, type Claims } from './stand-in-provider'

/** Accounts: how one becomes somebody, and ceases to be. */

/** All that this browser keeps for the address of the page, as text. */
const keptIn = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result)
        request.onerror = () => reject(new Error('The database of the browser cannot be read.'))
      })
    const kept: unknown[] = [{ ...localStorage }, { ...sessionStorage }]
    for (const { name } of await indexedDB.databases()) {
      const database = await asked(indexedDB.open(name!))
      for (const store of database.objectStoreNames)
        kept.push(await asked(database.transaction(store).objectStore(store).getAll()))
      database.close()
    }
    return JSON.stringify(kept)
  })

const people = severalPeople()
const { browser, account } = people
test.describe.configure({ mode: 'serial' })
test.beforeAll(() => people.start())
test.afterAll(() => people.stop())

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
  expect(people.letters()).toHaveLength(1)
  const path = /new-password\/[\w-]{43}/.exec(people.letters()[0].text)![0]
  const set = (password: string) =>
    send(stranger, `/${path}`, { intent: 'new-password', password, again: password })
  expect((await set('nine green otters')).status()).toBe(302)
  expect((await stranger.get('/account')).status()).toBe(200)
  // the link is good once, and the sessions of before have ended
  expect((await set('ten green otters')).status()).toBe(400)
  expect((await who.get('/account')).status()).toBe(401)
  expect(people.letters()[1]).toMatchObject({
    to: 'heron@quince.example',
    subject: 'The password of your Viga account was changed',
  })
})

test('a password is changed with the current one; the other sessions end, and a letter says so', async () => {
  const here = await account('changer@quince.example')
  const there = await browser()
  const signIn = (password: string) =>
    send(there, '/sign-in', { intent: 'sign-in', email: 'changer@quince.example', password })
  expect((await signIn(PASSWORD)).status()).toBe(302)
  const change = (old: string) =>
    send(here, '/account', { intent: 'password', old, password: 'eight grey otters' })
  expect((await change('not the current one')).status()).toBe(400)
  expect((await there.get('/account')).status()).toBe(200)
  expect((await change(PASSWORD)).status()).toBe(200)
  expect((await here.get('/account')).status()).toBe(200)
  expect((await there.get('/account')).status()).toBe(401)
  expect(people.letters().at(-1)).toMatchObject({ to: 'changer@quince.example' })
  expect((await signIn(PASSWORD)).status()).toBe(400)
  expect((await signIn('eight grey otters')).status()).toBe(302)
})

test('a cookie is worth nothing after signing out; no secret stands in the log', async () => {
  const who = await account('leaves@quince.example')
  const { value } = (await who.storageState()).cookies.find((c) => c.name === 'viga')!
  const thief = await requests.newContext({
    baseURL: people.viga.address,
    extraHTTPHeaders: { Cookie: `viga=${value}` },
  })
  expect((await thief.get('/account')).status()).toBe(200)
  expect((await send(who, '/account', { intent: 'sign-out' })).status()).toBe(302)
  const refused = await thief.get('/account')
  expect(refused.status()).toBe(401)
  const id = refused.headers()['x-request-id']
  await expect.poll(() => people.viga.lines.some((line) => line.includes(id))).toBe(true)
  const log = people.viga.lines.join('\n')
  for (const secret of [value, PASSWORD]) expect(log).not.toContain(secret)
  const lines = people.viga.lines
    .filter((line) => line.startsWith('{'))
    .map((line) => JSON.parse(line) as Record<string, unknown>)
  expect(lines.find((line) => (line.req as { id?: string } | undefined)?.id === id)).toMatchObject({
    req: { url: '/account', from: '127.0.0.1' },
    res: { status: 401 },
  })
  // a write says whose it was
  expect(
    lines.find((line) => (line.req as { url?: string } | undefined)?.url === '/account' && line.person),
  ).toBeTruthy()
})

test('what a person has is never kept on the way: pages, files and the account', async () => {
  const who = await account('private@quince.example')
  const at = await put(who)
  for (const path of [
    '/',
    `${at}/given`,
    `${at}/given.data`,
    `${at}/file`,
    `${at}/working-as/pdf`,
    '/account/file',
  ]) {
    const response = await who.get(path)
    expect([path, response.status(), response.headers()['cache-control']]).toEqual([path, 200, 'no-store'])
  }
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
  const server = await serveOn(people.viga.databaseUrl, {
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

test('where people only sign in elsewhere, the first of them is the administrator', async () => {
  let claims: Claims = { sub: '1', email: 'head@quince.example', email_verified: true, name: 'The head' }
  const provider = await standInProvider(() => claims)
  const server = await serve({
    PEOPLE: 'many',
    OPENID_ISSUER: provider.issuer,
    OPENID_CLIENT: 'viga',
    OPENID_SECRET: 'a secret',
  })
  const elsewhere = () => requests.newContext({ baseURL: server.address })
  const [first, second] = [await elsewhere(), await elsewhere()]
  await first.get('/sign-in/elsewhere')
  claims = { sub: '2', email: 'pupil@quince.example', email_verified: true, name: 'A pupil' }
  await second.get('/sign-in/elsewhere')
  expect((await first.get('/house')).status()).toBe(200)
  expect((await second.get('/house')).status()).toBe(403)
  await server.stop()
  provider.server.close()
})

test('a person makes an account, changes an example into a copy, and signs out', async ({ page }) => {
  await page.goto(people.viga.address)
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
  await page.waitForURL(people.viga.address)
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
  expect(await keptIn(page)).toContain('Palm house')
  await page.getByRole('link', { name: 'Ada Heron' }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'You are signed out' })).toBeVisible()
  await expect.poll(() => keptIn(page)).not.toContain('Palm house')
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
    await page.goto(people.viga.address + path)
    await ready(page)
  }
  await page.context().addCookies((await people.administrator.storageState()).cookies)
  const at = await put(people.administrator, 'Looked at')
  await send(people.administrator, `${at}/sharing`, { intent: 'link-read' })
  for (const scheme of ['Light', 'Dark']) {
    for (const path of ['/account', '/house', `${at}/sharing`, '/taken-off', '/nowhere']) {
      await page.goto(people.viga.address + path)
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
