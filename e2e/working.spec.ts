import AxeBuilder from '@axe-core/playwright'
import { readFileSync } from 'node:fs'
import { expect, openCopy, test } from './pages'

test('every entry of K says what it is the sum of', async ({ page }) => {
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

test('K grows member by member, forward and back', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/assembly')
  const K22 = page
    .getByRole('table', { name: 'stiffness of the whole structure' })
    .locator('tbody tr')
    .nth(1)
    .locator('td')
    .nth(1)
  await expect(K22).toHaveText('42.00')
  await page.getByLabel('as it grows').check()
  await expect(page.getByText('K with the members up to AC')).toBeVisible()
  await expect(K22).toHaveText('21.00')
  await page.getByRole('button', { name: 'one on' }).click()
  await expect(K22).toHaveText('42.00')
  await page.getByRole('button', { name: 'one back' }).click()
  await expect(K22).toHaveText('21.00')
})

test('the steps show the solver’s numbers, from the idealisation to the diagrams', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working')
  await expect(page.getByRole('heading', { name: 'Idealisation' })).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: '1 redundant' })).toContainText('= 1')
  await page.getByRole('link', { name: '3 Stiffness' }).click()
  await page.getByRole('group', { name: 'Member' }).getByRole('button', { name: 'CB' }).click()
  await expect(page).toHaveURL(/member=CB/)
  // 4EI/L = 4 · 14 000 / 2 = 28 000, shown as 28 · 10³
  await expect(
    page.getByRole('table', { name: 'In member axes of CB' }).locator('tbody tr').nth(2).locator('td').nth(2),
  ).toHaveText('28.00')
  await page.getByRole('button', { name: 'letters' }).click()
  await expect(page.locator('.formula-block .katex').first()).toBeVisible()
  await page.getByRole('link', { name: /7 Solution/ }).click()
  await expect(page.getByText('C moves 1.023 mm down')).toBeVisible()
  await page.getByRole('link', { name: /9 Reactions/ }).click()
  await expect(page.getByRole('row').filter({ hasText: 'B y' })).toContainText('22.331 kN')
  await page.getByRole('link', { name: /11 Diagrams/ }).click()
  await page.getByRole('group', { name: 'Member' }).getByRole('button', { name: 'AC' }).click()
  await expect(page.locator('.polynomial').nth(2)).toContainText(/M.*−15\.675 \+ 13\.669·t − 0\.75·t3/)
})

test('a number opens its derivation, down to what the problem states', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/end-forces?member=CB')
  const opened = page.getByRole('region', { name: 'Where this number came from' })
  // q₂ of CB, the shear beside C
  await page.locator('.reckon').nth(7).getByRole('button').click()
  await expect(opened).toContainText(/4\.668[78]/)
  await opened.getByRole('button', { name: '21 000', exact: true }).first().click()
  // k₂₃ = 6EI/L²
  await expect(opened.getByRole('navigation').getByRole('button')).toHaveCount(1)
  await opened.getByRole('button', { name: '14 000', exact: true }).click()
  await expect(opened).toContainText('The symbol EI of the problem, stated as 14000 kN*m^2.')
  await expect(page.locator('.figure g.lit[data-target="member:CB"]').first()).toBeAttached()
  await page.keyboard.press('Escape')
  await expect(opened).toHaveCount(0)
})

test('an entry of a matrix opens too, and a matrix is pinned while reading on', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/stiffness?member=CB')
  const k = page.getByRole('table', { name: 'In member axes of CB' })
  await k.locator('tbody tr').nth(2).locator('td').nth(5).click()
  const opened = page.getByRole('region', { name: 'Where this number came from' })
  await expect(opened).toContainText('14 000')
  // the keyboard does the same
  await page.getByRole('group', { name: /^In member axes of CB/ }).focus()
  for (const key of ['ArrowRight', 'ArrowDown', 'ArrowRight', 'Enter']) await page.keyboard.press(key)
  await expect(opened.locator('.derivation-line').last()).toContainText('21000')
  await page.getByRole('button', { name: 'pin', exact: true }).first().click()
  await page.getByRole('link', { name: /8 End forces/ }).click()
  const pinned = page.getByRole('region', { name: 'Pinned matrix' })
  await expect(pinned.locator('tbody tr')).toHaveCount(6)
  await pinned.getByRole('button', { name: 'unpin' }).click()
  await expect(pinned).toHaveCount(0)
})

test('a load changed on the Figure changes the numbers, which are marked', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/reactions')
  const row = page.getByRole('row').filter({ hasText: 'B y' })
  await expect(row).toContainText('22.331')
  await expect(row.locator('.changed')).toHaveCount(0)
  await page.locator('.figure g[data-target^="load:"] text').filter({ hasText: 'kN/m' }).first().click()
  await page.locator('.beside input').first().fill('12 kN/m')
  await page.keyboard.press('Enter')
  await expect(row).not.toContainText('22.331')
  await expect(row.locator('.changed')).toHaveCount(1)
})

