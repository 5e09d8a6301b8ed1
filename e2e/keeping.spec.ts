import { address, block, expect, newSheet, openCopy, ready, shelf, test } from './pages'

test('every edit is kept: a reload loses nothing', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.getByLabel('value of span').fill('16 m')
  await page.keyboard.press('Enter')
  await expect(block(page, 'Joints').getByText('16 m').first()).toBeVisible()
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('value of span')).toHaveValue('16 m')
})

test('a tab killed before it could send loses nothing', async ({ page, context }) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  await page.route('**/save', (route) => route.abort())
  await page.getByLabel('value of span').fill('18 m')
  await page.keyboard.press('Enter')
  await expect(page.getByText('kept in this browser')).toBeVisible()
  await page.close({ runBeforeUnload: false })
  const next = await context.newPage()
  await next.goto(`${address()}${at}/given`)
  await expect(next.getByLabel('value of span')).toHaveValue('18 m')
  await expect(next.getByText(/^saved /)).toBeVisible()
})

test('a row that is half typed outlives a reload', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.getByLabel('x of a new joint').fill('2*span/3')
  await page.getByLabel('amount of a new load').first().fill('3 kN')
  await page.reload()
  await expect(page.getByLabel('x of a new joint')).toHaveValue('2*span/3')
  await expect(page.getByLabel('amount of a new load').first()).toHaveValue('3 kN')
  await page.getByLabel('y of a new joint').fill('7')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('x of a new joint')).toHaveValue('')
})

test('two tabs: the stale save is refused, both versions stay until one is chosen', async ({
  page,
  context,
}) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  // this tab does not hear of the other before it saves
  await page.route('**/newer?*', (route) => route.abort())
  const other = await context.newPage()
  await other.goto(`${address()}${at}/given`)
  await ready(other)
  await other.getByLabel('value of rise').fill('3 m')
  await other.keyboard.press('Enter')
  await expect(other.getByText(/^saved /)).toBeVisible()
  await page.getByLabel('value of rise').fill('4 m')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('changed elsewhere')
  await expect(page.getByLabel('value of rise')).toHaveValue('4 m')
  await page.getByRole('button', { name: 'Take the other' }).click()
  await expect(page.getByLabel('value of rise')).toHaveValue('3 m')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('value of rise')).toHaveValue('4 m')
  await expect(page.getByText(/^saved /)).toBeVisible()
})

test('an idle window follows what another one saves, and undo takes its change back', async ({
  page,
  context,
}) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  const other = await context.newPage()
  await other.goto(`${address()}${at}/given`)
  await ready(other)
  await other.getByLabel('value of rise').fill('3 m')
  await other.keyboard.press('Enter')
  await expect(other.getByText(/^saved /)).toBeVisible()
  await page.evaluate(() => window.dispatchEvent(new Event('focus')))
  await expect(page.getByLabel('value of rise')).toHaveValue('3 m')
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('value of rise')).not.toHaveValue('3 m')
})

test('a problem file is dropped on a problem page, one that is none is refused there', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'results')
  const drop = (name: string, text: string) =>
    page.evaluate(
      ([fileName, content]) => {
        const dataTransfer = new DataTransfer()
        dataTransfer.items.add(new File([content], fileName, { type: 'application/json' }))
        for (const type of ['dragover', 'drop'])
          document.body.dispatchEvent(new DragEvent(type, { bubbles: true, dataTransfer, cancelable: true }))
      },
      [name, text],
    )
  await drop('notes.json', '{"title": "no problem"}')
  await expect(page.getByText('The file was not opened.')).toBeVisible()
  expect(page.url()).toContain(at)
  const response = await page.request.get(`${address()}${at}/file`)
  await drop('palm.viga.json', (await response.text()).replace('Palm house', 'Dropped house'))
  await page.waitForURL((url) => !url.pathname.startsWith(at) && url.pathname.endsWith('/given'))
  await expect(page.getByText('Dropped house').first()).toBeVisible()
})

