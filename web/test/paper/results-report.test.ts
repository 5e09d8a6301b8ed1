import { describe, expect, it } from 'vitest'
import { keepPlace, type Problem } from '@viga/core'
import { figureAs, resultsAs } from '../../app/server/results-out.server'
import { demo } from '../demo'

const named = (part: string): Problem => demo.find(([f]) => f.includes(part))![1]

describe('a report of results', () => {
  it.each(demo)('%s: every problem has one, as a PDF with its name', async (_, problem) => {
    const out = await resultsAs(problem, 'pdf', {})
    if ('message' in out) throw new Error(out.message)
    expect(out.body.subarray(0, 5).toString()).toBe('%PDF-')
    expect(out.name).toMatch(/-results\.pdf$/)
  })
  it('is longer with more parts, and with readings that are kept', async () => {
    const palm = named('palm-house')
    const size = async (problem: Problem, parts: string) => {
      const out = await resultsAs(problem, 'pdf', { parts, case: 'U1' })
      return 'message' in out ? 0 : out.body.length
    }
    const some = await size(palm, 'diagrams')
    expect(await size(palm, 'diagrams,extremes')).toBeGreaterThan(some)
    expect(await size(keepPlace(palm, { member: 'BC', at: 'L/3' }), 'diagrams')).toBeGreaterThan(some)
  })
  it('of what cannot be had says why', async () => {
    const palm = named('palm-house')
    expect(await resultsAs(palm, 'doc', {})).toMatchObject({ status: 404 })
    expect(await resultsAs(palm, 'pdf', { case: 'none' })).toMatchObject({ status: 404 })
    expect(await resultsAs({ ...palm, supports: [] }, 'pdf', {})).toMatchObject({ status: 400 })
  })
})

describe('a figure as a file', () => {
  it('shows what its address names, and leaves out what it does not know', async () => {
    const out = await figureAs(named('palm-house'), 'svg', { show: 'M,nothing', case: 'G', caption: '1' })
    if ('message' in out) throw new Error(out.message)
    expect(out.body.toString()).toContain('Bending moments')
    expect(out.body.toString()).toContain('34.55')
  })
  it('of a statement without a solution is drawn as far as it goes', async () => {
    const out = await figureAs({ ...named('palm-house'), supports: [] }, 'svg', { show: 'loads' })
    expect('message' in out).toBe(false)
  })
  it('with a scale that is none is refused', async () => {
    expect(await figureAs(named('palm-house'), 'svg', { enlarge: 'much' })).toMatchObject({ status: 400 })
  })
})