test('a click on a member writes that member out; pointing at it lights its block of K', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'working/stiffness')
  const ends = await page.locator('.figure g[data-target="member:CD"] .hit').first().boundingBox()
  await page.mouse.click(ends!.x + ends!.width / 2, ends!.y + ends!.height / 2)
  await expect(page.getByRole('heading', { name: 'Stiffness of CD' })).toBeVisible()
  await page.getByRole('link', { name: /5 Assembly/ }).click()
  await page.mouse.move(ends!.x + ends!.width / 2 + 3, ends!.y + ends!.height / 2)
  const K = page.getByRole('table', { name: 'stiffness of the whole structure' })
  await expect(K.locator('tbody tr').nth(4).locator('td.in')).toHaveCount(6)
  await expect(K.locator('tbody tr').nth(0).locator('td.in')).toHaveCount(0)
})

test('the elimination by hand ends at the solver’s displacements', async ({ page }) => {
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
  await expect(page.getByRole('row').filter({ hasText: 'C moves 1.023 mm down' })).toBeVisible()
})

test('the equations are solved by L·D·Lᵀ too, and read with the figures one wants', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/solution')
  await page.getByLabel('K = L·D·Lᵀ').check()
  await expect(page.getByRole('region', { name: 'Elimination' })).toHaveCount(0)
  // the last pivot, 28 000 − 0.5²·42 000 − 0.25²·56 000
  await expect(page.locator('.reckon').nth(4)).toContainText('= 14 000 kN·m')
  const B = page.getByRole('row').filter({ hasText: 'B turns' })
  await expect(B).toContainText('0.0011893 rad')
  await page.getByLabel('figures').selectOption('8 figures')
  await expect(B).toContainText(/0\.0011892857 rad/)
  await page.getByRole('link', { name: /6 Partition/ }).click()
  const K = page.getByRole('table', { name: 'Free rows and columns: what is solved' })
  await expect(K.locator('td').first()).toHaveText('840')
  await page.getByLabel('power of ten').uncheck()
  await expect(K.locator('td').first()).toHaveText('840 000')
  await page.getByLabel('mirrored half dimmed').check()
  await expect(K.locator('tr').nth(1).locator('td.half')).toHaveCount(4)
  await page.reload()
  await expect(page.getByLabel('mirrored half dimmed')).toBeChecked()
})

test('a matrix is copied and saved in full', async ({ page, context }) => {
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

test('the unknowns are numbered as the book has them, and everything follows', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working/unknowns')
  const mark = page.locator('.figure g[data-target="dof:0"] text')
  await expect(mark).toHaveText('1')
  await page.getByLabel('held ones first').check()
  await expect(mark).toHaveText('5')
  await page.getByLabel('as I say').check()
  await page.getByLabel('number of B rotation').fill('1')
  await page.keyboard.press('Enter')
  await expect(page.locator('.figure g[data-target="dof:4"] text')).toHaveText('1')
  await page.getByLabel('number of B rotation').fill('99')
  await page.keyboard.press('Enter')
  await expect(page.getByText('A number from 1 to 9.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: /5 Assembly/ }).click()
  // row 1 of K is that of B's rotation now: 4EI/L = 28 000
  await expect(
    page
      .getByRole('table', { name: 'stiffness of the whole structure' })
      .locator('tbody tr')
      .nth(0)
      .locator('td')
      .nth(0),
  ).toHaveText('28.00')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(mark).toHaveText('5')
  // a beam may do without its axial unknowns
  await page.getByRole('link', { name: /2 Unknowns/ }).click()
  await page.getByLabel(/bending only/).check()
  await expect(page.locator('.figure g[data-target^="dof:"]')).toHaveCount(6)
  await page.getByRole('link', { name: /3 Stiffness/ }).click()
  await expect(page.getByRole('table', { name: 'In member axes of AC' }).locator('tbody tr')).toHaveCount(4)
})

test('the whole working is a PDF, a LaTeX or a Markdown file in one click', async ({ page }) => {
  await openCopy(page, /Open Orchid balcony/, 'working')
  for (const [name, ending, begins] of [
    ['PDF', 'pdf', '%PDF-'],
    ['LaTeX', 'tex', '\\documentclass'],
    ['Markdown', 'md', '# Orchid balcony'],
  ] as const) {
    const download = page.waitForEvent('download')
    await page.getByRole('link', { name, exact: true }).click()
    const file = await download
    expect(file.suggestedFilename()).toBe(`orchid-balcony-a-propped-cantilever-working.${ending}`)
    expect(readFileSync(await file.path(), 'latin1').startsWith(begins)).toBe(true)
  }
})

for (const step of ['stiffness', 'supports', 'loads', 'assembly', 'solution', 'checks', 'diagrams'])
  test(`no violation of accessibility in the working of ${step}`, async ({ page }) => {
    await openCopy(page, /Open Alpine house/, `working/${step}`)
    await expect(page.getByRole('heading', { level: 1 }).last()).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(
      violations.map(
        (v) =>
          `${v.id}: ${v.nodes
            .map((n) => n.target.join(' '))
            .slice(0, 4)
            .join(' | ')}`,
      ),
    ).toEqual([])
  })
