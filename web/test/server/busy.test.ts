import { performance } from 'node:perf_hooks'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

/** The load of this thread, as the server measures it from time to time. */
let load = 0

describe('a server that many people ask', () => {
  beforeEach(() => {
    vi.resetModules()
    vi.useFakeTimers()
    vi.spyOn(performance, 'eventLoopUtilization').mockImplementation(() => ({
      active: 0,
      idle: 0,
      utilization: load,
    }))
    load = 0
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.restoreAllMocks()
  })
  const busy = () => import('../../app/server/busy.server')

  it('draws two pages at the same time and leaves the next to the browser, until one is drawn', async () => {
    const { drawsHere } = await busy()
    const pages = Array.from({ length: 4 }, (): { drawn?: () => void } => ({}))
    expect(pages.map(drawsHere)).toEqual([true, true, false, false])
    expect(pages[2].drawn).toBeUndefined()
    pages[0].drawn!()
    // what is told twice, when the page is drawn and when its answer has gone, counts once
    pages[0].drawn?.()
    expect([drawsHere(pages[2]), drawsHere(pages[3])]).toEqual([true, false])
  })

  it('draws none while it has too much to do, and again when it has not', async () => {
    const { drawsHere, isBusy } = await busy()
    load = 0.8
    expect(isBusy()).toBe(false)
    vi.advanceTimersByTime(200)
    expect([isBusy(), drawsHere({})]).toEqual([true, false])
    load = 0.1
    vi.advanceTimersByTime(200)
    expect([isBusy(), drawsHere({})]).toEqual([false, true])
  })
})
