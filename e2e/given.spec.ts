import { block, expect, jointAt, openCopy, test } from './pages'

test('a choice that cannot be made says why and changes nothing', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.getByRole('radio', { name: /truss/ }).click()
  await expect(page.getByText(/carries axial force alone, so no load stands between its ends/)).toBeVisible()
  await expect(page.getByRole('radio', { name: /beam or frame/ })).toBeChecked()
})

test('a joint renamed is renamed everywhere; taken out, it takes along what hangs on it', async ({
  page,
}) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.getByLabel('label of joint C').fill("C'")
  await page.keyboard.press('Enter')
  await expect(page.getByLabel("label of member BC'")).toBeVisible()
  await expect(page.locator('.figure text').filter({ hasText: /^C'$/ })).toBeVisible()
  await page.getByLabel('label of joint B', { exact: true }).fill('A')
  await page.keyboard.press('Enter')
  await expect(page.getByText('There is a joint A already.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel("x of C'", { exact: true }).focus()
  await page.keyboard.press('Control+Delete')
  await expect(block(page, 'Members').getByLabel(/^label of member/)).toHaveCount(2)
  // what went with it is said, with Undo beside it
  await expect(page.getByText(/^Joint C' was removed, and with it the members/)).toBeVisible()
  await page.getByRole('alert').getByRole('button', { name: 'Undo' }).click()
  await expect(block(page, 'Members').getByLabel(/^label of member/)).toHaveCount(4)
})

test('units change and the structure stays what it was', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'results')
  const reaction = page.locator('[data-reaction="A"]')
  await expect(reaction).toContainText('0.4173')
  await page.getByRole('button', { name: 'Units: kN, m' }).click()
  await page.getByRole('menuitem', { name: 'N, mm', exact: true }).click()
  await expect(reaction).toContainText('417.3')
  await expect(page.getByRole('columnheader', { name: 'x, N' })).toBeVisible()
})

test('a hinge and a section follow at once on the Figure and in the numbers', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  await page.getByRole('button', { name: 'end of BC: rigid' }).click()
  await expect(page.getByText('stable, determinate')).toBeVisible()
  await expect(page.locator('.figure [data-target="end:BC:end"]')).toHaveCount(1)
  await page.getByLabel('shape of section column').selectOption('rectangle')
  await page.getByLabel('h of column').fill('40*10 mm')
  // E·I = 200 GPa · 0.1 · 0.4³ / 12
  await expect(
    block(page, 'Properties')
      .getByRole('row')
      .filter({ has: page.getByLabel('name of section column') }),
  ).toContainText(/106.700/)
})

test('the Figure pans, zooms and fits again; a joint dragged moves on the grid', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'given')
  const before = await jointAt(page, 'B')
  await page.mouse.move(350, 300)
  await page.mouse.wheel(0, -400)
  const enlarged = await jointAt(page, 'B')
  expect(enlarged[0]).not.toBeCloseTo(before[0], 0)
  // a pull goes on from the view that was enlarged
  await page.mouse.move(300, 500)
  await page.mouse.down()
  await page.mouse.move(340, 470, { steps: 5 })
  await page.mouse.up()
  const pulled = await jointAt(page, 'B')
  expect(pulled[0]).toBeCloseTo(enlarged[0] + 40, 0)
  expect(pulled[1]).toBeCloseTo(enlarged[1] - 30, 0)
  await page.getByRole('button', { name: /^Fit/ }).click()
  expect((await jointAt(page, 'B'))[0]).toBeCloseTo(before[0], 0)
  await page.mouse.move(before[0], before[1])
  await page.mouse.down()
  await page.mouse.move(before[0], before[1] - 60, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel('y of B', { exact: true })).not.toHaveValue('0')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('y of B', { exact: true })).toHaveValue('0')
})

test('a level member is found and pressed on the Figure, though nothing of its place is painted', async ({
  page,
}) => {
  await openCopy(page, /Open Compost gantry/, 'given')
  // a level line has no height of its own; its stroke, which is not painted, has
  await page.locator('.figure [data-target="member:AB"] .hit').click({ force: true })
  await expect(block(page, 'Members').locator('tr.lit').getByLabel('label of member AB')).toBeVisible()
})
