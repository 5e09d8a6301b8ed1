import AxeBuilder from '@axe-core/playwright'
import { block, expect, jointAt, newSheet, openCopy, test } from './pages'

const members = (page: import('@playwright/test').Page) =>
  block(page, 'Members').getByLabel(/^label of member/)

test(
  'a storey copied up twice, joined, with its loads; mirrored; hinged; taken out; each one step of ' + 'undo',
  async ({ page }) => {
    await newSheet(page)
    await page.getByLabel('starting shape').selectOption('frame')
    await page.getByLabel('bays').fill('6')
    await page.getByLabel('storeys').fill('4')
    await page.getByRole('button', { name: 'insert', exact: true }).click()
    // putting it in has ended the drawing: a press on the Figure selects
    // the beam is taken by a box around its two joints
    const [b, c] = [await jointAt(page, 'C'), await jointAt(page, 'D')]
    await page.keyboard.down('Shift')
    await page.mouse.move(b[0] - 40, b[1] - 30)
    await page.mouse.down()
    await page.mouse.move(c[0] + 40, c[1] + 30, { steps: 3 })
    await page.mouse.up()
    await page.keyboard.up('Shift')
    const group = page.getByRole('dialog', { name: '2 joints, 1 member, selected' })
    await group.getByLabel('amount of a load on all').fill('9 kN/m')
    await group.getByRole('button', { name: 'apply' }).click()
    await group.getByLabel('step up').fill('3.5')
    await group.getByLabel('number of copies').fill('2')
    await group.getByRole('button', { name: 'copy', exact: true }).click()
    await expect(members(page)).toHaveCount(9)
    await expect(block(page, 'Loads').getByLabel(/^amount of load/)).toHaveCount(3)
    await expect(page.getByLabel('y of H', { exact: true })).toHaveValue('11')
    await group.getByRole('button', { name: 'hinge, or not (h)' }).click()
    await expect(page.getByText('stable, 7 times indeterminate')).toBeVisible()
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+a')
    await page.getByLabel('line of the mirror').fill('6')
    await page.getByRole('button', { name: 'left to right' }).click()
    await expect(members(page)).toHaveCount(15)
    await page.keyboard.press('Escape')
    for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z')
    await expect(members(page)).toHaveCount(3)
    await expect(block(page, 'Loads').getByLabel(/^amount of load/)).toHaveCount(0)
  },
)

test('keys at a joint: a support, a hinge, nothing', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'given')
  await page.mouse.click(...(await jointAt(page, 'B')))
  await expect(page.getByRole('dialog', { name: /^B, / })).toBeVisible()
  await page.keyboard.press('x')
  await expect(page.getByLabel('support of B', { exact: true })).toHaveValue('fixed')
  await page.keyboard.press('-')
  await expect(page.getByLabel('support of B', { exact: true })).toHaveCount(0)
  await page.keyboard.press('h')
  await expect(page.getByText('not stable')).toBeVisible()
  await page.keyboard.press('h')
})

test('a length and a step typed while drawing; a joint dropped on another becomes one with it', async ({
  page,
}) => {
  await newSheet(page)
  const frame = (await page.locator('.figure-frame').boundingBox())!
  await page.mouse.click(frame.x + 160, frame.y + 420)
  await page.mouse.click(...(await jointAt(page, 'A')))
  await page.mouse.move(frame.x + 160, frame.y + 300)
  await page.keyboard.type('3.2')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('y of B', { exact: true })).toHaveValue('3.2')
  await page.mouse.move(frame.x + 300, frame.y + 300)
  await page.keyboard.type('5 at 30')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('y of C', { exact: true })).toHaveValue('5.7')
  await page.keyboard.type('1 kN')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Expected a length, got a force.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Draw/ }).click()
  const [a, c] = [await jointAt(page, 'A'), await jointAt(page, 'C')]
  await page.mouse.move(...c)
  await page.mouse.down()
  await page.mouse.move((a[0] + c[0]) / 2, (a[1] + c[1]) / 2)
  await page.mouse.move(...a, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByText(/C stood on A: the two are one joint now/)).toBeVisible()
  await expect(members(page)).toHaveCount(1)
})

