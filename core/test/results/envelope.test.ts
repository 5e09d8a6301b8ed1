import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  displacementEnvelope,
  envelopeOf,
  extremes,
  governing,
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
          const { x, max, min } = envelopeOf(s, all, key)
          const size = Math.max(1, ...s.combinations[0].forces.map(Math.abs))
          for (const a of all) {
            const f = courseOf(s, a, 0)
            const e = extremes(f)[key]
            expect(Math.max(...max)).toBeGreaterThanOrEqual(e.max.value - 1e-9 * size)
            expect(Math.min(...min)).toBeLessThanOrEqual(e.min.value + 1e-9 * size)
            x.forEach((at, k) => {
              const { left, right } = sidesAt(f, at)
              for (const v of [left[key], right[key]]) {
                expect(v).toBeLessThanOrEqual(max[k] + 1e-9 * size)
                expect(v).toBeGreaterThanOrEqual(min[k] - 1e-9 * size)
              }
            })
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  it('of equal cases the first is named, and no case changes what another leaves', () => {
    const s = beam(12, 4, 50)
    const twice = [...s.combinations, ...s.combinations].map((a, i) => ({ ...a, id: `${a.id}${i}` }))
    const g = governing(s, twice, 0, 'V')
    expect([g.max.by, g.min.by]).toEqual(['both0', 'both0'])
    expect(governing(s, [twice[2]], 0, 'V').max).toEqual({ ...g.max, by: 'both2' })
  })

  it('are the same whether the courses of the cases were read before or not', () => {
    const read = beam(12, 4, 30)
    read.combinations.forEach((a) => extremes(courseOf(read, a, 0)))
    for (const key of ['N', 'V', 'M', 'relative'] as const) {
      const fresh = beam(12, 4, 30)
      expect(envelopeOf(fresh, fresh.combinations, key)).toEqual(envelopeOf(read, read.combinations, key))
    }
  })

  it('have their stations by member, in their order, with the exact extremes and bars for N alone', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 6, 0)
      .node('C', 6, -2)
      .member('A', 'B')
      .member('B', 'C', { type: 'bar' })
      .support('A', 'fixed')
      .support('C', 'pin')
      .load({ type: 'point', member: 'AB', at: '50%', fy: -10 })
      .solve()
    const M = envelopeOf(s, s.cases, 'M', 5)
    expect([...M.first]).toEqual([0, M.x.length, M.x.length])
    // five evenly spaced places, of which the middle is that of the load
    expect([...M.x]).toEqual([0, 1.5, 3, 4.5, 6])
    expect(M.by).toEqual(['1'])
    expect(M.ranges[0]).toEqual(governing(s, s.cases, 0, 'M'))
    expect(Math.max(...M.max)).toBeCloseTo(M.ranges[0].max.value, 6)
    const N = envelopeOf(s, s.cases, 'N', 5)
    expect(N.first[2] - N.first[1]).toBe(5)
    expect(N.max[N.first[1]]).toBeCloseTo(N.ranges[1].max.value, 6)
    expect(() => envelopeOf(s, [], 'M')).toThrow('at least one case')
  })
})
