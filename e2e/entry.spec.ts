import { address, block, expect, jointAt, newSheet, openCopy, ready, test } from './pages'

test('a frame stated from the keyboard alone is solved as it is typed', async ({ page }) => {
  await newSheet(page)
  const type = (t: string) => page.keyboard.type(t)
  const press = (k: string) => page.keyboard.press(k)
  // tab reaches the joints without the mouse
  for (
    let i = 0;
    i < 40 &&
    (await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))) !== 'x of a new joint';
    i++
  )
    await press('Tab')
  for (const [x, y] of [
    ['0', '0'],
    ['0', '4'],
    ['4*1.5', '4 + 6*5/12'],
    ['6 + 2.5', '0.5'],
  ]) {
    await type(x)
    await press('Tab')
    await type(y)
    await press('Enter')
  }
  await press('Alt+m')
  await type('abcd')
  await press('Enter')
  await press('Alt+s')
  await type('a fixed')
  await press('Enter')
  await type('d p')
  await press('Enter')
  await press('Alt+l')
  for (const [on, way, amount] of [
    ['bc', 'down', '2.4 kPa*5 m'],
    ['ab', 'right', '1.2 kPa*5 m'],
    ['c', 'left', '4 kN'],
  ]) {
    await type(on)
    await press('Tab')
    await type(way)
    await press('Tab')
    await type(amount)
    await press('Enter')
  }
  await expect(block(page, 'Joints').getByText('6.5 m')).toBeVisible()
  await expect(block(page, 'Members').locator('tbody tr')).toHaveCount(4)
  await expect(page.getByText('stable, twice indeterminate')).toBeVisible()
  await expect(page.locator('.figure text').filter({ hasText: '12 kN/m' })).toBeVisible()
  await press('Escape')
  await page.keyboard.press('Alt+3')
  // loads: 12 · 6.5 down, 6 · 4 right, 4 left
  const sums = block(page, 'Equilibrium')
  await expect(sums.locator('[data-sum="of forces in x"]')).toContainText('20.00')
  await expect(sums.locator('[data-sum="of forces in y"]')).toContainText('−78.00')
  await expect(sums.locator('[data-sum="of forces in y"] .strong')).toHaveText('0')
})

test('two bays and two storeys with their loads, from the keyboard, in well under a minute', async ({
  page,
}) => {
  await newSheet(page)
  const type = (t: string) => page.keyboard.type(t)
  const press = (k: string) => page.keyboard.press(k)
  for (
    let i = 0;
    i < 30 &&
    (await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))) !== 'starting shape';
    i++
  )
    await press('Shift+Tab')
  await type('portal or')
  for (const value of ['6, 4.5', '2@3.5']) {
    await press('Tab')
    await press('Control+a')
    await type(value)
  }
  await press('Enter')
  await press('Alt+l')
  for (const [on, way, amount] of [
    ['de', 'down', '24'],
    ['ef', 'down', '24'],
    ['gh', 'down', '15'],
    ['hi', 'down', '6 to 12 kN/m'],
    ['d', 'right', '20'],
    ['g', 'right', '12 kN'],
  ]) {
    await type(on)
    await press('Tab')
    await type(way)
    await press('Tab')
    await type(amount)
    await press('Enter')
  }
  await expect(page.getByText('stable, 12 times indeterminate')).toBeVisible()
  await press('Escape')
  await press('Alt+3')
  // 24·(6 + 4.5) + 15·6 + 9·4.5 down, 20 + 12 to the right
  const sums = block(page, 'Equilibrium')
  await expect(sums.locator('[data-sum="of forces in y"]')).toContainText('−382.5')
  await expect(sums.locator('[data-sum="of forces in x"]')).toContainText('32.00')
})

