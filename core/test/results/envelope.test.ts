import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  displacementEnvelope,
  extremes,
  governing,
  memberEnvelope,
  courseOf,
  reactionEnvelope,
  sidesAt,
} from '../../src/index.js'
import { frame } from '../builder.js'

const beam = (p: number, q: number, at: number) =>
  frame()
    .node('A', 0, 0)
    .node('B', 6, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'point', member: 'AB', at: `${at}%`, fy: -p })
    .loadCase('q', { type: 'distributed', member: 'AB', direction: 'Y', q: -q })
    .set({
      combinations: [
        { id: 'both', factors: { '1': 1, q: 1 } },
        { id: 'lift', factors: { '1': -1, q: 0.5 } },
      ],
    })
    .solve()

describe('envelopes', () => {
  it('name the case that governs: the midspan of a beam by hand', () => {
    const s = beam(12, 4, 50)
    const g = governing(s, [...s.cases, ...s.combinations], 0, 'M')
    expect(g.max).toEqual({
      value: expect.closeTo(18000 + 18000, 6) as number,
      x: expect.closeTo(3, 9) as number,
      by: 'both',
    })
    expect(g.min.by).toBe('lift')
    expect(reactionEnvelope(s, [...s.cases, ...s.combinations], 0).y).toMatchObject({
      max: { by: 'both', value: expect.closeTo(18000, 6) as number },
      min: { by: 'lift', value: expect.closeTo(0, 6) as number },
    })
    expect(displacementEnvelope(s, s.cases, 1).x).toMatchObject({ max: { value: 0 } })
  })

  it('hold every case at every station and reach the exact extremes', () => {
    const n = fc.double({ min: -20, max: 20, noNaN: true })
    fc.assert(
      fc.property(
        n,
        n,
        fc.double({ min: 5, max: 95, noNaN: true }),
        fc.constantFrom<'V' | 'M'>('V', 'M'),
        (p, q, at, key) => {
          const s = beam(p, q, at)
          const all = [...s.cases, ...s.combinations]
          const stations = memberEnvelope(s, all, 0, key)
          const size = Math.max(1, ...s.combinations[0].forces.map(Math.abs))
          for (const a of all) {
            const f = courseOf(s, a, 0)
            const e = extremes(f)[key]
            expect(Math.max(...stations.map((t) => t.max.value))).toBeGreaterThanOrEqual(
              e.max.value - 1e-9 * size,
            )
            expect(Math.min(...stations.map((t) => t.min.value))).toBeLessThanOrEqual(
              e.min.value + 1e-9 * size,
            )
            for (const t of stations) {
              const { left, right } = sidesAt(f, t.x)
              for (const v of [left[key], right[key]]) {
                expect(v).toBeLessThanOrEqual(t.max.value + 1e-9 * size)
                expect(v).toBeGreaterThanOrEqual(t.min.value - 1e-9 * size)
              }
            }
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
