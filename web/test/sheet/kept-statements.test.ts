import 'fake-indexeddb/auto'
import { set, createStore } from 'idb-keyval'
import { beforeEach, describe, expect, it } from 'vitest'
import { forgetStatements, keepStatement, keptStatements } from '../../app/sheet/kept-statements'
import { beam } from '../problems'

const titled = (title: string) => ({ ...beam, title })

beforeEach(() => forgetStatements())

describe('statements kept to be compared with', () => {
  it('are there again, the newest first, each problem by itself', async () => {
    await keepStatement('p', titled('first'))
    await keepStatement('q', titled('another problem'))
    const kept = await keepStatement('p', titled('second'))
    expect(kept.map((k) => k.problem.title)).toEqual(['second', 'first'])
    expect((await keptStatements('p')).map((k) => k.problem.title)).toEqual(['second', 'first'])
    expect(await keptStatements('q')).toHaveLength(1)
  })

  it('are a dozen at the most: the oldest goes', async () => {
    for (let i = 1; i <= 14; i++) await keepStatement('p', titled(`statement ${i}`))
    const kept = await keptStatements('p')
    expect(kept).toHaveLength(12)
    expect([kept[0].problem.title, kept[11].problem.title]).toEqual(['statement 14', 'statement 3'])
  })

  it('that are no problems any more are passed over', async () => {
    const place = createStore('viga-kept', 'statements')
    await set(
      'p',
      [
        { at: '2026-01-01', problem: { format: 'something' } },
        { at: 3, problem: beam },
      ],
      place,
    )
    expect(await keptStatements('p')).toEqual([])
    await set('p', 'not a list', place)
    expect(await keptStatements('p')).toEqual([])
    expect(await keepStatement('p', titled('after all'))).toHaveLength(1)
  })

  it('are forgotten at sign-out', async () => {
    await keepStatement('p', titled('first'))
    await forgetStatements()
    expect(await keptStatements('p')).toEqual([])
  })
})
