import { address, expect, openCopy, ready, test } from './pages'

test('a factor is taken out of the stiffnesses, each member’s own or the EI of all', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/stiffness?member=CB')
  const factor = page.getByLabel('factor taken out')
  await factor.selectOption('own')
  const k = page.getByRole('table', { name: 'In member axes of CB' })
  // over EI/L³ with L = 2 m: 12, 6L, 4L²
  await expect(k.locator('tbody tr').nth(1).locator('td').nth(1)).toHaveText('12')
  await expect(k.locator('tbody tr').nth(2).locator('td').nth(2)).toHaveText('16')
  await expect(page.getByText('lengths, m').first()).toBeVisible()
  await k.locator('tbody tr').nth(1).locator('td').nth(2).click()
  const opened = page.getByRole('region', { name: 'Where this number came from' })
  await expect(opened).toContainText('12')
  await factor.selectOption('common')
  await page.getByRole('link', { name: /5 Assembly/ }).click()
  const K22 = page
    .getByRole('table', { name: 'stiffness of the whole structure' })
    .locator('tbody tr')
    .nth(1)
    .locator('td')
    .nth(1)
  await expect(K22).toHaveText('3')
  await page.getByRole('link', { name: /7 Solution/ }).click()
  // 14 000 kN·m² times −1.0232 mm
  await expect(page.getByRole('row').filter({ hasText: 'C moves 1.023 mm down' })).toContainText(
    '−14.325 kN·m³',
  )
})

test('the fixed-end forces are drawn on the member held at both ends; the Figure shows the loads', async ({
  page,
}) => {
  await openCopy(page, /Open Orchid balcony/, 'working/loads')
  const drawing = page.getByRole('img', { name: 'AC held at both ends, with its loads and fixed-end forces' })
  await expect(drawing.getByText('1.2 kN·m')).toBeVisible()
  await expect(drawing.getByText('6.3 kN', { exact: true })).toBeVisible()
  await expect(page.locator('.figure g[data-target^="load:"]').first()).toBeAttached()
  await page.getByRole('link', { name: /9 Reactions/ }).click()
  await expect(page.locator('.figure').getByText('22.33', { exact: true })).toBeVisible()
  // an unknown whose arrow is not drawn here is seen by its joint and its reaction
  await page.getByRole('row').filter({ hasText: 'B y' }).getByRole('button').hover()
  await expect(page.locator('.figure g.lit[data-target="support:B"]').first()).toBeAttached()
  await expect(page.locator('.figure circle.on[data-target="node:B"]')).toBeAttached()
})

test('a K of 60 rows is walked in its window, from the pattern to the numbers', async ({ page }) => {
  // four storeys of three bays on fixed feet
  const at = (i: number, j: number) => `${i}${'abcd'[j]}`
  const nodes = [0, 1, 2, 3, 4].flatMap((i) =>
    [0, 1, 2, 3].map((j) => ({ id: at(i, j), x: 6 * j, y: 3.5 * i })),
  )
  const beams = [1, 2, 3, 4].flatMap((i) =>
    [0, 1, 2].map((j) => ({
      id: `b${at(i, j)}`,
      start: at(i, j),
      end: at(i, j + 1),
      material: 's',
      section: 'o',
    })),
  )
  const columns = [0, 1, 2, 3].flatMap((i) =>
    [0, 1, 2, 3].map((j) => ({
      id: `c${at(i, j)}`,
      start: at(i, j),
      end: at(i + 1, j),
      material: 's',
      section: 'o',
    })),
  )
  const file = {
    format: 'viga-problem',
    version: 1,
    title: 'Seed tower',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    materials: [{ id: 's', E: '200 GPa' }],
    sections: [{ id: 'o', A: '0.01 m^2', I: '0.0001 m^4' }],
    nodes,
    members: [...beams, ...columns],
    supports: [0, 1, 2, 3].map((j) => ({ node: at(0, j), type: 'fixed' })),
    loadCases: [{ id: 'W', loads: [{ type: 'nodal', node: at(4, 0), fx: 10 }] }],
  }
  const made = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(file) },
    maxRedirects: 0,
  })
  await page.goto(`${address()}${made.headers().location.replace('/given', '/working/assembly')}`)
  await ready(page)
  const K = page.getByRole('application', { name: /^stiffness of the whole structure: 60 rows, 60 columns/ })
  const row = page.locator('.large .row-entries')
  await expect(page.getByRole('button', { name: 'numbers' })).toBeDisabled()
  await page.getByLabel('row of stiffness of the whole structure').fill('7')
  // the third joint of the first floor, along x: two beams and two columns, 2·EA/L + 2·12EI/L³
  await expect(row).toContainText('Row 7 reads')
  await expect(row.getByRole('button')).toHaveText([
    '−333 330',
    '677 860',
    '−333 330',
    '−5 597.7',
    '−9 795.9',
    '−5 597.7',
    '9 795.9',
  ])
  await K.focus()
  for (const key of ['ArrowUp', '-', '-']) await page.keyboard.press(key)
  await expect(row).toContainText('Row 6 reads')
  await expect(page.getByRole('button', { name: 'numbers' })).toBeEnabled()
  await page.getByRole('button', { name: 'the whole' }).click()
  await K.press('ArrowLeft')
  await K.press('Enter')
  // the entry of row 6 and column 6: four members turn with their joint
  await expect(page.getByRole('region', { name: 'Where this number came from' })).toContainText('K66')
  await page.getByRole('link', { name: /6 Partition/ }).click()
  await expect(page.getByRole('application', { name: /^Free rows and columns/ })).toBeVisible()
})

test('a long step is whole soon after it opens; the member that is read stays', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'working/stiffness?member=CD')
  await expect(page.getByRole('heading', { name: 'Stiffness of CD' })).toBeVisible()
  await page.getByRole('link', { name: /8 End forces/ }).click()
  await expect(page.getByRole('heading', { name: 'End forces of CD' })).toBeVisible()
  await expect(page).toHaveURL(/member=CD/)
  // three sums for the whole, eleven for the joints' free unknowns, and the energy: more than the first view
  // has room for
  await page.getByRole('link', { name: /10 Checks/ }).click()
  await expect(page.getByRole('heading', { name: 'Checks' })).toBeVisible()
  const lines = page.locator('.working .reckon')
  await expect(page.locator('.working .whole-step')).toBeVisible()
  expect(await lines.count()).toBeGreaterThan(14)
  await lines.last().scrollIntoViewIfNeeded()
  await expect(lines.last()).toContainText('= 0.16102 kN·m')
  // the Figure has come along: reactions are drawn beside the checks
  await expect(page.getByRole('button', { name: /^Reactions/ })).toHaveAttribute('aria-pressed', 'true')
  // the foot leads on, with the same member
  await page.getByRole('link', { name: /Diagrams ⟶/ }).click()
  await expect(
    page.getByRole('group', { name: 'Member' }).getByRole('button', { name: 'CD' }),
  ).toHaveAttribute('aria-pressed', 'true')
})
