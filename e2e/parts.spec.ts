import { block, expect, jointAt, openCopy, test } from './pages'

test('working: every entry of K says what it is the sum of', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/assembly')
  const K = page.getByRole('table', { name: 'stiffness of the whole structure' })
  await expect(K.locator('tbody tr')).toHaveCount(9)
  // K₂₂ of the balcony: 12EI/L³ of both members, 2 · 21 000 = 42 000 kN/m
  await K.locator('tbody tr').nth(1).locator('td').nth(1).hover()
  await expect(page.locator('.entry-sum')).toContainText('21')
  await expect(page.locator('.entry-sum')).toContainText('42')
  await expect(page.locator('.entry-sum')).toContainText('force at C along y')
  await expect(page.locator('.figure g.lit[data-target="dof:1"]')).toHaveCount(1)
  await expect(page.locator('.figure g.lit[data-target="member:AC"]').first()).toBeAttached()
})

test('working: the seven steps show the solver’s numbers', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working')
  await expect(page.getByRole('heading', { name: 'Unknowns' })).toBeVisible()
  await page.getByRole('link', { name: '2 Stiffness' }).click()
  await page.getByRole('group', { name: 'Member' }).getByRole('button', { name: 'CB' }).click()
  await expect(page).toHaveURL(/member=CB/)
  // 4EI/L = 4 · 14 000 / 2 = 28 000, shown as 28 · 10³
  await expect(page.getByRole('table', { name: 'stiffness of CB in member axes' }).locator('tbody tr').nth(2).locator('td').nth(2)).toHaveText('28.00')
  await page.getByRole('link', { name: /5 Solution/ }).click()
  await expect(page.getByRole('row').filter({ hasText: 'moves down' })).toContainText('−1.023')
  await page.getByRole('link', { name: /7 Reactions/ }).click()
  await expect(page.getByRole('row').filter({ hasText: 'B' }).last()).toContainText('22.33')
})

test('results: reactions, values at a place, another case, the deflected shape', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results')
  await expect(page.locator('[data-reaction="A"]')).toContainText('6.645')
  await expect(page.locator('.figure text').filter({ hasText: /^34\.55$/ }).first()).toBeVisible()
  await page.getByRole('button', { name: '1.35 G + 1.5 S' }).click()
  await expect(page.locator('[data-reaction="A"]')).toContainText('21.88')
  await page.getByLabel('member to read').selectOption('BC')
  await page.getByLabel('place to read').fill('100%')
  await expect(page.locator('[data-reading="M"]')).toContainText('49.51')
  await page.getByLabel('place to read').fill('9 m')
  await expect(page.getByText('This place is not on BC.')).toBeVisible()
  await page.getByLabel('place to read').blur()
  await page.keyboard.press('y')
  await expect(page.locator('.figure-caption')).toContainText('times enlarged')
})

test('pointing at a row lights its member, pointing at the member its rows', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'results')
  await block(page, 'Members').getByText('BC', { exact: true }).hover()
  await expect(page.locator('.figure g.lit[data-target="member:BC"]').first()).toBeAttached()
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

test('a mechanism is named, with no numbers anywhere', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  for (const j of ['A', 'E']) await page.getByLabel(`support of ${j}`, { exact: true }).selectOption('roller')
  await expect(page.getByText(/can sway sideways/)).toBeVisible()
  await expect(page.getByText('not stable')).toBeVisible()
  await page.getByRole('link', { name: /Results/ }).click()
  await expect(page.getByRole('heading', { name: 'This structure is not stable' })).toBeVisible()
  await expect(page.locator('[data-reaction]')).toHaveCount(0)
})

test('working: the elimination by hand ends at the solver’s displacements', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/solution')
  const part = page.getByRole('region', { name: 'Elimination' })
  await expect(part.getByText('The equations, their right-hand sides last')).toBeVisible()
  await part.getByRole('button', { name: 'eliminate' }).click()
  await expect(part.getByText('After step 1 of 4')).toBeVisible()
  await expect(part.getByText(/plus 0\.5.* times it/)).toBeVisible()
  await part.getByRole('button', { name: 'to the end' }).click()
  const lines = part.getByRole('table', { name: 'back-substitution' }).getByRole('row')
  // D2 = (−18 − 21 000·D5) / 42 000, the deflection shown above in mm
  await expect(lines.nth(3)).toContainText('−0.001023')
  await expect(page.getByRole('row').filter({ hasText: 'moves down' })).toContainText('−1.023')
})

test('working: a matrix is copied and saved in full', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openCopy(page, /Open Orchid balcony/, 'working/assembly')
  await page.getByLabel('take K out').selectOption('copy python')
  await expect(page.getByRole('status').filter({ hasText: 'copied' })).toHaveCount(1)
  const K = JSON.parse(await page.evaluate(() => navigator.clipboard.readText())) as number[][]
  expect(K).toHaveLength(9)
  expect(K[0][0]).toBeCloseTo(840000, 6)
  expect(K[1][4]).toBe(K[4][1])
  const download = page.waitForEvent('download')
  await page.getByLabel('take K out').selectOption('save matrix-market')
  const stream = await (await download).createReadStream()
  let text = ''
  for await (const chunk of stream) text += String(chunk)
  expect(text).toMatch(/^%%MatrixMarket matrix coordinate real symmetric\n9 9 /)
})

test('check: pointing at a value lights its place on the Figure', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'check')
  const row = page.locator('[data-answer]').first()
  await row.hover()
  await expect(page.locator('.figure .lit, .figure .joint-hit.on').first()).toBeAttached()
  await expect(row).toHaveClass(/lit/)
})