test('a portal drawn with the mouse alone', async ({ page }) => {
  await newSheet(page)
  const { mouse } = page
  const frame = (await page.locator('.figure-frame').boundingBox())!
  const drag = async (a: [number, number], b: [number, number]) => {
    await mouse.move(...a)
    await mouse.down()
    await mouse.move((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
    await mouse.move(...b)
    await mouse.up()
  }
  const at = (x: number, y: number): [number, number] => [frame.x + x, frame.y + y]
  await drag(at(180, 520), at(180, 240))
  await drag(await jointAt(page, 'B'), at(460, 240))
  await drag(await jointAt(page, 'C'), at(460, 520))
  await expect(block(page, 'Members').locator('tbody tr')).toHaveCount(4)
  await expect(page.getByLabel('x of A', { exact: true })).toHaveValue('0')
  await expect(page.getByLabel('y of B', { exact: true })).toHaveValue('4')
  await page.getByRole('button', { name: /^Draw/ }).click()
  for (const [joint, support] of [
    ['A', 'fixed'],
    ['D', 'pin'],
  ]) {
    await mouse.click(...(await jointAt(page, joint)))
    await page.getByRole('dialog').getByRole('button', { name: support, exact: true }).click()
    await page.getByRole('button', { name: 'Close' }).click()
  }
  // a force on B, from the left; then one more kilonewton
  await mouse.click(...(await jointAt(page, 'B')))
  const compass = page.getByRole('slider', { name: 'direction of the force on B' })
  await compass.click({ position: { x: 10, y: 44 } })
  await page.getByRole('button', { name: 'amount of the force on B more' }).click()
  await expect(page.locator('.figure text').filter({ hasText: '11 kN' })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  // a hinge at C of BC, set on the Figure
  const [B, C] = [await jointAt(page, 'B'), await jointAt(page, 'C')]
  await mouse.click((B[0] + C[0]) / 2, B[1])
  await page.getByRole('dialog').getByRole('button', { name: 'BC at C: rigid' }).click()
  await page.getByRole('link', { name: /Results/ }).click()
  await expect(block(page, 'Equilibrium').locator('[data-sum="of forces in x"]')).toContainText('11.00')
  await expect(block(page, 'Members').getByText('BC')).toBeVisible()
  await expect(page.getByText('stable, once indeterminate')).toBeVisible()
})

test('an entry that cannot be read keeps its text, says why, and outlives a reload', async ({ page }) => {
  await newSheet(page)
  await page.getByLabel('x of a new joint').fill('0')
  await page.getByLabel('y of a new joint').fill('0')
  await page.keyboard.press('Enter')
  const x = page.getByLabel('x of A', { exact: true })
  await x.fill('12*26 inn')
  await expect(page.getByText('inn is not a unit; did you mean in?', { exact: true })).toBeVisible()
  await page.getByLabel('y of A', { exact: true }).focus()
  await expect(x).toHaveValue('12*26 inn')
  await page.reload()
  await expect(x).toHaveValue('12*26 inn')
  await x.fill('12*26 in')
  await expect(page.locator('tr').filter({ has: x }).getByText('7.9248 m')).toBeVisible()
  // what has the wrong dimension names both
  await page.getByLabel('y of A', { exact: true }).fill('3 kN')
  await expect(page.getByText('Expected a length, got a force.', { exact: true })).toBeVisible()
})

test('undo takes back a half-typed line word by word, also after another part was read', async ({ page }) => {
  await openCopy(page, /Open Palm house/, 'given')
  const joints = block(page, 'Joints')
  await joints.getByLabel('label of joint B', { exact: true }).fill('Q')
  await page.keyboard.press('Enter')
  const line = page.getByRole('textbox', { name: 'joint or member of a new load' })
  await line.focus()
  await page.keyboard.type('QC 12 kN at')
  await page.keyboard.press('Control+z')
  await expect(line).toHaveValue('QC 12 kN ')
  await page.keyboard.press('Control+Shift+z')
  await expect(line).toHaveValue('QC 12 kN at')
  await page.keyboard.press('Alt+3')
  await expect(block(page, 'Reactions')).toBeVisible()
  await page.keyboard.press('Alt+1')
  await expect(line).toHaveValue('QC 12 kN at')
  await line.focus()
  await page.keyboard.press('Control+z')
  await expect(line).toHaveValue('')
  // the line is empty: the key now undoes the last edit of the problem
  await expect(joints.getByLabel('label of joint Q', { exact: true })).toHaveValue('Q')
  await page.keyboard.press('Control+z')
  await expect(joints.getByLabel('label of joint B', { exact: true })).toHaveValue('B')
})

test('undo and redo bring back every state', async ({ page }) => {
  await newSheet(page)
  for (const [x, y] of [
    ['0', '0'],
    ['3', '0'],
    ['3', '4'],
  ]) {
    await page.getByLabel('x of a new joint').fill(x)
    await page.getByLabel('y of a new joint').fill(y)
    await page.keyboard.press('Enter')
  }
  const rows = block(page, 'Joints').getByLabel(/^label of joint/)
  await expect(rows).toHaveCount(3)
  await page.locator('.figure').click({ position: { x: 20, y: 20 }, trial: true })
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(rows).toHaveCount(1)
  await page.keyboard.press('Control+Shift+z')
  await expect(rows).toHaveCount(2)
})

test('joints clicked one after another are a chain, until escape', async ({ page }) => {
  await newSheet(page)
  const frame = (await page.locator('.figure-frame').boundingBox())!
  const at = (x: number, y: number): [number, number] => [frame.x + x, frame.y + y]
  await page.mouse.click(...at(180, 520))
  await page.mouse.click(...(await jointAt(page, 'A'))) // begins at A
  await page.mouse.click(...at(180, 380))
  await page.mouse.click(...at(320, 380))
  const members = block(page, 'Members').getByLabel(/^label of member/)
  await expect(members).toHaveCount(2)
  await page.keyboard.press('Escape')
  await page.mouse.click(...at(460, 520))
  await expect(block(page, 'Joints').getByLabel(/^label of joint/)).toHaveCount(4)
  await expect(members).toHaveCount(2)
})

test('a long table is shown in parts that follow what is appended and selected', async ({ page }) => {
  const nodes = Array.from({ length: 161 }, (_, i) => ({ id: `P${i}`, x: i, y: i % 2 }))
  const members = nodes.slice(1).map((n, i) => ({ id: `m${i}`, start: nodes[i].id, end: n.id }))
  const file = {
    format: 'viga-problem',
    version: 1,
    title: 'Long hedge',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    nodes,
    members,
  }
  const made = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(file) },
    maxRedirects: 0,
  })
  await page.goto(address() + made.headers().location)
  await ready(page)
  const joints = block(page, 'Joints')
  await expect(joints.getByText('rows 1 to 100 of 161')).toBeVisible()
  await expect(joints.getByLabel('label of joint P160')).toHaveCount(0)
  await joints.getByRole('button', { name: 'later' }).click()
  await expect(joints.getByLabel('label of joint P160')).toHaveValue('P160')
  await joints.getByRole('button', { name: 'earlier' }).click()
  // what is entered at the foot is in view, and so is what is chosen on the Figure
  await page.getByLabel('x of a new joint').fill('170')
  await page.getByLabel('y of a new joint').fill('3')
  await page.keyboard.press('Enter')
  await expect(joints.getByText('rows 101 to 162 of 162')).toBeVisible()
  await page.locator('circle[data-target="node:P7"]').click({ force: true })
  await expect(joints.getByText('rows 1 to 100 of 162')).toBeVisible()
})
