import { checkProblem, type Problem, type Section } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { WAY_WORDS, wayOf, withWay, type By } from '../../app/given/section-ways'
import { sectionShape } from '../../app/given/cross-section'
import { outline } from '../../app/given/section-outline'
import { beam } from '../problems'

const ways = Object.keys(WAY_WORDS) as By[]
const first = (p: Problem): Section => p.sections![0]

describe('the ways a section is stated', () => {
  it.each(ways)('%s begins with values that the document takes, and is known again', (by) => {
    const p = withWay(beam, first(beam), by)
    expect(checkProblem(p).ok).toBe(true)
    expect(wayOf(first(p))).toBe(by)
  })

  it.each(ways)('%s leaves nothing behind in the next', (by) => {
    const there = withWay(beam, first(beam), by)
    const back = withWay(there, first(there), 'AI')
    expect(first(back)).toEqual({ id: 'default', A: '0.01 m^2', I: '1e-4 m^4' })
  })

  it('takes a shape of the country of its units', () => {
    const inch = { ...beam, units: { force: 'kip', length: 'in' } } as Problem
    expect(first(withWay(beam, first(beam), 'catalogue')).catalogue).toBe('IPE 200')
    expect(first(withWay(inch, first(inch), 'catalogue')).catalogue).toBe('W12x26')
  })
})

describe('the outline of a section', () => {
  /** The corners of a path, in the drawing's own numbers. */
  const corners = (d: string) =>
    [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])])

  it.each(ways.filter((w) => !['AI', 'EI'].includes(w)))(
    'of %s is as high as the section, about its middle',
    (by) => {
      const p = withWay(beam, first(beam), by)
      const shape = sectionShape(first(p), p)!
      const scale = 100 / shape.properties.depth
      const ys = corners(outline(shape, scale)).map(([, y]) => y)
      if (by === 'circle' || by === 'tube') return expect(outline(shape, scale)).toContain('A50 50')
      expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(100, 1)
      expect(Math.max(...ys) + Math.min(...ys)).toBeCloseTo(0, 1)
    },
  )

  it.each([
    ['rectangle', 0.1 * 0.2],
    ['I', 2 * 0.1 * 0.01 + 0.006 * 0.18],
    ['T', 0.1 * 0.01 + 0.006 * 0.19],
    ['angle', 0.1 * 0.005 + 0.195 * 0.005],
  ] as [By, number][])('of %s encloses its area', (by, area) => {
    const p = withWay(beam, first(beam), by)
    const shape = sectionShape(first(p), p)!
    const c = corners(outline(shape, 1000))
    const twice = c.reduce((t, [x, y], i) => {
      const [u, v] = c[(i + 1) % c.length]
      return t + x * v - u * y
    }, 0)
    expect(Math.abs(twice) / 2e6).toBeCloseTo(area, 6)
    expect(shape.properties.A).toBeCloseTo(area, 9)
  })

  it('is none where a side is missing or cannot be read', () => {
    const p = withWay(beam, first(beam), 'rectangle')
    const broken = { ...first(p), shape: { type: 'rectangle' as const, b: 'wide', h: '200 mm' } }
    expect(sectionShape(broken, p)).toBeUndefined()
    expect(sectionShape({ id: 's', catalogue: 'IPE 9999' }, p)).toBeUndefined()
    expect(sectionShape(first(beam), beam)).toBeUndefined()
  })
})
