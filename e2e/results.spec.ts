import { readFileSync } from 'node:fs'
import { AxeBuilder } from '@axe-core/playwright'
import { tower } from '../scripts/bench/tower'
import { block, expect, jointAt, openCopy, ready, address, test } from './pages'

test('a value at a place of a member, from its page, and by pointing at the Figure', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results/member/BC')
  await page.getByLabel('place to read').fill('2.35 m')
  await expect(page.locator('[data-reading="M"]')).toContainText('−5.069')
  await expect(page.locator('.apexcharts-canvas')).toHaveCount(5)
  // the axis below the last chart has round numbers up to the end of BC, 7.69 m long
  await expect
    .poll(() => page.locator('.apexcharts-xaxis-label tspan').allTextContents())
    .toEqual(['0', '2', '4', '6', '8'])
  await page.keyboard.press('Escape')
  await page.getByLabel('place to read').blur()
  await page.keyboard.press('.')
  await expect(page.getByRole('heading', { name: /^CD/ })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: /^BC/ })).toBeVisible()
  const [B, C] = [await jointAt(page, 'B'), await jointAt(page, 'C')]
  await page.mouse.move(B[0] + 0.5 * (C[0] - B[0]), B[1] + 0.5 * (C[1] - B[1]))
  await expect(page.locator('.probe').filter({ hasText: 'BC' })).toContainText('7.1')
})

test('a reading is kept with the problem and outlives a reload', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'results')
  await page.getByLabel('member to read').selectOption('BC')
  await page.getByLabel('place to read').fill('L')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.locator('.probe.kept')).toContainText('15.03')
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.goto(`${address()}${at}/results`)
  await ready(page)
  await expect(page.getByRole('table', { name: 'Kept readings' })).toContainText('15.03')
})

test('the governing combination of a column, drawn and in the table', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results/envelope')
  await expect(page.getByRole('table', { name: 'Extremes' })).toContainText('−113.8')
  await expect(
    page
      .locator('.figure text')
      .filter({ hasText: /^113\.8U1$/ })
      .first(),
  ).toBeVisible()
  await page.getByRole('checkbox', { name: '1.35 G + 1.5 S' }).click()
  await expect(page.locator('.figure text').filter({ hasText: /^113\.8/ })).toHaveCount(0)
})

test('the envelope is drawn by its key beside any view, without the reactions of one case', async ({
  page,
}) => {
  await openCopy(page, /Open Palm house/, 'results')
  const figure = page.locator('.figure')
  await expect(figure.getByText('6.645').first()).toBeVisible()
  await page.keyboard.press('e')
  await expect(page.locator('.figure-caption')).toContainText('Envelope of bending moments')
  await expect(figure.getByText('113.8').first()).toBeVisible()
  await expect(figure.locator('[data-diagram] [stroke-dasharray]').first()).toBeAttached()
  await expect(figure.getByText('6.645')).toHaveCount(0)
  await page.keyboard.press('v')
  await expect(page.locator('.figure-caption')).toContainText('Envelope of shear')
  await expect(figure.locator('[data-diagram] [stroke-dasharray]').first()).toBeAttached()
  await page.keyboard.press('e')
  await expect(figure.getByText('6.645').first()).toBeVisible()
  await expect(figure.getByText('113.8')).toHaveCount(0)
})

test('a truss with rigid joints beside the pinned one', async ({ page }) => {
  await openCopy(page, /Open Fern-walk/, 'results/compare')
  await page.getByLabel('compare with').selectOption('rigid')
  const row = block(page, 'Members').getByRole('row', { name: /^L0L1 N / })
  await expect(row).toContainText('6.396')
  await expect(row).toContainText('6.434')
  await expect(row).toContainText('0.601')
})

test('a statement that was kept is compared with what it became', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'results/compare')
  await page.getByRole('button', { name: 'Keep the statement as it is now' }).click()
  await expect(page.getByText('1 kept in this browser')).toBeVisible()
  await page.goto(`${address()}${at}/given`)
  await ready(page)
  await page.getByLabel('value of span').fill('16 m')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Alt+3')
  await page.getByRole('link', { name: 'Compare' }).click()
  await expect(page.getByText('1 kept in this browser')).toBeVisible()
  const kept = page.getByLabel('compare with')
  await kept.selectOption({ label: (await kept.locator('option').last().textContent())! })
  await expect(block(page, 'Reactions').getByRole('row', { name: /^A Ry/ })).toContainText('21.67')
})

test('a cut drawn across the Figure parts it, and its equations come to zero', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results')
  const [B, C] = [await jointAt(page, 'B'), await jointAt(page, 'C')]
  await page.getByRole('link', { name: 'Free body' }).click()
  await page.getByRole('button', { name: 'A cut' }).click()
  await expect(page.locator('.cut-line')).toBeAttached()
  const x = B[0] + 0.5 * (C[0] - B[0])
  await page.mouse.move(x, C[1] - 60)
  await page.mouse.down()
  await page.mouse.move(x, C[1], { steps: 4 })
  await page.mouse.move(x, B[1] + 160, { steps: 4 })
  await page.mouse.up()
  const part = block(page, 'The part left of the cut')
  await expect(part.locator('[data-equation="Fx"]')).toContainText('= 0 kN')
  await expect(part.locator('[data-equation="M"]')).toContainText('= 0 kN·m')
  // moments about the joint that is pressed
  await page.mouse.click(B[0], B[1])
  await expect(page.getByLabel('moments about')).toHaveValue('B')
  await page.getByRole('button', { name: 'The other part' }).click()
  await expect(block(page, 'The part right of the cut')).toBeVisible()
})

