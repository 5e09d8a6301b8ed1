import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { address, block, expect, jointAt, newSheet, openCopy, ready, shelf, test } from './pages'

test('results: reactions, values at a place, another case, the deflected shape', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results')
  await expect(page.locator('[data-reaction="A"]')).toContainText('6.645')
  await expect(
    page
      .locator('.figure text')
      .filter({ hasText: /^34\.55$/ })
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: '1.35 G + 1.5 S' }).click()
  await expect(page.locator('[data-reaction="A"]')).toContainText('21.88')
  await page.getByLabel('member to read').selectOption('BC')
  await page.getByLabel('place to read').fill('100%')
  await expect(page.locator('[data-reading="M"]')).toContainText('49.51')
  await page.getByLabel('place to read').fill('9 m')
  await expect(page.getByText('This place is beyond the ends of the member.')).toBeVisible()
  await page.getByLabel('place to read').blur()
  await page.keyboard.press('y')
  await expect(page.locator('.figure-caption')).toContainText('times enlarged')
})

test('a key pressed while a problem is being opened from the Shelf leads to its part', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await shelf(page)
  await page
    .getByRole('link', { name: /Open Palm house/ })
    .first()
    .click({ noWaitAfter: true })
  await page.keyboard.press('3')
  await expect(page.locator('[data-reaction="A"]')).toContainText('6.645')
  await expect(page).toHaveURL(/\/results$/)
})

test('a key pressed before the scripts of a page have come leads to its part', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  let letCome = () => {}
  const held = new Promise<void>((resolve) => (letCome = resolve))
  await page.route(/\/assets\/.*\.js/, async (route) => {
    await held
    await route.continue()
  })
  await page.goto(`${address()}${at}/given`, { waitUntil: 'commit' })
  await page.waitForFunction(() => 'keysBefore' in window)
  await page.keyboard.press('3')
  letCome()
  await expect(page.locator('[data-reaction="A"]')).toContainText('6.645')
  await expect(page).toHaveURL(/\/results$/)
})

test('pointing at a row lights its member, pointing at the member its rows', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results')
  await expect(async () => {
    // a row that is not alive yet hears nothing of a pointer that rests on it
    await page.mouse.move(0, 0)
    await block(page, 'Members').getByText('BC', { exact: true }).hover()
    await expect(page.locator('.figure g.lit[data-target="member:BC"]').first()).toBeAttached({
      timeout: 1000,
    })
  }).toPass()
  const [E, D] = [await jointAt(page, 'E'), await jointAt(page, 'D')]
  await page.mouse.move((E[0] + D[0]) / 2, (E[1] + D[1]) / 2)
  await expect(page.locator('tbody.member-rows.lit')).toContainText('ED')
})

test('check: a verdict beside each value and on the Figure, and the slip named', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'check')
  await expect(page.getByText('7 of 7 agree')).toBeVisible()
  await page.getByLabel('joint', { exact: true }).selectOption('B')
  await page.getByLabel('your value', { exact: true }).fill('-0.7364 kN')
  await page.getByRole('button', { name: 'Check it' }).click()
  const row = page.locator('[data-answer="a8"]')
  await expect(row).toContainText('opposite sign')
  await row.getByText('opposite sign').click()
  await expect(page.locator('.told')).toContainText('upward')
  await row.getByRole('textbox').first().fill('0.7364 kN')
  await expect(row).toContainText('agrees')
  await expect(page.getByText('8 of 8 agree')).toBeVisible()
  await expect(page.locator('.figure text').filter({ hasText: '= 0.7364' }).first()).toBeVisible()
})

