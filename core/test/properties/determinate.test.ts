import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Load } from '../../src/index.js'
import { frame, truss } from '../builder.js'
import { near } from './any-frame.js'

describe('a determinate structure', () => {
  it('takes heat, misfit and settlement without any force', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        (t, g, settle) => {
          const s = frame()
            .node('A', 0, 0)
            .node('B', 3, 1)
            .node('C', 6, 0)
            .member('A', 'B')
            .member('B', 'C')
            .support('A', 'pin')
            .support('C', { type: 'roller', settlement: { y: settle } })
            .load(
              { type: 'temperature', member: 'AB', uniform: t, gradient: g },
              { type: 'misfit', member: 'BC', elongation: settle / 4 },
              { type: 'misfit', member: 'BC', at: '30%', kink: settle },
            )
            .solve()
          // EA is 2e9 N: what is left is rounding of forces of that size times strains
          for (const v of [...s.cases[0].forces, ...s.cases[0].reactions])
            expect(Math.abs(v)).toBeLessThan(2e9 * 0.02 * 1e-12)
        },
      ),
    )
  })
})

/**
 * A determinate truss grown joint by joint, each new joint on two bars from two joints that are there; loads
 * on all.
 */
const grownTruss = fc.array(
  fc.record({
    x: fc.double({ min: 0.5, max: 3, noNaN: true }),
    y: fc.double({ min: 0.5, max: 3, noNaN: true }),
    fx: fc.double({ min: -9, max: 9, noNaN: true }),
    fy: fc.double({ min: -9, max: 9, noNaN: true }),
  }),
  { minLength: 1, maxLength: 8 },
)

describe('a pinned truss', () => {
  it('has the bar forces that the method of joints finds, last joint first', () => {
    fc.assert(
      fc.property(grownTruss, (steps) => {
        let b = truss()
          .node('0', 0, 0)
          .node('1', 3, 0)
          .member('0', '1')
          .support('0', 'pin')
          .support('1', 'pin')
        const at: [number, number][] = [
          [0, 0],
          [3, 0],
        ]
        const loads: Load[] = []
        steps.forEach((s, i) => {
          const [p, q] = [at[i], at[i + 1]]
          // off the line of the two it hangs on, on alternating sides
          const away = (i % 2 ? -1 : 1) * s.y
          const joint: [number, number] = [Math.max(p[0], q[0]) + s.x, (p[1] + q[1]) / 2 + away * 2]
          at.push(joint)
          const id = String(i + 2)
          b = b
            .node(id, joint[0], joint[1])
            .member(String(i), id)
            .member(String(i + 1), id)
          loads.push({ type: 'nodal', node: id, fx: s.fx, fy: s.fy })
        })
        const cross = (i: number) =>
          (at[i][0] - at[i + 2][0]) * (at[i + 1][1] - at[i + 2][1]) -
          (at[i + 1][0] - at[i + 2][0]) * (at[i][1] - at[i + 2][1])
        fc.pre(steps.every((_, i) => Math.abs(cross(i)) > 0.3))
        const s = b.load(...loads).solve()
        const pull = at.map(() => [0, 0])
        steps.forEach((l, i) => (pull[i + 2] = [l.fx * 1000, l.fy * 1000]))
        for (let j = at.length - 1; j >= 2; j--) {
          const [c, d] = [j - 2, j - 1].map((k) => {
            const [dx, dy] = [at[k][0] - at[j][0], at[k][1] - at[j][1]]
            const l = Math.hypot(dx, dy)
            return [dx / l, dy / l]
          })
          const det = c[0] * d[1] - d[0] * c[1]
          const N = [
            (-pull[j][0] * d[1] + d[0] * pull[j][1]) / det,
            (-c[0] * pull[j][1] + pull[j][0] * c[1]) / det,
          ]
          ;[c, d].forEach((u, k) => {
            const other = pull[j - 2 + k]
            other[0] -= N[k] * u[0]
            other[1] -= N[k] * u[1]
            const member = 1 + 2 * (j - 2) + k
            near(
              s.cases[0].forces[6 * member + 3],
              N[k],
              Math.max(1, ...s.cases[0].forces.map(Math.abs)),
              1e-7,
            )
          })
        }
      }),
      { numRuns: 120 },
    )
  })
})
