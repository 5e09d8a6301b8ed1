import { describe, expect, it } from 'vitest'
import { keepPlace, type Problem } from '@viga/core'
import { figureAs, resultsAs } from '../../app/server/results-out.server'
import { demo, named } from '../demo'

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
  it('that was zoomed into is drawn as it stands, and cut off at its frame', async () => {
    const asked = { show: 'loads,names', view: '150,-900,700,704,664' }
    const [fitted, zoomed] = await Promise.all(
      [{ show: 'loads,names' }, asked].map((q) => figureAs(named('palm-house'), 'svg', q)),
    )
    if ('message' in fitted || 'message' in zoomed) throw new Error('a figure')
    const text = zoomed.body.toString()
    expect(text).toContain('<clipPath id="frame">')
    expect(fitted.body.toString()).not.toContain('clipPath')
    const [, x, y, width, height] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(text)!.map(Number)
    expect(x).toBeGreaterThanOrEqual(0)
    expect(y).toBeGreaterThanOrEqual(0)
    expect(x + width).toBeLessThanOrEqual(704)
    expect(y + height).toBeLessThanOrEqual(664)
    const pdf = await figureAs(named('palm-house'), 'pdf', asked)
    if ('message' in pdf) throw new Error(pdf.message)
    expect(pdf.body.subarray(0, 5).toString()).toBe('%PDF-')
  })
  it.each(['1,2,3', '0,0,0,704,664', 'a,b,c,d,e', '1,0,0,704,99999', '1,0,0,704,664,7', '1,1e99,0,704,664'])(
    'in a view that is none (%s) is refused',
    async (view) =>
      expect(await figureAs(named('palm-house'), 'svg', { view })).toMatchObject({ status: 400 }),
  )
  it('with a scale that is none is refused', async () => {
    expect(await figureAs(named('palm-house'), 'svg', { enlarge: 'much' })).toMatchObject({ status: 400 })
  })
})
