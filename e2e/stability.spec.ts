import { block, expect, openCopy, test } from './pages'

test('second order: the critical factor, its mode on the Figure, and what it makes of the moments', async ({
  page,
}) => {
  await openCopy(page, /Open Arbor post/, 'results/buckling')
  await expect(page.getByText('The structure buckles at 1.617 times these loads')).toBeVisible()
  await expect(page.locator('.figure-caption')).toContainText(
    'Mode 1: the shape in which the structure buckles at 1.617',
  )
  await page.getByRole('radio', { name: /^2\./ }).check()
  // the second mode of a hinged post: four times the first
  await expect(page.locator('.figure-caption')).toContainText('6.468 times its loads')
  await expect(block(page, 'Effective lengths')).toContainText('4.2')
  await expect(block(page, 'Largest moments')).toContainText('5.466')
  await page.keyboard.press('Alt+1')
  await page.getByLabel('Second order (equilibrium on the bent shape)').uncheck()
  await page.keyboard.press('Alt+3')
  await expect(block(page, 'Members')).toContainText('1.800')
  await expect(page.locator('.figure-caption')).toContainText('Second-order effects matter')
})

test('growth: a beam-column up to nine tenths of its critical load, as a curve and a table', async ({
  page,
}) => {
  await openCopy(page, /Open Arbor post/, 'results/growth')
  await page.getByLabel('from', { exact: true }).fill('0.1')
  await page.getByLabel('steps', { exact: true }).fill('8')
  await page.getByRole('button', { name: 'Run', exact: true }).click()
  const table = block(page, 'Step by step')
  await expect(table.getByRole('row')).toHaveCount(10)
  const last = table.getByRole('row').last()
  await expect(last).toContainText('0.9')
  await expect(page.locator('.growth-chart').first().locator('.apexcharts-svg')).toBeVisible()
  // the step that is pointed at is drawn on the Figure
  const caption = page.locator('.figure-caption')
  await expect(async () => {
    // a chart that is still finding its size moves the table from under the pointer
    await page.mouse.move(0, 0)
    await last.hover()
    await expect(caption).toContainText('part of the critical load at 0.9, second order', { timeout: 2000 })
  }).toPass()
  await page.getByLabel('to', { exact: true }).fill('0.9 kN')
  await expect(page.getByRole('alert')).toContainText('Expected')
})

test('a structure that buckles has no numbers: the shape is drawn, with a sentence', async ({ page }) => {
  await openCopy(page, /Open Belvedere frame/, 'given')
  await page.getByRole('textbox', { name: 'value of P' }).fill('230 kN')
  await page
    .getByRole('link', { name: /Results/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'This structure buckles under its loads' })).toBeVisible()
  await expect(page.locator('.figure-caption')).toContainText(
    'the shape in which the structure buckles at 0.8',
  )
  await expect(page.locator('[data-reaction]')).toHaveCount(0)
})

test('the working writes the stability functions of a member out', async ({ page }) => {
  await openCopy(page, /Open Arbor post/, 'working/second-order')
  await expect(page.getByRole('heading', { name: 'Second order' })).toBeVisible()
  // φ = L·√(P/EI) = π/√1.617
  await expect(page.locator('.sheet-body')).toContainText('2.4705')
})

test('the working has the last round of second order, and det K over its factor', async ({ page }) => {
  await openCopy(page, /Open Arbor post/, 'working/second-order')
  const curve = page.getByRole('figure', { name: /det K/ })
  await curve.scrollIntoViewIfNeeded()
  await expect(curve.locator('.apexcharts-svg')).toBeVisible()
  // hinged at both ends: the roots are 1, 4, 9 times the lowest
  for (const root of ['1.6171', '6.4683', '14.554']) await expect(curve).toContainText(root)
  await expect(page.getByRole('heading', { name: 'The last round in full' })).toBeVisible()
  // no chart of the working is a picture alone: its roots stand in a table, each to be opened
  await page.getByRole('cell', { name: '6.4683' }).getByRole('button').click()
  await expect(page.getByRole('region', { name: 'Where this number came from' })).toContainText(
    'A root of det K(λ)',
  )
})
