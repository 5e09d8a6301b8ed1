import { gzipSync } from 'node:zlib'
import { chromium, type Page } from '@playwright/test'
import { serve } from '../serve.mjs'
import { tower } from './tower.js'

/** A joint of a frame of 63 members, loads and live moments drawn, dragged: the time from frame to frame. */
async function drag(page: Page) {
  const problem = { ...tower(7, 4), title: 'bench: a joint dragged' }
  const made = await page.request.post(`${address}/?index`, { multipart: { intent: 'open', file: JSON.stringify(problem) }, maxRedirects: 0 })
  await page.goto(address + made.headers().location, { waitUntil: 'networkidle' })
  await page.keyboard.press('m')
  const box = (await page.locator('circle[data-target="node:4.2"]').boundingBox())!
  const times = await page.evaluate(
    async ([x, y]) => {
      const svg = document.querySelector('.figure svg')!
      svg.setPointerCapture = () => {} // there is no pointer to capture
      const send = (type: string, dx: number, dy: number, buttons: number) => svg.dispatchEvent(new PointerEvent(type, { bubbles: true, clientX: x + dx, clientY: y + dy, buttons, pointerId: 1 }))
      send('pointerdown', 0, 0, 1)
      const out: number[] = []
      const frame = () => new Promise<number>((r) => requestAnimationFrame(r))
      let last = await frame()
      for (let k = 1; k <= 90; k++) {
        send('pointermove', 20 * Math.sin(k / 3), 25 + 20 * Math.cos(k / 5), 1)
        const now = await frame()
        out.push(now - last)
        last = now
      }
      send('pointerup', 0, 25, 0)
      return out.slice(30)
    },
    [box.x + box.width / 2, box.y + box.height / 2],
  )
  times.sort((a, b) => a - b)
  console.log(`drag: a joint of ${problem.members.length} members with loads and moments: a frame every ${times[Math.floor(times.length / 2)].toFixed(1)} ms (median), nine of ten within ${times[Math.floor(times.length * 0.9)].toFixed(1)} ms (16.7 is 60 a second; painted without a graphics card here)`)
}

/** The Working of a demo frame: from the click on it to its first painted page, and from an edit to the numbers in view. */
async function open(page: Page, given: string) {
  await page.goto(given, { waitUntil: 'networkidle' })
  // as a person does: the pointer is on the link before it is pressed
  await page.getByRole('link', { name: /^Working/ }).hover()
  await page.waitForLoadState('networkidle')
  const clicked = await page.evaluate(async () => {
    const frame = () => new Promise<number>((r) => requestAnimationFrame(() => setTimeout(() => r(performance.now()))))
    const link = (name: string) => [...document.querySelectorAll<HTMLAnchorElement>('a')].find((a) => a.textContent?.trim().replace(/^\d+ ?|\d+$/g, '').trim() === name)!
    const out: Record<string, number> = {}
    for (const [name, heading] of [['Working', 'Idealisation'], ['Stiffness', 'Stiffness of'], ['End forces', 'End forces of'], ['Assembly', 'Assembly']]) {
      const t0 = performance.now()
      link(name).click()
      while (!document.querySelector('.working h1')?.textContent?.startsWith(heading)) await frame()
      out[name] = (await frame()) - t0
    }
    return out
  })
  console.log(`working: from a click to the painted page: ${Object.entries(clicked).map(([k, v]) => `${k} ${v.toFixed(0)} ms`).join(', ')} (limit 100)`)
}

/** A load changed on the Figure while a step of the working is read: work on the main thread until its numbers are new. */
async function editWhileReading(page: Page, given: string) {
  for (const step of ['reactions', 'assembly', 'solution']) {
    await page.goto(given.replace('/given', `/working/${step}`), { waitUntil: 'networkidle' })
    if (step !== 'reactions') await page.keyboard.press('l')
    await page.locator('.figure g[data-target^="load:"] text').filter({ hasText: 'kN/m' }).first().click()
    await page.locator('.beside input').first().waitFor()
    const times = await page.evaluate(async () => {
      const field = document.querySelector<HTMLInputElement>('.beside input')!
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!
      const out: number[] = []
      field.focus()
      for (let k = 0; k < 40; k++) {
        const t0 = performance.now()
        set.call(field, `${(2 + (k % 7) * 0.1).toFixed(1)} kN/m`)
        field.dispatchEvent(new InputEvent('input', { bubbles: true }))
        document.querySelector('.working')!.getBoundingClientRect()
        await Promise.resolve()
        out.push(performance.now() - t0)
        await new Promise((r) => requestAnimationFrame(() => r(undefined)))
      }
      return out.slice(10).sort((a, b) => a - b)
    })
    console.log(`working: a keystroke in a load to the new numbers of the step ${step}: median ${times[times.length >> 1].toFixed(1)} ms of work on the main thread (limit 16)`)
  }
}

/** An edit of a demo problem to repainted diagrams: work on the main thread, and the scripts a problem page loads before use. */
const { address, stop } = await serve()
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'] })
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  let bytes = 0
  const sizes: Promise<void>[] = []
  page.on('response', (r) => {
    if (!/\.js($|\?)/.test(r.url())) return
    sizes.push(r.body().then((b) => void (bytes += gzipSync(b, { level: 9 }).length)))
  })
  await page.goto(address)
  const card = page.getByRole('link', { name: /Open Palm house/ }).last()
  const given = address + (await card.getAttribute('href'))!
  bytes = 0
  await page.goto(given.replace('/given', '/results'), { waitUntil: 'networkidle' })
  await Promise.all(sizes)
  console.log(`page: ${(bytes / 1024).toFixed(0)} kB of gzipped JavaScript before the problem page can be used (limit 350)`)

  await page.goto(given, { waitUntil: 'networkidle' })
  await page.keyboard.press('m')
  const times = await page.evaluate(async () => {
    const field = [...document.querySelectorAll<HTMLInputElement>('input')].find((i) => i.getAttribute('aria-label')?.startsWith('x of C'))!
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!
    const out: number[] = []
    field.focus()
    for (let k = 0; k < 60; k++) {
      const t0 = performance.now()
      set.call(field, `${(7 + (k % 5) * 0.1).toFixed(1)} m`)
      field.dispatchEvent(new InputEvent('input', { bubbles: true }))
      // React flushes an input event's work before the task ends; layout is forced so that it is counted too
      document.querySelector('.figure svg')!.getBoundingClientRect()
      await Promise.resolve()
      out.push(performance.now() - t0)
      await new Promise((r) => requestAnimationFrame(() => r(undefined)))
    }
    return out.slice(10)
  })
  times.sort((a, b) => a - b)
  console.log(`edit: a keystroke in a coordinate to the repainted moment diagram: median ${times[Math.floor(times.length / 2)].toFixed(1)} ms, worst ${times[times.length - 1].toFixed(1)} ms of work on the main thread (limit 16)`)
  await drag(page)
  await open(page, given)
  await editWhileReading(page, given)
} finally {
  await browser.close()
  await stop()
}
