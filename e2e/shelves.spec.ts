import { request as requests } from '@playwright/test'
import { expect, test } from './pages'
import { documentOf, linkIn, PASSWORD, put, send, severalPeople } from './several-people'

/** Shelves of several people: who sees what, who may change it. */

const people = severalPeople()
const { browser, account } = people
test.describe.configure({ mode: 'serial' })
test.beforeAll(() => people.start())
test.afterAll(() => people.stop())

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
  // looking at a link makes nobody a reader; following it does
  expect((await guest.get(`/${link}`, { maxRedirects: 0 })).status()).toBe(200)
  expect((await guest.get(`${at}/given`)).status()).toBe(404)
  expect((await send(guest, `/${link}`, {})).status()).toBe(302)

  const who = { nobody, other, administrator: people.administrator, guest, reader, writer, owner }
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
  const given = await send(guest, `/${link}`, {})
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
    baseURL: people.viga.address,
    extraHTTPHeaders: { Cookie: `viga=${before}` },
  })
  expect((await thief.get('/account')).status()).toBe(401)
})