for (const part of ['given', 'working', 'results', 'check'] as const)
  test(`no violation of accessibility in ${part}`, async ({ page }) => {
    await openCopy(page, /Open Seed store/, part)
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

test('no violation of accessibility: Shelf, empty sheet, a group selected, in the dark', async ({ page }) => {
  const check = async () => {
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
  }
  await newSheet(page)
  await check()
  await page.getByRole('button', { name: 'insert', exact: true }).click()
  await page.keyboard.press('Control+a')
  await check()
  await page.getByRole('button', { name: 'Dark' }).click()
  await check()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await expect(page.getByRole('link', { name: /^Open / }).first()).toBeVisible()
  await check()
})

test('on the Figure: a ring hinges an end, a load is pulled along, a grip makes a triangle', async ({
  page,
}) => {
  await newSheet(page)
  await page.getByLabel('spans').fill('6')
  await page.getByLabel('ends', { exact: true }).selectOption('fixed')
  await page.getByRole('button', { name: 'insert', exact: true }).click()
  await expect(page.getByText('stable, three times indeterminate')).toBeVisible()
  const [a, b] = [await jointAt(page, 'A'), await jointAt(page, 'B')]
  await page.mouse.click((a[0] + b[0]) / 2, a[1])
  await page.locator('[data-target="ring:AB:end"] circle').last().click({ force: true })
  await expect(page.getByText('stable, twice indeterminate')).toBeVisible()
  await page.keyboard.press('Escape')
  const load = async (amount: string, at: string) => {
    await page.getByLabel('joint or member of a new load').fill('AB')
    await page.getByLabel('amount of a new load').fill(amount)
    await page.getByLabel('place of a new load').fill(at)
    await page.getByLabel('amount of a new load').press('Enter')
  }
  await load('5 kN', '2')
  const arrow = (await page.locator('[data-target="load:1:0"] .hit').boundingBox())!
  const [x, y] = [arrow.x + arrow.width / 2, arrow.y + 12]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + (b[0] - a[0]) / 6, y, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel('place of load 1 of 1')).toHaveValue('3')
  await load('6 kN/m', '')
  await page.keyboard.press('Escape')
  await page
    .locator('.figure [data-target="load:1:1"] text, .figure g[data-target="load:1:1"] > text')
    .first()
    .click()
  const grip = (await page.locator('[data-target="grip:1:1:0"]').boundingBox())!
  const [gx, gy] = [grip.x + grip.width / 2, grip.y + grip.height / 2]
  await page.mouse.move(gx, gy)
  await page.mouse.down()
  await page.mouse.move(gx, gy + 36, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel('value 1 of load 2 of 1')).toHaveValue('0')
  await expect(page.getByLabel('value 2 of load 2 of 1')).toHaveValue('6 kN/m')
})

test('joints clicked on uneven bays; rows copied into another problem', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await newSheet(page)
  await page.getByRole('button', { name: 'grid of bays' }).click()
  await page.getByLabel('grid across').fill('3@4, 5.5')
  await page.keyboard.press('Enter')
  await page.getByLabel('grid up').fill('3')
  await page.keyboard.press('Enter')
  // the lines of the grid stand in view: four bays, five lines across
  const lines = page.locator('.grid-lines line')
  await expect(lines).toHaveCount(7)
  const boxes = await lines.evaluateAll((all) =>
    all
      .slice(0, 5)
      .map((l) => l.getBoundingClientRect())
      .map((b) => [b.x + b.width / 2, b.bottom - 26]),
  )
  for (const i of [0, 3, 4]) await page.mouse.click(boxes[i][0] + 3, boxes[i][1] - 3)
  for (const [id, x] of [
    ['A', '0'],
    ['B', '12'],
    ['C', '17.5'],
  ])
    await expect(page.getByLabel(`x of ${id}`, { exact: true })).toHaveValue(x)
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Control+c')
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toContain('joint\tx\ty\nA\t0\t0')
  await newSheet(page)
  // out of the field that a new problem begins in: what is pasted goes onto the Figure
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+v')
  await expect(page.getByLabel('x of C', { exact: true })).toHaveValue('17.5')
  // cut takes them out and keeps them on the clipboard, to be pasted elsewhere or undone here
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Control+x')
  await expect(page.getByLabel('x of C', { exact: true })).toHaveCount(0)
  await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toContain('C\t17.5\t0')
  await page.keyboard.press('Control+v')
  await expect(page.getByLabel('x of C', { exact: true })).toHaveValue('17.5')
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z')
  await expect(page.getByLabel('x of B', { exact: true })).toHaveValue('12')
})