test('shelf: open a file, rename, duplicate, take off, put back', async ({ page }) => {
  await newSheet(page)
  const name = `Rose arch ${Date.now()}`
  await page.getByRole('button', { name: 'Untitled problem' }).click()
  await page.getByLabel('Title', { exact: true }).fill(name)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^saved /)).toBeVisible()
  await shelf(page)
  const card = page.locator('.card').filter({ has: page.getByRole('heading', { name, exact: true }) })
  const menu = async (item: string) => {
    await card.hover()
    await card.getByRole('button', { name: /^More for/ }).click()
    await page.getByRole('menuitem', { name: item }).click()
  }
  await menu('Duplicate')
  await expect(page.getByRole('heading', { name: `${name}, copy 1` })).toBeVisible()
  await menu('Take off the Shelf')
  await expect(card).toHaveCount(0)
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(card).toHaveCount(1)
  await menu('Rename')
  await page.getByLabel('Title', { exact: true }).fill(`${name} II`)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: `${name} II`, exact: true })).toBeVisible()
})

test('a problem that is taken off while it is edited can be put back from its page, with the edits', async ({
  page,
}) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  await page.request.post(`${address()}/?index`, { form: { intent: 'delete', id: at.split('/')[2] } })
  await page.getByLabel('value of span').fill('19 m')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('was deleted from the Shelf')
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('value of span')).toHaveValue('19 m')
})

test('what was taken off is listed, and put back from the list', async ({ page }) => {
  const at = await openCopy(page, /Open Fern-walk/, 'given')
  await page.request.post(`${address()}/?index`, { form: { intent: 'delete', id: at.split('/')[2] } })
  await shelf(page)
  await page.getByRole('link', { name: 'Deleted' }).click()
  await page
    .getByRole('button', { name: /^Put Fern-walk footbridge truss back/ })
    .first()
    .click()
  await expect.poll(async () => (await page.request.get(`${address()}${at}/file`)).status()).toBe(200)
})

test('a server that answers with an error is not said to be away', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.route('**/save', (route) => route.fulfill({ status: 507, body: 'no' }))
  await page.getByLabel('value of span').fill('18 m')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Viga answers with error 507; it is tried again by itself.')).toBeVisible()
  await page.unroute('**/save')
  await expect(page.getByText(/^saved /)).toBeVisible()
})

test('a file that is no problem is refused with a sentence and its place', async ({ page }) => {
  await shelf(page)
  const file = (text: string) => ({
    name: 'x.viga.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  })
  await page
    .locator('input[type=file]')
    .setInputFiles(
      file(
        '{"format":"viga-problem","version":1,"title":"t","units":{"length":"m","force":"kN"},' +
          '"kind":"frame","nodes":[{"id":"A","x":"3 kN","y":0}],"members":[]}',
      ),
    )
  await expect(page.getByRole('alert')).toContainText('Expected a length, got a force. (nodes[0].x)')
  await page.locator('input[type=file]').setInputFiles(file('nonsense'))
  await expect(page.getByRole('alert')).toContainText('not valid JSON')
})

test('an address of nothing says so', async ({ page }) => {
  await page.goto(`${address()}/problems/3f2504e0-4f89-41d3-9a0c-0305e82c3301/given`)
  await expect(page.getByText('no such problem on the Shelf')).toBeVisible()
  expect((await page.goto(`${address()}/quince/nowhere`))!.status()).toBe(404)
  await expect(page.locator('main p')).toHaveText('There is no page at this address.')
})

test('dark is remembered', async ({ page }) => {
  await shelf(page)
  await page.getByRole('button', { name: 'Dark' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark')
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark')
})

test('a very large problem comes by itself, not within its page, and is there to be changed', async ({
  page,
}) => {
  await page.goto(address())
  const junk = Array.from({ length: 8000 }, (_, i) => ({
    i,
    words: 'kept by another version of Viga '.repeat(2),
  }))
  const response = await page.request.post(`${address()}/?index`, {
    multipart: {
      intent: 'open',
      file: JSON.stringify({
        format: 'viga-problem',
        version: 1,
        title: 'With much beside it',
        units: { length: 'm', force: 'kN' },
        kind: 'frame',
        nodes: [{ id: 'A', x: 0, y: 0 }],
        members: [],
        view: { junk },
      }),
    },
    maxRedirects: 0,
  })
  const at = response.headers().location
  const html = await (await page.request.get(`${address()}${at}`)).text()
  expect(html).not.toContain('another version of Viga')
  await page.goto(`${address()}${at}`)
  await expect(page.getByRole('heading', { name: 'With much beside it' })).toBeVisible()
  await expect(page.getByLabel('x of A', { exact: true })).toHaveValue('0')
})