test('check: stiffness entries, sides and notes are entered, and a value is moved to another place', async ({
  page,
}) => {
  await openCopy(page, /Open Orchid balcony/, 'check')
  const form = page.locator('form.new-answer')
  const last = page.locator('[data-answer]').last()
  await form.getByLabel('quantity').selectOption('stiffness entry')
  await form.getByLabel('matrix').selectOption('of CB')
  await form.getByLabel('row').selectOption('6')
  await form.getByLabel('column').selectOption('3')
  await form.getByLabel('your value', { exact: true }).fill('1')
  await form.getByLabel('note to your value').fill('EA/L, page 3')
  await page.keyboard.press('Enter')
  await expect(last).toContainText('k of CB 6, 3')
  await expect(last).toContainText('differs')
  await last.getByText('differs').click()
  const told = page.locator('.told')
  await expect(told.getByRole('textbox', { name: /^note to k of CB/ })).toHaveValue('EA/L, page 3')
  await last.getByRole('textbox').first().fill('14000 kN*m')
  await expect(last).toContainText('agrees')
  // a moment is no shear force: the value would have to change first
  await told.getByLabel('quantity').selectOption('shear V')
  await expect(told).toContainText(/moment.*force|force.*moment/)
  await told.getByLabel('quantity').selectOption('moment M')
  await told.getByLabel('place', { exact: true }).fill('100%')
  await page.keyboard.press('Enter')
  await told.getByLabel('side').selectOption('just before')
  await expect(last).toContainText('MBC')
  await page.getByRole('button', { name: /undo/i }).first().click()
  await page.reload()
  await expect(page.locator('[data-answer]').last()).toContainText('MBC')
})

test('a mechanism is named, with no numbers anywhere', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  for (const j of ['A', 'E']) await page.getByLabel(`support of ${j}`, { exact: true }).selectOption('roller')
  await expect(page.getByText(/can sway sideways/)).toBeVisible()
  await expect(page.getByText('not stable')).toBeVisible()
  await page.getByRole('link', { name: /Results/ }).click()
  await expect(page.getByRole('heading', { name: 'This structure is not stable' })).toBeVisible()
  await expect(page.locator('[data-reaction]')).toHaveCount(0)
})

test('check: pointing at a value lights its place on the Figure', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'check')
  const row = page.locator('[data-answer]').first()
  await row.hover()
  await expect(page.locator('.figure .lit, .figure .joint-hit.on').first()).toBeAttached()
  await expect(row).toHaveClass(/lit/)
})

test('a first problem is walked through in four notes that do not come back', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'given')
  const note = (name: RegExp) => page.getByRole('complementary', { name })
  await note(/Note 1 of 4: Given/)
    .getByRole('link', { name: 'Next: Working' })
    .click()
  await note(/Note 2 of 4/)
    .getByRole('link', { name: 'Next: Results' })
    .click()
  await note(/Note 3 of 4/)
    .getByRole('link', { name: 'Next: Check' })
    .click()
  await note(/Note 4 of 4/)
    .getByRole('button', { name: 'Done' })
    .click()
  await page.goto(`${address()}${at}/given`)
  await ready(page)
  await expect(block(page, 'Joints')).toBeVisible()
  await expect(note(/Note/)).toHaveCount(0)
})

test('the first note moves nothing of the part it is about', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'check')
  const note = page.getByRole('complementary', { name: /Note 4 of 4/ })
  await expect(note).toBeVisible()
  const first = page.locator('[data-answer]').first()
  const withNote = await first.boundingBox()
  await note.getByRole('button', { name: 'Done' }).click()
  await expect(note).toHaveCount(0)
  expect(await first.boundingBox()).toEqual(withNote)
})

test('on paper stand the title, the Figure with its caption, the part and its case, and no controls', async ({
  page,
}) => {
  await openCopy(page, /Open Palm house/, 'results')
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.top-heading')).toBeVisible()
  await expect(page.locator('.figure-caption')).toContainText('Bending moments')
  await expect(page.locator('.running')).toContainText('Results')
  await expect(page.locator('[data-reaction]').first()).toBeVisible()
  const cases = page.getByRole('group', { name: 'Load case or combination' })
  await expect(cases.getByRole('button')).toHaveText(['Glazing and steel'])
  for (const name of ['Sign convention', 'Deflected', 'Copy the numbers'])
    await expect(page.getByRole('button', { name })).toBeHidden()
  await expect(page.getByRole('link', { name: 'Viga', exact: true })).toBeHidden()
})

