// npm run screenshots: remakes the pictures in docs/screenshots from the demo problems.
import { join } from 'node:path'
import { serve } from './serve.mjs'
import { CHROMIUM, ensureBuild, ensureDebian, ensurePackages, MARIADB, root, say } from './tools.mjs'

await ensurePackages()
await ensureDebian({ ...MARIADB, ...CHROMIUM })
await ensureBuild()
const { chromium } = await import('@playwright/test')

const K = 'table[aria-label="stiffness of the whole structure"]'
/**
 * File name, demo problem, part, and a press or two before the picture is taken.
 * @type {[string, RegExp | null, string, ((page: import('@playwright/test').Page) => Promise<unknown>)?][]}
 */
const pictures = [
  ['1-shelf', null, ''],
  ['2-given', /Open Alpine house/, 'given'],
  [
    '3-editing',
    /Open Alpine house/,
    'given',
    async (page) => {
      await page
        .locator('circle[data-target="node:G"], circle[data-target="node:D"], circle[data-target="node:C"]')
        .first()
        .click()
      await page.getByRole('dialog').waitFor()
    },
  ],
  [
    '3b-loads-and-combinations',
    /Open Seed store/,
    'given',
    async (page) => {
      await page.getByText('draw all').click()
      await page
        .locator('.sheet-body')
        .evaluate((e) => e.querySelector('[aria-label="Loads"]')?.scrollIntoView())
    },
  ],
  [
    '3c-group',
    /Open Seed store/,
    'given',
    async (page) => {
      for (const [i, id] of ['B78', 'B89'].entries())
        await page
          .locator(`.figure [data-target="member:${id}"] .hit`)
          .first()
          .click({ force: true, modifiers: i ? ['Shift'] : [] })
      await page.getByRole('dialog', { name: /selected/ }).waitFor()
    },
  ],
  ['4-working-stiffness', /Open Orchid balcony/, 'working/stiffness'],
  [
    '4a-working-factor',
    /Open Orchid balcony/,
    'working/stiffness',
    async (page) => {
      await page.getByLabel('factor taken out').selectOption('own')
      await page.getByRole('button', { name: 'letters' }).click()
      await page.locator('.sheet-body').evaluate((e) => e.scrollTo(0, 250))
      await page.getByText(/^saved /).waitFor()
    },
  ],
  [
    '5-working-assembly',
    /Open Orchid balcony/,
    'working/assembly',
    (page) => page.locator(`${K} tbody tr:nth-child(3) td:nth-of-type(5)`).hover(),
  ],
  [
    '5b-working-elimination',
    /Open Orchid balcony/,
    'working/solution',
    (page) => page.getByRole('button', { name: 'to the end' }).click(),
  ],
  [
    '6-results',
    /Open Palm house/,
    'results',
    (page) => page.getByRole('button', { name: '1.35 G + 1.5 S' }).click(),
  ],
  [
    '7-deflected',
    /Open Palm house/,
    'results',
    async (page) => {
      await page.getByRole('button', { name: 'Wind from the left' }).click()
      await page.keyboard.press('y')
    },
  ],
  [
    '7b-member',
    /Open Palm house/,
    'results/member/BC',
    (page) => page.locator('.apexcharts-canvas').nth(4).waitFor(),
  ],
  [
    '7c-cut',
    /Open Palm house/,
    'results/free-body',
    async (page) => {
      await page.getByRole('button', { name: 'A cut' }).click()
      await page.locator('.cut-line').waitFor({ state: 'attached' })
    },
  ],
  [
    '7d-influence',
    /Open Lily-pond walkway/,
    'results/influence',
    async (page) => {
      await page.getByRole('textbox', { name: 'train of loads' }).fill('8 kip, 6 ft, 12 kip')
      await page.keyboard.press('Tab')
      await page.getByText(/^saved /).waitFor()
    },
  ],
  ['7e-buckling', /Open Pavilion portal/, 'results/buckling'],
  [
    '7f-growth',
    /Open Arbor post/,
    'results/growth',
    async (page) => {
      await page.getByRole('button', { name: 'Run' }).click()
      await page.locator('.growth-chart .apexcharts-svg').first().waitFor()
    },
  ],
  ['8-truss', /Open Fern-walk/, 'results'],
  ['9-check', /Open Lily-pond/, 'check'],
  [
    '10-dark',
    /Open Orangery roof/,
    'results/letters',
    async (page) => {
      await page.getByRole('button', { name: 'Dark' }).click()
      await page.locator('html[data-scheme=dark]').waitFor()
    },
  ],
]

const { address, stop } = await serve()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--font-render-hinting=none',
  ],
})
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  // the notes for a first problem would stand on every picture
  await context.addInitScript(() => localStorage.setItem('viga:first-notes', 'seen'))
  const page = await context.newPage()
  for (const [name, title, part, first] of pictures) {
    await page.goto(address, { waitUntil: 'networkidle' })
    if (title) {
      const given = (await page.getByRole('link', { name: title }).last().getAttribute('href')) ?? ''
      await page.goto(address + given.replace('given', part), { waitUntil: 'networkidle' })
    }
    await first?.(page)
    await page.waitForLoadState('networkidle')
    await page.evaluate(() =>
      Promise.all(document.getAnimations().map((a) => a.finished)).then(() => document.fonts.ready),
    )
    await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) })
    say(name)
  }
} finally {
  await browser.close()
  await stop()
}