test('tables as CSV and XLSX files, the Figure as SVG, PNG and PDF, a report', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'results/tables')
  const saved = async (click: () => Promise<void>) => {
    const [download] = await Promise.all([page.waitForEvent('download'), click()])
    return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) }
  }
  const csv = await saved(() => page.getByRole('button', { name: 'CSV file' }).click())
  expect(csv.name).toBe('palm-house-pitched-portal-frame-reactions.csv')
  const [head, first] = csv.bytes.toString().split('\r\n')
  expect(head).toBe('Joint,x (kN),y (kN),moment (kN·m)')
  expect(Number(first.split(',')[1])).toBeCloseTo(6.6446, 3)
  const xlsx = await saved(() => page.getByRole('button', { name: /XLSX/ }).click())
  expect(xlsx.bytes.subarray(0, 2).toString()).toBe('PK')
  await page.getByRole('link', { name: 'Export' }).click()
  const png = await saved(() => page.getByRole('button', { name: 'PNG' }).click())
  expect(png.bytes.subarray(1, 4).toString()).toBe('PNG')
  const svg = await saved(() => page.getByRole('link', { name: 'SVG' }).click())
  expect(svg.bytes.toString()).toContain('34.55')
  for (const [file, query] of [
    ['figure-as/pdf', 'show=all&case=G'],
    ['results-as/pdf', 'case=U1&parts=reactions,extremes'],
  ]) {
    const response = await page.request.get(`${address()}${at}/${file}?${query}`)
    expect((await response.body()).subarray(0, 4).toString()).toBe('%PDF')
  }
  expect((await page.request.get(`${address()}${at}/figure-as/gif`)).status()).toBe(404)
  expect((await page.request.get(`${address()}${at}/results-as/pdf?case=none`)).status()).toBe(404)
})

test('diagrams together, zeros, the other side, and the deflected shape at a scale', async ({ page }) => {
  await openCopy(page, /Open Bog boardwalk/, 'results')
  await page.keyboard.press('k')
  await expect(page.locator('.figure-caption')).toContainText('Axial force and shear')
  await expect(page.locator('.figure text').filter({ hasText: /^V ?kip/ })).toBeVisible()
  await page.keyboard.press('v')
  await page.keyboard.press('z')
  await expect(page.locator('.figure text').filter({ hasText: /^5\.50 ft$/ })).toBeVisible()
  await page.keyboard.press('m')
  await page.getByRole('button', { name: 'Sign convention' }).click()
  await page.getByRole('radio', { name: 'on the side in compression' }).click()
  await page.keyboard.press('Escape')
  await expect(page.locator('.figure-caption')).toContainText('on the side in compression')
  await page.keyboard.press('y')
  const scale = page.getByRole('slider', { name: 'Scale of the deflected shape' })
  await scale.focus()
  await page.keyboard.press('Home')
  await expect(page.locator('.figure-caption')).toContainText('1 times enlarged')
})

const VIEWS = ['', '/member/BC', '/tables', '/envelope', '/free-body', '/stress', '/compare', '/export']

for (const scheme of ['Light', 'Dark'] as const)
  test(`every view of the Results passes the accessibility check: ${scheme}`, async ({ page }) => {
    const at = await openCopy(page, /Open Palm house/, 'results')
    if (scheme === 'Dark') await page.getByRole('button', { name: 'Dark' }).click()
    for (const view of VIEWS) {
      await page.goto(`${address()}${at}/results${view}`)
      await ready(page)
      await expect(page.getByRole('navigation', { name: 'Views of the results' })).toBeVisible()
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(violations.map((v) => `${view} ${v.id}: ${v.nodes[0].html}`)).toEqual([])
    }
  })

test('diagrams of a large frame lie ready, and each is seen alone', async ({ page }) => {
  const [storeys, bays] = [12, 18]
  const made = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify({ ...tower(storeys, bays), title: 'A large frame' }) },
    maxRedirects: 0,
  })
  await page.goto(address() + made.headers().location.replace('/given', '/results'))
  await ready(page)
  const seen = page.locator('.figure [data-diagram]')
  const unseen = page.locator('.figure .unseen')
  await expect(unseen).toHaveCount(2)
  const drawn = () => seen.locator('path').first().getAttribute('d')
  const caption = page.locator('.figure-caption')
  await expect(caption).toContainText('Bending moments')
  const M = await drawn()
  const others = await Promise.all(
    (await unseen.all()).map((g) => g.locator('path').first().getAttribute('d')),
  )
  expect(new Set([M, ...others]).size).toBe(3)
  for (const [key, name] of [
    ['v', 'Shear'],
    ['n', 'Axial forces'],
  ]) {
    await page.keyboard.press(key)
    await expect(caption).toContainText(name)
    await expect(seen).toHaveCount(1)
    await expect(unseen).toHaveCount(2)
    await expect(seen).toHaveCSS('opacity', '1')
    for (const g of await unseen.all()) await expect(g).toHaveCSS('opacity', '0')
    expect(others).toContain(await drawn())
  }
  await page.keyboard.press('m')
  await expect(caption).toContainText('Bending moments')
  expect(await drawn()).toBe(M)
  // what the reactions come to: 15 kN from each floor, 20 kN/m on 6 m of each beam
  await page.getByRole('link', { name: 'Tables', exact: true }).click()
  const sum = page.getByRole('row', { name: /^Sum / })
  await expect(sum.getByRole('cell', { name: '−180.0' })).toBeVisible()
  await expect(sum.getByRole('cell', { name: '25\u2009920' })).toBeVisible()
})
