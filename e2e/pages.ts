import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test as base, type Locator, type Page } from '@playwright/test'

/** Errors of the page fail the test that caused them. */
export const test = base.extend<{ page: Page }>({
  page: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', (e) => errors.push(e.message))
    page.on(
      'console',
      (m) =>
        m.type() === 'error' && !/status of (4\d\d|507)|net::ERR/.test(m.text()) && errors.push(m.text()),
    )
    await use(page)
    expect(errors).toEqual([])
  },
})
export { expect }

export const address = () => process.env.VIGA!

/** The page answers to keys and clicks once it is hydrated. */
export async function ready(page: Page) {
  await page.locator('body[data-live]').waitFor({ state: 'attached' })
  await page.waitForLoadState('networkidle')
}

export async function shelf(page: Page) {
  await page.goto(address())
  await ready(page)
}

/** A fresh empty sheet of this test's own. */
export async function newSheet(page: Page) {
  await shelf(page)
  await page.keyboard.press('n')
  await page.waitForURL(/\/given$/)
  await expect(page.getByRole('region', { name: 'Joints' })).toBeVisible()
}

/**
 * A demo problem opened from its file for this test alone, at a part. The Shelf is not asked for it: the
 * copies of other tests would have pushed the original to a later page.
 */
export async function openCopy(page: Page, title: RegExp, part: string) {
  const folder = join(import.meta.dirname, '../web/database/demo')
  const problem = readdirSync(folder)
    .map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as { title: string })
    .find((p) => title.test(`Open ${p.title}`))
  const response = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(problem) },
    maxRedirects: 0,
  })
  const at = response.headers().location.replace('/given', '')
  await page.goto(`${address()}${at}/${part}`)
  await ready(page)
  return at
}

export const block = (page: Page, name: string): Locator => page.getByRole('region', { name, exact: true })

/** Where a joint stands on the screen. */
export async function jointAt(page: Page, id: string): Promise<[number, number]> {
  const box = (await page.locator(`circle[data-target="node:${id}"]`).boundingBox())!
  return [box.x + box.width / 2, box.y + box.height / 2]
}
