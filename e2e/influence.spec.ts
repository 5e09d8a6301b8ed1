import { expect, openCopy, test } from './pages'

test('an influence line is drawn, a train stands at its worst place, and both are kept', async ({ page }) => {
  await openCopy(page, /Open Potting bench/, 'results/influence')
  await expect(page.locator('.figure-caption')).toContainText('Influence line of')
  const values = page.getByRole('table', { name: 'Values of the influence line' })
  // the middle of AB, 2.35 m long: L/4 there, and below zero on the overhang
  await expect(values).toContainText('0.5875')
  await expect(values).toContainText('−0.325')
  await page.getByRole('textbox', { name: 'train of loads' }).fill('0.9 kN, 0.5 m, 0.9 kN')
  await page.keyboard.press('Tab')
  const train = page.getByRole('table', { name: 'Worst places of the train' })
  await expect(train).toContainText('kN·m')
  await expect(page.locator('.figure text').filter({ hasText: '0.9 kN' })).toHaveCount(2)
  await expect(page.getByText(/^saved /)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'train of loads' })).toHaveValue('0.9 kN, 0.5 m, 0.9 kN')
  await expect(page.getByRole('table', { name: 'Worst places of the train' })).toContainText('first load')
  // two loads 0.5 m apart: their middle and one of them stand alike on both sides of the middle of AB
  await page.getByRole('button', { name: 'Envelope', exact: true }).last().click()
  const worst = page.getByRole('table', { name: 'Absolute worst values of the train' })
  await expect(worst).toContainText('0.8445')
  await expect(worst).toContainText('−0.7200')
  await expect(page.locator('.figure-caption')).toContainText('Envelope of M')
})
