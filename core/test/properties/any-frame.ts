import fc from 'fast-check'
import { expect } from 'vitest'
import type { Load, Problem, Solution } from '../../src/index.js'
import { frame } from '../builder.js'

/**
 * Random stable frames: a fixed foot at A, a chain of joints going right, some hinges and a second support.
 */
export const anyFrame = fc
  .record({
    steps: fc.array(
      fc.record({
        dx: fc.double({ min: 0.8, max: 4, noNaN: true }),
        dy: fc.double({ min: -2, max: 2, noNaN: true }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    last: fc.constantFrom<'fixed' | 'pin' | 'roller'>('fixed', 'pin', 'roller'),
    turn: fc.integer({ min: -40, max: 40 }),
    hinge: fc.boolean(),
    loads: fc.array(
      fc.record({
        member: fc.nat(3),
        kind: fc.nat(5),
        q: fc.double({ min: -9, max: 9, noNaN: true }),
        r: fc.double({ min: -9, max: 9, noNaN: true }),
        at: fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        dir: fc.constantFrom<'X' | 'Y' | 'x' | 'y'>('X', 'Y', 'x', 'y'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ steps, last, turn, hinge, loads }) => {
    let b = frame().node('A', 0, 0).support('A', 'fixed')
    const ids = ['A', 'B', 'C', 'D', 'E']
    let [x, y] = [0, 0]
    steps.forEach((s, i) => {
      x += s.dx
      y += s.dy
      b = b
        .node(ids[i + 1], x, y)
        .member(
          ids[i],
          ids[i + 1],
          hinge && i === 0 && last === 'fixed' ? { releases: { end: { M: true } } } : {},
        )
    })
    b = b.support(ids[steps.length], { type: last, angle: `${turn} deg` })
    const members = b.problem.members.map((m) => m.id)
    return b.load(...loads.map((l): Load => loadOf(l, members[l.member % members.length], ids[1]))).problem
  })

function loadOf(
  l: { kind: number; q: number; r: number; at: number; dir: 'X' | 'Y' | 'x' | 'y' },
  member: string,
  node: string,
): Load {
  const percent = `${(l.at * 100).toFixed(6)}%`
  switch (l.kind) {
    case 0:
      return { type: 'nodal', node, fx: l.q, fy: l.r, m: l.q / 2 }
    case 1:
      return { type: 'point', member, at: percent, fx: l.q, fy: l.r, m: l.r, axes: 'member' }
    case 2:
      return {
        type: 'distributed',
        member,
        direction: l.dir,
        points: [
          { at: percent, q: l.q },
          { at: '100%', q: l.r },
        ],
      }
    case 3:
      return { type: 'couple', member, q: l.q }
    case 4:
      return { type: 'temperature', member, uniform: 5 * l.q, gradient: 3 * l.r }
    default:
      return { type: 'misfit', member, at: percent, slip: l.q / 1000, kink: l.r / 1000 }
  }
}

export const near = (a: number, b: number, scale: number, relative = 1e-8) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(relative * Math.max(scale, 1e-30))
export const size = (s: Solution, i = 0) =>
  Math.max(1, ...s.cases[i].forces.map(Math.abs), ...s.cases[i].reactions.map(Math.abs))
export const forAll = (check: (p: Problem) => void, numRuns = 150) =>
  fc.assert(fc.property(anyFrame, check), { numRuns })
