import { problemErrors, type Problem } from '@viga/core'
import type { Page } from '@playwright/test'
import { address, block, expect, newSheet, openCopy, test } from './pages'

/** The document as it is kept: what a saved file holds. */
async function saved(page: Page): Promise<Problem> {
  await expect(page.getByText(/^saved /)).toBeVisible()
  const id = new URL(page.url()).pathname.split('/')[2]
  return (await (await page.request.get(`${address()}/problems/${id}/file`)).json()) as Problem
}

async function beam(page: Page) {
  await newSheet(page)
  await page.getByLabel('spans').fill('6, 4')
  await page.getByRole('button', { name: 'insert', exact: true }).click()
  await expect(block(page, 'Members').getByLabel(/^label of member/)).toHaveCount(2)
}

async function addLoad(page: Page, on: string, amount: string, at = '') {
  await page.getByLabel('joint or member of a new load').fill(on)
  await page.getByLabel('amount of a new load').fill(amount)
  await page.getByLabel('place of a new load').fill(at)
  await page.getByLabel('amount of a new load').press('Enter')
}

test('every sort of load is stated, changed and taken out', async ({ page }) => {
  await beam(page)
  for (const [on, amount, at] of [
    ['AB', '5 kN', '2'],
    ['AB', '3 kN*m', '50%'],
    ['AB', '0 to 6 kN/m', ''],
    ['BC', '4 kN/m', '1 to 3'],
    ['BC', '2 kN', ''],
    ['BC', '2 mm', ''],
    ['BC', '15 K', ''],
  ])
    await addLoad(page, on, amount, at)
  await page.getByLabel('sort of load 5').selectOption('couples')
  await page.getByLabel('value 2 of load 3 of 1').fill('8 kN/m')
  await page.getByLabel('One more point of load 3 of 1').click()
  await page.getByLabel('direction of load 3 of 1').selectOption('up')
  await page.getByLabel('slip of load 6 of 1').fill('1 mm')
  await page.getByLabel('sort of load 1').selectOption('components')
  await page.getByLabel('fx of load 1 of 1').fill('2 kN')
  let p = await saved(page)
  expect(problemErrors(p)).toEqual([])
  expect(p.loadCases![0].loads).toMatchObject([
    { type: 'point', member: 'AB', at: 2, fx: '2 kN', fy: '-5 kN' },
    { type: 'point', m: '3 kN*m' },
    {
      type: 'distributed',
      direction: 'Y',
      points: [{ at: 0, q: 0 }, { at: '50%' }, { at: '100%', q: '8 kN/m' }],
    },
    {
      type: 'distributed',
      points: [
        { at: 1, q: '-4 kN/m' },
        { at: 3, q: '-4 kN/m' },
      ],
    },
    { type: 'couple', member: 'BC' },
    { type: 'misfit', elongation: '2 mm', slip: '1 mm', at: '50%' },
    { type: 'temperature', uniform: '15 K' },
  ])
  await page.getByLabel('what load 1 acts on').fill('C')
  await page.keyboard.press('Enter')
  for (let i = 0; i < 6; i++)
    await page.getByRole('button', { name: 'Take out load 2' }).dispatchEvent('click')
  p = await saved(page)
  expect(p.loadCases![0].loads).toEqual([{ type: 'nodal', node: 'C', fx: '2 kN', fy: '-5 kN' }])
})

test('cases, combinations by hand and from a list; a blank is asked for', async ({ page }) => {
  await beam(page)
  await addLoad(page, 'AB', '5 kN/m')
  await page.getByLabel('label of this case').fill('D')
  await page.keyboard.press('Enter')
  await page.getByLabel('category of this case').selectOption('dead')
  await page.getByLabel('own weight in this case').fill('1')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'another case' }).click()
  await page.getByLabel('label of this case').fill('L')
  await page.keyboard.press('Enter')
  await page.getByLabel('category of this case').selectOption('live')
  await addLoad(page, 'BC', '8 kN/m')
  await page.getByRole('button', { name: 'combine cases' }).click()
  await page.getByLabel('factor of L in C1').fill('')
  await page.keyboard.press('Enter')
  await expect(page.getByText('C1 has a factor blank, which counts as 0.')).toBeVisible()
  await page.getByLabel('factor of L in C1').fill('3/2')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/factor blank/)).toHaveCount(0)
  await page.getByLabel('Published list of combinations').selectOption('plain')
  await page.getByRole('button', { name: 'add 2: 1.4 D; 1.2 D + 1.6 L' }).click()
  const p = await saved(page)
  expect(problemErrors(p)).toEqual([])
  expect(p.combinations!.map((c) => c.factors)).toEqual([{ D: 1, L: 1.5 }, { D: 1.4 }, { D: 1.2, L: 1.6 }])
  expect(p.loadCases).toMatchObject([
    { id: 'D', category: 'dead', selfWeight: 1 },
    { id: 'L', category: 'live' },
  ])
})