test('a page looks the same whether it was come to from the Shelf or by its address', async ({ page }) => {
  const look = async () => {
    await page.getByRole('button', { name: 'kN, m' }).click()
    await page.getByRole('menuitem', { name: 'N, mm', exact: true }).click()
    const dialog = page.getByRole('dialog', { name: 'From kN, m to N, mm' })
    const choice = dialog.getByRole('button', { name: /^Convert/ })
    await expect(choice).toBeVisible()
    const padding = (e: Element) => getComputedStyle(e).padding
    const out = [await dialog.getByRole('heading').evaluate(padding), await choice.evaluate(padding)]
    await page.keyboard.press('Escape')
    await expect(dialog).toBeHidden()
    return out
  }
  await newSheet(page)
  await page.getByLabel('spans', { exact: true }).fill('6, 2@4')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('x of D', { exact: true })).toHaveValue('14')
  expect(await look()).toEqual(['18px 24px 6px', '10px 14px'])
  await expect(page.getByText(/^saved/)).toBeVisible()
  await page.reload()
  await ready(page)
  expect(await look()).toEqual(['18px 24px 6px', '10px 14px'])
})

/** Words and values that are seen in light ink: the mean of its red, green and blue is above the middle. */
const inLightInk = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter(
        (e) => e.matches('input') || [...e.childNodes].some((n) => n.nodeType === 3 && n.nodeValue!.trim()),
      )
      .filter((e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }))
      .map((e) => [e.textContent, getComputedStyle(e)[e instanceof SVGElement ? 'fill' : 'color']] as const)
      .filter(([, colour]) => {
        const [r, g, b] = colour.match(/[\d.]+/g)!.map(Number)
        return (r + g + b) / 3 > 128
      })
      .map(([words]) => words),
  )

test('paper is printed on in dark ink, whatever the screen is', async ({ page }) => {
  const at = await openCopy(page, /Open Palm house/, 'results')
  await page.getByRole('button', { name: 'Dark' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark')
  expect(await inLightInk(page)).toContain('Reactions')
  for (const part of ['results', 'given', 'working/stiffness', 'check', 'results/stress']) {
    await page.goto(`${address()}${at}/${part}`)
    await ready(page)
    await page.emulateMedia({ media: 'print' })
    await expect(page.locator('.figure path[stroke="var(--ink)"]').first()).toHaveCSS(
      'stroke',
      'rgb(30, 42, 54)',
    )
    expect(await inLightInk(page)).toEqual([])
    await page.emulateMedia({ media: 'screen' })
  }
})

test('the projector: steps and cases by arrow keys, the Figure alone, and what is pointed at', async ({
  page,
}) => {
  await openCopy(page, /Open Seed store/, 'working/unknowns')
  await page.keyboard.press('w')
  const bar = page.getByRole('toolbar', { name: 'Projector' })
  await expect(bar.getByRole('status')).toHaveText('Floors')
  await page.keyboard.press('ArrowDown')
  await expect(bar.getByRole('status')).toHaveText('Seed bins')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: /^Stiffness of/ })).toBeVisible()
  await page.keyboard.press('w')
  await expect(page.getByRole('region', { name: 'Sheet' })).toBeHidden()
  const [x, y] = await jointAt(page, '5')
  await page.mouse.move(x, y)
  await expect(page.locator('.figure .joint-hit.on[data-target="node:5"]')).toBeAttached()
  await page.keyboard.press('Escape')
  await expect(bar).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Sheet' })).toBeVisible()
})

test('the form of a row opens by a key, takes the focus and gives it back', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  const field = page.getByLabel('y of D', { exact: true })
  await field.focus()
  await page.keyboard.press('Alt+Enter')
  const form = page.getByRole('dialog', { name: /^D,/ })
  await expect(form.locator(':focus')).toBeAttached()
  await page.keyboard.press('Escape')
  await expect(form).toHaveCount(0)
  await expect(field).toBeFocused()
})

test('check: one slip that explains the sheet is found, with the way to its line of the Working', async ({
  page,
}) => {
  const file = join(import.meta.dirname, '../core/test/sheets/9001-00-load-as-resultant.viga.json')
  const response = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: readFileSync(file, 'utf8') },
    maxRedirects: 0,
  })
  await page.goto(`${address()}${response.headers().location.replace('/given', '')}/check`)
  await ready(page)
  const explained = block(page, 'What explains the sheet')
  await expect(explained).toContainText('One slip explains all 8 values')
  await expect(explained).toContainText('put as one force at its centroid')
  await explained.getByRole('link', { name: 'The first line that differs' }).click()
  await page.waitForURL(/working\/stiffness\/loads$/)
})
