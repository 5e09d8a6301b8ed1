import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { newProblem } from '@viga/core'
import { compute, endCompute, once, startCompute } from '../../app/server/compute/pool.server'

describe('jobs in this thread', () => {
  it('check what is to be kept, and say of what is not where and why', async () => {
    const check = (text: string) => compute('check', { text })
    expect(await check(JSON.stringify({ revision: 3, document: newProblem('A rail') }))).toMatchObject({
      ok: true,
      revision: 3,
      written: { title: 'A rail', words: expect.stringContaining('a rail') as string, kind: 'frame' },
    })
    expect(await check('null')).toMatchObject({ ok: false, errors: [{ path: '$' }] })
    expect(await check('{"revision":5e9,"document":{}}')).toMatchObject({
      ok: false,
      errors: [{ path: 'revision' }],
    })
  })
})

describe('jobs in threads', () => {
  beforeAll(() => startCompute(join(import.meta.dirname, 'slow-worker.mjs'), 1, () => {}))
  afterAll(() => endCompute())

  it('are done there, and one that is given up ends its work and leaves the thread to others', async () => {
    expect(await compute('card', { document: 'a beam' })).toBe('drawn: a beam')
    const giveUp = new AbortController()
    const endless = compute('card', { document: 'for ever' }, giveUp.signal)
    const waiting = compute('card', { document: 'a frame' })
    giveUp.abort()
    await expect(endless).rejects.toThrow()
    expect(await waiting).toBe('drawn: a frame')
  })
  it('that take too much memory are refused with a sentence, and the others go on', async () => {
    await expect(compute('card', { document: 'all memory' })).rejects.toMatchObject({
      init: { status: 422 },
      data: expect.stringContaining('more memory') as string,
    })
    expect(await compute('card', { document: 'a truss' })).toBe('drawn: a truss')
  })
  it('a given-up job that still waits for its turn is never begun', async () => {
    const busy = new AbortController()
    const endless = compute('card', { document: 'for ever' }, busy.signal)
    const giveUp = new AbortController()
    const queued = compute('card', { document: 'all memory' }, giveUp.signal)
    giveUp.abort()
    await expect(queued).rejects.toThrow()
    busy.abort()
    await expect(endless).rejects.toThrow()
    expect(await compute('card', { document: 'after' })).toBe('drawn: after')
  })
})

it('what several ask for at once is made once, until nobody asks for it any more', async () => {
  let finish: (out: object) => void = () => {}
  let wanted: AbortSignal | undefined
  const make = vi.fn((signal: AbortSignal) => {
    wanted = signal
    return new Promise<object>((resolve) => (finish = resolve))
  })
  const [first, second] = [new AbortController(), new AbortController()]
  const both = [once('class', make, first.signal), once('class', make, second.signal)]
  expect(make).toHaveBeenCalledTimes(1)
  first.abort()
  expect(wanted?.aborted).toBe(false)
  finish({ body: Buffer.from('pdf') })
  expect(await both[1]).toBe(await both[0])
  // of one that all have given up nothing is left to be waited for
  const alone = new AbortController()
  void once('given up', make, alone.signal).catch(() => {})
  alone.abort()
  expect(wanted?.aborted).toBe(true)
  void once('given up', make)
  expect(make).toHaveBeenCalledTimes(3)
})

it('what is made under one name is made once', async () => {
  const make = vi.fn(() => Promise.resolve({ body: Buffer.from('pdf') }))
  expect(await once('a/1', make)).toBe(await once('a/1', make))
  await once('a/2', make)
  expect(make).toHaveBeenCalledTimes(2)
  // a refusal is no file and is not kept
  const refuse = vi.fn(() => Promise.resolve({ message: 'no' }))
  await once('a/3', refuse)
  await once('a/3', refuse)
  expect(refuse).toHaveBeenCalledTimes(2)
})