test('springs, settlement, partial releases and a rolled shape', async ({ page }) => {
  await beam(page)
  await page.getByRole('button', { name: 'springs and settlement at B' }).click()
  await page.getByLabel('settlement y at B').fill('-6 mm')
  await page.getByRole('button', { name: 'springs and settlement at C' }).click()
  await page.getByLabel('y of the support at C').selectOption('spring')
  await page.getByLabel('spring y at C').fill('800 kN/m')
  await page.getByRole('button', { name: 'ends and behaviour of AB' }).click()
  await page.getByLabel('turning at B of AB').selectOption('spring')
  await page.getByLabel('spring M at B of AB').fill('4000 kN*m')
  await page.getByLabel('shape of section default').selectOption('catalogue')
  await page.getByLabel('rolled shape of default').fill('ipe 30')
  await page.getByLabel('rolled shape of default').press('Tab')
  await expect(block(page, 'Properties').getByText('A 53.81 cm²')).toBeVisible()
  await page.getByRole('button', { name: 'more of material steel' }).click()
  await page.getByLabel('usual values for steel').selectOption({ label: 'Steel, 210 GPa' })
  const p = await saved(page)
  expect(problemErrors(p)).toEqual([])
  expect(p.supports).toEqual([
    { node: 'A', type: 'pin' },
    { node: 'B', type: 'roller', settlement: { y: '-6 mm' } },
    { node: 'C', restrain: { x: 'free', y: '800 kN/m', rotation: 'free' } },
  ])
  expect(p.members[0].releases).toEqual({ end: { M: '4000 kN*m' } })
  expect(p.sections![0]).toMatchObject({ catalogue: 'IPE 300' })
  expect(p.materials![0]).toMatchObject({ E: '210 GPa', alpha: '12e-6/K' })
  await expect(page.getByText('stable, once indeterminate')).toBeVisible()
})

test('relative stiffness: 2EI, with EI as reference', async ({ page }) => {
  await beam(page)
  await page.getByLabel('shape of section default').selectOption('EI')
  await expect(page.getByLabel('EI of default')).toHaveValue('EI')
  await page.getByLabel('EI of default').fill('2EI')
  await page.keyboard.press('Enter')
  await expect(block(page, 'Properties').getByText(/EI 40.000 kN·m²/)).toBeVisible()
  expect((await saved(page)).symbols).toEqual({ EI: '20000 kN*m^2' })
})

test('joints stated by others, named anew, and a doubt mended', async ({ page }) => {
  await beam(page)
  const line = page.getByLabel('joint stated by others')
  await line.fill('from C: 3 at 90')
  await line.press('Enter')
  await expect(page.getByLabel('y of D', { exact: true })).toHaveValue('3')
  await line.fill('from Q: 1, 1')
  await line.press('Enter')
  await expect(page.getByText('There is no joint Q.')).toBeVisible()
  await line.fill('from A: 3, 0')
  await line.press('Enter')
  await expect(page.getByLabel('label of member AE')).toBeVisible() // it lies on AB and splits it
  await page.getByLabel('name all joints').selectOption('numbers place')
  await expect(page.getByLabel('label of member 1–2')).toBeVisible()
  await page.getByRole('region', { name: 'Doubtful' }).getByRole('button', { name: 'Take out 5' }).click()
  await expect(page.getByLabel(/^label of joint/)).toHaveCount(4)
  await expect(page.getByText('No member reaches 5')).toHaveCount(0)
})

test('undo outlives a reload', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'given')
  await page.getByLabel('x of B', { exact: true }).fill('2.5')
  await page.getByLabel('x of B', { exact: true }).press('Enter')
  await page.getByLabel('y of B', { exact: true }).fill('0.25')
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: y of B')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('y of B', { exact: true })).toHaveValue('0')
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: x of B')
  await expect(page.getByRole('button', { name: 'Redo' })).toHaveAttribute('title', 'Redo: y of B')
})
