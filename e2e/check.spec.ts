import { expect, openCopy, test } from './pages'

test('eight values by keyboard from prepared lists, each judged at once', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'check')
  const list = page.getByLabel('list to fill in')
  await list.selectOption('reactions')
  await page.getByRole('textbox', { name: 'your value of A x', exact: true }).focus()
  await page.keyboard.type('6.65 right')
  await page.keyboard.press('Enter')
  await page.keyboard.type('1 kN down')
  await page.keyboard.press('Enter')
  const rows = page.getByRole('rowgroup', { name: 'reactions' })
  await expect(rows).toContainText('2 of 4 filled in')
  await expect(rows.getByRole('row').nth(1)).toContainText('agrees')
  await expect(rows.getByRole('row').nth(2)).toContainText('differs')
  // a value that is taken out of its field does not count any more
  await page.getByRole('textbox', { name: 'your value of A y', exact: true }).fill('')
  await expect(rows).toContainText('1 of 4 filled in')
  await list.selectOption('end-moments')
  await page.getByRole('textbox', { name: 'your value of M of AB at 100%', exact: true }).fill('12 kN')
  await expect(page.getByRole('alert').filter({ hasText: 'got a force' })).toBeVisible()
})

test('values pasted as lines; what is not understood stays with its reason', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'check')
  const lines = page.getByLabel('hand values as lines')
  await lines.fill('A_x = 6.645 kN right')
  await lines.press('Enter')
  await expect(page.locator('[data-answer]').last()).toContainText('agrees')
  await lines.fill('M_AX = 3')
  await lines.press('Enter')
  await expect(page.getByText('There is no member AX.')).toBeVisible()
  await expect(lines).toHaveValue('M_AX = 3')
  // it outlives a look at another part
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+4')
  await expect(page.getByLabel('hand values as lines')).toHaveValue('M_AX = 3')
})

test('a diagram drawn by hand lies over the computed one and is judged by ordinates', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'check')
  await page.getByText('A diagram drawn by hand').click()
  const entry = page.getByLabel('a new ordinate of moment in AB')
  for (const text of ['0: 0 linear', '100%: -0.0812 kN*m']) {
    await entry.fill(text)
    await entry.press('Enter')
  }
  const drawn = page.locator('.drawn-table')
  await expect(drawn.getByRole('row').nth(1)).toContainText('runs on as a parabola')
  await expect(drawn.getByRole('row').nth(2)).toContainText('−0.08124')
  await expect(page.locator('.figure path[stroke*="pencil"]').first()).toBeAttached()
})

test('covered values are held back everywhere until they are asked for', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'check')
  await page.getByLabel('cover the computed values until asked').check()
  await expect(page.locator('.figure text').filter({ hasText: '0.4173' })).toHaveCount(0)
  await expect(page.getByRole('columnheader', { name: 'Viga' })).toHaveCount(0)
  await page.keyboard.press('Alt+3')
  await expect(page.getByText('The computed values of this problem are covered.')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Uncover them' }).click()
  await expect(page.locator('[data-reaction="A"]')).toContainText('0.4173')
})

test('a press on the Figure asks for the value there; the sheet is marked as a PDF', async ({ page }) => {
  const at = await openCopy(page, /Open Potting bench/, 'check')
  const line = await page.locator('.figure svg').first().boundingBox()
  const middle = page.locator('.figure [data-target="member:BC"]').first()
  const box = (await middle.boundingBox())!
  expect(line).not.toBeNull()
  await page.mouse.click(box.x + 0.5 * box.width, box.y + box.height - 1)
  await expect(page.getByLabel('your value', { exact: true })).toBeFocused()
  await expect(page.locator('form.new-answer').getByLabel('member', { exact: true })).toHaveValue('BC')
  await page.keyboard.type('-0.05 kN*m')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-answer]').last()).toContainText('M of BC at 50%')
  const response = await page.request.get(new URL(`${at}/marked`, page.url()).href)
  expect(response.headers()['content-type']).toBe('application/pdf')
})

test('fixed-end moments and entries of P are filled in, each judged', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'check')
  const list = page.getByLabel('list to fill in')
  await list.selectOption('fixed-end moments')
  const first = page.getByRole('textbox', { name: /^your value of FEM of/ }).first()
  await first.fill('999')
  const rows = page.getByRole('rowgroup', { name: 'fixed-end moments' })
  await expect(rows).toContainText('1 of')
  await expect(rows.getByRole('row').nth(1)).toContainText('differs')
  await list.selectOption('entries of P')
  await expect(page.getByRole('textbox', { name: /^your value of P at/ }).first()).toBeVisible()
})
