import { chromium, type Page } from '@playwright/test'
import { serve } from '../serve.mjs'
import { tower } from './tower.js'

/**
 * A structure of 2,000 members in the Results: the time from frame to frame while its Figure is panned and
 * zoomed, the work of a key for another diagram, and the envelope of 20 combinations.
 */

const sorted = (all: readonly number[]) => [...all].sort((a, b) => a - b)
const share = (all: readonly number[], part: number) => sorted(all)[Math.floor(all.length * part)]

const problem = tower(26, 37)
const combinations = Array.from({ length: 20 }, (_, i) => ({
  id: `C${i + 1}`,
  title: `Combination ${i + 1}`,
  factors: Object.fromEntries(
    (problem.loadCases ?? []).map((c, j) => [c.id, 1 + 0.05 * ((i * (j + 3)) % 20)]),
  ),
}))

/** Frames while something is done in each of them, ms. */
async function frames(page: Page, what: 'pan' | 'zoom' | 'switch'): Promise<number[]> {
  return page.evaluate(async (kind) => {
    const hand = document.querySelector('.figure-hand')!
    hand.setPointerCapture = () => {} // there is no pointer to capture
    const { left, top, width, height } = hand.getBoundingClientRect()
    const at = (dx: number, dy: number) => ({
      bubbles: true,
      cancelable: true,
      clientX: left + width / 2 + dx,
      clientY: top + height / 2 + dy,
    })
    const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve))
    const pan = (k: number) =>
      hand.dispatchEvent(
        new PointerEvent('pointermove', {
          ...at(60 * Math.sin(k / 9), 40 * Math.sin(k / 7)),
          buttons: 1,
          pointerId: 1,
        }),
      )
    const zoom = (k: number) =>
      hand.dispatchEvent(new WheelEvent('wheel', { ...at(0, 0), deltaY: Math.sin(k / 12) > 0 ? -24 : 24 }))
    if (kind === 'pan')
      hand.dispatchEvent(
        new PointerEvent('pointerdown', { ...at(0, 0), buttons: 1, button: 0, pointerId: 1 }),
      )
    const out: number[] = []
    let last = await frame()
    for (let k = 1; k <= 120; k++) {
      if (kind === 'pan') pan(k)
      else if (kind === 'zoom') zoom(k)
      else document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'nvm'[k % 3], bubbles: true }))
      const now = await frame()
      out.push(now - last)
      last = now
    }
    if (kind === 'pan') hand.dispatchEvent(new PointerEvent('pointerup', { ...at(0, 0), pointerId: 1 }))
    await new Promise((resolve) => setTimeout(resolve, 1500)) // the drawing for the view it came to rest in
    return out
  }, what)
}

/** A key for another diagram: the work of the main thread in the frame that paints it, ms. */
async function switched(page: Page): Promise<number[]> {
  return page.evaluate(async () => {
    const out: number[] = []
    for (let k = 0; k < 24; k++) {
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const from = performance.now()
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'nvm'[k % 3], bubbles: true }))
      // a message that is sent in a frame's callback arrives when that frame has been painted
      await new Promise<void>((resolve) => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => resolve()
        port2.postMessage(null)
      })
      out.push(performance.now() - from)
      await new Promise((resolve) => setTimeout(resolve, 300))
    }
    return out
  })
}

/**
 * From a press to the curves and to the tables of an envelope that were not there before, and the longest
 * that the page could not answer meanwhile, ms.
 */
async function enveloped(page: Page, press: () => Promise<void>) {
  await page.evaluate(() => {
    let longest = 0
    new PerformanceObserver((list) => {
      for (const e of list.getEntries()) longest = Math.max(longest, e.duration)
    }).observe({ type: 'longtask' })
    const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve))
    const curvesNow = () =>
      document.querySelector('.figure [data-diagram] [stroke-dasharray]')?.getAttribute('d')
    const tablesNow = () => document.querySelector('.result-table')?.textContent
    const made = new Promise((resolve) =>
      window.addEventListener(
        'click',
        ({ timeStamp }) => {
          const until = async (now: () => string | null | undefined) => {
            const before = now()
            while (!now() || now() === before) await frame()
            return performance.now() - timeStamp
          }
          resolve(
            Promise.all([until(curvesNow), until(tablesNow)]).then(async ([curves, tables]) => {
              // what took long is told of after it
              for (let k = 0; k < 5; k++) await frame()
              return { curves, tables, longest }
            }),
          )
        },
        { capture: true, once: true },
      ),
    )
    Object.assign(window, { made })
  })
  await press()
  const { curves, tables, longest } = await page.evaluate(
    () => Reflect.get(window, 'made') as Promise<Record<'curves' | 'tables' | 'longest', number>>,
  )
  return (
    `curves after ${curves.toFixed(0)} ms, tables after ${tables.toFixed(0)} ms, the page busy for ` +
    `${longest.toFixed(0)} ms at the longest (limit 1000)`
  )
}

const { address, stop } = await serve()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const made = await page.request.post(`${address}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify({ ...problem, combinations, title: 'bench: large' }) },
    maxRedirects: 0,
  })
  const results = address + made.headers().location.replace('/given', '/results')
  await page.goto(results, { waitUntil: 'networkidle' })
  await page.locator('.running-note', { hasText: 'stable' }).waitFor()
  const members = problem.members.length
  for (const what of ['pan', 'zoom'] as const) {
    const times = await frames(page, what)
    console.log(
      `large: ${what} of ${members} members with moments: a frame every ` +
        `${share(times, 0.5).toFixed(1)} ms (median), nine of ten within ` +
        `${share(times, 0.9).toFixed(1)} ms ` +
        '(16.7 is 60 a second; painted without a graphics card here)',
    )
  }
  const times = await switched(page)
  console.log(
    `large: another diagram of ${members} members: ${share(times, 0.5).toFixed(1)} ms of the main thread ` +
      `(median), nine of ten within ${share(times, 0.9).toFixed(1)} ms (16.7 is one frame)`,
  )
  const each = await frames(page, 'switch')
  console.log(
    `large: another diagram in every frame: a frame every ${share(each, 0.5).toFixed(1)} ms (median), nine ` +
      `of ten within ${share(each, 0.9).toFixed(1)} ms (16.7 is 60 a second)`,
  )
  const of = `the envelope of ${combinations.length} combinations of ${members} members`
  const opened = page.getByRole('link', { name: 'Envelope', exact: true })
  console.log(`large: ${of}: ${await enveloped(page, () => opened.click())}`)
  // only a combination that governs changes the curves when it is taken out
  const factor = (c: (typeof combinations)[number]) => Object.values(c.factors)[0]
  const { title } = combinations.reduce((most, c) => (factor(c) > factor(most) ? c : most))
  const one = page.getByRole('checkbox', { name: title, exact: true })
  console.log(`large: ${of}, one taken out: ${await enveloped(page, () => one.click())}`)
} finally {
  await browser.close()
  await stop()
}
