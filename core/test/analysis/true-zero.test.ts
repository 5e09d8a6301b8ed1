import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cancelled } from '../../src/analysis/true-zero.js'
import { courseOf, stations } from '../../src/results/courses.js'
import { extremes } from '../../src/results/extremes.js'
import { frame, truss } from '../builder.js'

describe('a sum that is zero but for rounding', () => {
  it('is zero against its terms, and stays against what is merely larger', () => {
    expect(cancelled(0.1 + 0.2 - 0.3, 0.6)).toBe(0)
    expect(cancelled(1e-9, 1)).toBe(1e-9)
    expect(cancelled(0, 0)).toBe(0)
  })
})

/** A truss on A and C, with a post from B, at a height over the supports, to the top D. */
const kite = (low: number, high: number) =>
  truss()
    .node('A', 0, 0)
    .node('B', 2.3, low)
    .node('C', 4.6, 0)
    .node('D', 2.3, high)
    .member('A', 'B')
    .member('B', 'C')
    .member('A', 'D')
    .member('D', 'C')
    .member('B', 'D')
    .support('A', 'pin')
    .support('C', 'roller')

describe('results that are zero', () => {
  it('are so in a determinate frame that a settlement moves: no force is left by rounding', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 900 }),
        fc.integer({ min: -200, max: 200 }),
        fc.integer({ min: -50, max: 50 }),
        (right, up, mm) => {
          const [x, y, s] = [right / 100, up / 100, mm / 1000]
          const { cases } = frame()
            .node('A', 0, 0)
            .node('B', x, 3 + y)
            .node('C', x + 4, y)
            .member('A', 'B')
            .member('B', 'C')
            .support('A', { type: 'pin', settlement: { x: s, y: -2 * s } })
            .support('C', { type: 'roller', settlement: { y: s } })
            .solve()
          expect([...cases[0].forces, ...cases[0].reactions].filter((v) => v !== 0)).toEqual([])
        },
      ),
    ))
  it('are so in a determinate truss of which bars are warmed or too long', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 100, max: 500 }), { minLength: 6, maxLength: 6 }),
        fc.integer({ min: -40, max: 40 }),
        fc.integer({ min: 0, max: 8 }),
        ([a, b, c, h, k, l], much, bar) => {
          const s = truss()
          const place = (id: string, x: number, y: number) => s.node(id, x / 100, y / 100)
          place('A', 0, 0)
          place('B', a, 0)
          place('C', a + b, 0)
          place('D', a + b + c, 0)
          place('E', a / 2, h)
          place('F', a + b / 2, k)
          place('G', a + b + c / 2, l)
          const bars = ['AB', 'BC', 'CD', 'AE', 'EB', 'EF', 'BF', 'FC', 'FG', 'CG', 'GD']
          for (const [start, end] of bars) s.member(start, end)
          s.support('A', 'pin').support('D', 'roller')
          const [start, end] = bars[bar]
          s.load({ type: 'misfit', member: start + end, elongation: much / 1000 })
          s.load({ type: 'temperature', member: 'FC', uniform: much })
          const { cases } = s.solve()
          expect([...cases[0].forces, ...cases[0].reactions].filter((v) => v !== 0)).toEqual([])
        },
      ),
    ))
  it('are so in a determinate frame that is warmed on one side or does not fit', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -300, max: 300 }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: -40, max: 40 }),
        fc.constantFrom('AB', 'BC', 'CD'),
        fc.boolean(),
        ([p, q, r], much, member, cantilever) => {
          const s = frame()
            .node('A', 0, 0)
            .node('B', 3.1, p / 100)
            .node('C', 7.3, q / 100)
            .node('D', 9.9, r / 100)
          for (const m of ['AB', 'BC', 'CD']) s.member(m[0], m[1])
          if (cantilever) s.support('A', 'fixed')
          else s.support('A', 'pin').support('D', 'roller')
          s.load({ type: 'temperature', member, uniform: much, gradient: 2 * much })
          s.load({ type: 'misfit', member: 'BC', at: 1.7, kink: much / 1e4 })
          const { cases } = s.solve()
          expect([...cases[0].forces, ...cases[0].reactions].filter((v) => v !== 0)).toEqual([])
        },
      ),
    ))
  it('are so at a hinged foot, at a roller and in the bars that carry nothing', () => {
    const s = kite(0, 1.7).load({ type: 'nodal', node: 'D', fy: -17.3 }).solve()
    const [{ forces, reactions }] = s.cases
    expect(forces[6 * 4]).toBe(0)
    expect([...reactions].filter((v) => v !== 0)).toHaveLength(2)
  })
  it('are so of a bar from its chord, which it never leaves', () =>
    fc.assert(
      fc.property(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -400, max: 400 }), (up, push) => {
        const solution = kite(up / 100, 4.7)
          .load({ type: 'nodal', node: 'D', fx: push / 10, fy: -17.3 })
          .solve()
        solution.structure.members.forEach((_, i) => {
          const course = courseOf(solution, solution.cases[0], i)
          expect(stations(course, 21).filter((s) => s.relative !== 0)).toEqual([])
          const { max, min } = extremes(course).relative
          expect([max.value, min.value]).toEqual([0, 0])
        })
      }),
    ))
  it('keep a force that is small beside the others', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 1e-6, fy: -1e4 })
      .solve()
    expect(s.cases[0].forces[3]).toBeCloseTo(1e-3, 9)
  })
})
