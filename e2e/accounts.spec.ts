import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { request as requests, type APIRequestContext } from '@playwright/test'
import { serve, serveOn } from '../scripts/serve.mjs'
import { expect, ready, test } from './pages'
import { PASSWORD, put, send, severalPeople } from './several-people'
import { standInProvider, type Claims } from './stand-in-provider'

/** Accounts: how one becomes somebody, and ceases to be. */

const people = severalPeople()
const { browser, account, outbox } = people
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
