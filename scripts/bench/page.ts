import { gzipSync } from 'node:zlib'
import { chromium, type Browser, type Page } from '@playwright/test'
import { serve } from '../serve.mjs'
import { tower } from './tower.js'

/** A joint of a frame of 63 members, loads and live moments drawn, dragged: the time from frame to frame. */
async function drag(page: Page) {
  const problem = { ...tower(7, 4), title: 'bench: a joint dragged' }
  const made = await page.request.post(`${address}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(problem) },
    maxRedirects: 0,
  })
  await page.goto(address + made.headers().location, { waitUntil: 'networkidle' })
  await page.keyboard.press('m')
  const box = (await page.locator('circle[data-target="node:4.2"]').boundingBox())!
  const times = await page.evaluate(
    async ([x, y]) => {
      const hand = document.querySelector('.figure-hand')!
      hand.setPointerCapture = () => {} // there is no pointer to capture
      const send = (type: string, dx: number, dy: number, buttons: number) =>
        hand.dispatchEvent(
          new PointerEvent(type, { bubbles: true, clientX: x + dx, clientY: y + dy, buttons, pointerId: 1 }),
        )
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
  console.log(
    `drag: a joint of ${problem.members.length} members with loads and moments: a frame every ` +
      `${times[Math.floor(times.length / 2)].toFixed(1)} ms (median), nine of ten within ` +
      `${times[Math.floor(times.length * 0.9)].toFixed(1)} ms (16.7 is 60 a second; painted without ` +
      'a graphics card here)',
  )
}

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]

const STEPS = [
  'Working',
  'Unknowns',
  'Stiffness',
  'Loads',
  'Assembly',
  'Partition',
  'Solution',
  'End forces',
  'Reactions',
  'Checks',
  'Diagrams',
]

/**
 * The Working of a demo frame, opened anew each time: from the click on a step to its first view, painted.
 */
async function open(page: Page, given: string, rounds = 5) {
  const all = new Map<string, number[]>(STEPS.map((name) => [name, []]))
  for (let k = 0; k < rounds; k++) {
    await page.goto(given, { waitUntil: 'networkidle' })
    for (const name of STEPS) {
      // as a person does: the pointer is on the link before it is pressed
      const link = page.locator('.running a, .steps a').filter({ hasText: name }).first()
      await link.hover()
      await page.evaluate(
        () =>
          new Promise((r) =>
            requestIdleCallback(() => requestIdleCallback(r, { timeout: 1000 }), { timeout: 1000 }),
          ),
      )
      // it looks before the press is made, however busy the page is
      await page.evaluate(() => {
        const seeing = new Promise<number>((resolve) => {
          const before = document.querySelector('.working h1')?.textContent
          let from = 0
          window.addEventListener('click', (e) => (from = e.timeStamp), { capture: true, once: true })
          const seen = new MutationObserver(() => {
            const now = document.querySelector('.working h1')?.textContent
            if (now === undefined || now === before) return
            seen.disconnect()
            // a message sent from a frame's callback arrives when that frame has been painted
            requestAnimationFrame(() => {
              const { port1, port2 } = new MessageChannel()
              port1.onmessage = () => resolve(performance.now() - from)
              port2.postMessage(null)
            })
          })
          seen.observe(document.body, { subtree: true, childList: true, characterData: true })
        })
        Object.assign(window, { seeing })
      })
      await page.mouse.down()
      await page.mouse.up()
      all.get(name)!.push(await page.evaluate(() => Reflect.get(window, 'seeing') as Promise<number>))
    }
  }
  const said = [...all].map(([name, t]) => `${name} ${median(t).toFixed(0)} (${Math.min(...t).toFixed(0)})`)
  console.log(
    `working: from a click to the painted first view, median of ${rounds} and least: ` +
      `${said.join(', ')} ms (limit 100)`,
  )
}

/**
 * A load changed on the Figure while a step of the working is read: work on the main thread until its numbers
 * are new.
 */
async function editWhileReading(page: Page, given: string) {
  for (const step of [
    'stiffness',
    'loads',
    'assembly',
    'solution',
    // the end forces show a member cut free, on which no load can be pressed
    'reactions',
    'checks',
    'diagrams',
  ]) {
    await page.goto(given.replace('/given', `/working/${step}`), { waitUntil: 'networkidle' })
    if ((await page.locator('.figure g[data-target^="load:"]').count()) === 0) await page.keyboard.press('l')
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
    console.log(
      `working: a keystroke in a load to the new numbers of the step ${step}: median ` +
        `${times[times.length >> 1].toFixed(1)} ms of work on the main thread (limit 16)`,
    )
  }
}

/**
 * Bytes of gzipped JavaScript that a page has asked for until it answers to keys and clicks. What is fetched
 * ahead afterwards does not count.
 */
async function scriptsBeforeUse(browser: Browser, address: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript(() => {
    const asked = () => performance.getEntriesByType('resource').map((entry) => entry.name)
    const watch = new MutationObserver(() => {
      if (!document.body?.hasAttribute('data-live')) return
      watch.disconnect()
      Object.assign(window, { asked: asked().filter((name) => name.endsWith('.js')) })
    })
    watch.observe(document, { subtree: true, childList: true, attributes: true })
  })
  await page.goto(address)
  const handle = await page.waitForFunction(() => (window as unknown as { asked?: string[] }).asked)
  const sizes = (await handle.jsonValue())!.map(async (name) => {
    const script = Buffer.from(await (await fetch(name)).arrayBuffer())
    return gzipSync(script, { level: 9 }).length
  })
  await page.close()
  return (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0)
}

/**
 * An edit of a demo problem to repainted diagrams: work on the main thread, and the scripts a problem page
 * loads before use.
 */
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
  ],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(address)
  const card = page.getByRole('link', { name: /Open Palm house/ }).last()
  const given = address + (await card.getAttribute('href'))!
  for (const part of ['given', 'working', 'results', 'check']) {
    const bytes = await scriptsBeforeUse(browser, given.replace('/given', `/${part}`))
    console.log(
      `page: ${(bytes / 1024).toFixed(0)} kB of gzipped JavaScript before ${part} can be used (limit 320)`,
    )
  }

  await page.goto(given, { waitUntil: 'networkidle' })
  await page.keyboard.press('m')
  const times = await page.evaluate(async () => {
    const field = [...document.querySelectorAll<HTMLInputElement>('input')].find((i) =>
      i.getAttribute('aria-label')?.startsWith('x of C'),
    )!
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!
    const out: number[] = []
    field.focus()
    for (let k = 0; k < 160; k++) {
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
  // a browser compiles what runs often: the first keystrokes after a page was opened take longer
  for (const [which, some] of [
    ['the first fifty', times.slice(0, 50)],
    ['the next hundred', times.slice(50)],
  ] as const) {
    const all = [...some].sort((a, b) => a - b)
    console.log(
      `edit: a keystroke in a coordinate to the repainted moment diagram, ${which}: median ` +
        `${all[Math.floor(all.length / 2)].toFixed(1)} ms, nine of ten within ` +
        `${all[Math.floor(all.length * 0.9)].toFixed(1)} ms of work on the main thread (limit 16)`,
    )
  }
  await drag(page)
  await open(page, given)
  await editWhileReading(page, given)
} finally {
  await browser.close()
  await stop()
}
