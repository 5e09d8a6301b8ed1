import AxeBuilder from '@axe-core/playwright'
import { expect, openCopy, test } from './pages'

test('results stand in letters, whatever value a letter has', async ({ page }) => {
  await openCopy(page, /Open Orangery roof/, 'results/letters')
  const along = page.getByRole('table', { name: 'Along the members in letters' })
  const tie = along.getByRole('row').filter({ has: page.getByRole('math', { name: 'N_FG = 2P' }) })
  await expect(tie).toContainText('40.00 kN')
  await page.goto(page.url().replace(/results\/letters$/, 'given'))
  await page.getByRole('textbox', { name: 'value of P', exact: true }).fill('30 kN')
  await page.keyboard.press('Tab')
  await page.getByRole('link', { name: /^Results/ }).click()
  await page.getByRole('link', { name: 'Letters', exact: true }).click()
  await expect(tie).toContainText('60.00 kN')
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map((v) => `${v.id}: ${v.nodes[0].html}`)).toEqual([])
})
