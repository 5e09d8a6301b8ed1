import { describe, expect, it } from 'vitest'
import { momentMagnifiers, storeyAmplifications } from '../../src/index.js'
import { frame } from '../builder.js'

const EI = 2e8 * 1e-4 * 1000
const order = { analysis: { order: 2 as const } }

describe('customary approximations of second order', () => {
  it('the moment magnifier of a braced post with equal end moments is near to the secant', () => {
    const P = 0.4 * ((Math.PI ** 2 * EI) / 16)
    const s = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .member('A', 'B')
      .support('A', 'pin')
      .support('B', { restrain: { x: 'fixed' } })
      .load({ type: 'nodal', node: 'B', fy: -P / 1000, m: -10 }, { type: 'nodal', node: 'A', m: 10 })
      .set(order)
      .solve()
    const [one] = momentMagnifiers(s, s.cases[0])
    expect(one.Cm).toBeCloseTo(1, 9)
    expect(one.factor).toBeCloseTo(1 / 0.6, 9)
    expect(one.exact).toBeCloseTo(10_000 / Math.cos((Math.PI / 2) * Math.sqrt(0.4)), 3)
    expect(one.approximate / one.exact).toBeGreaterThan(0.85)
    expect(one.approximate / one.exact).toBeLessThan(1.02)
  })
  it('the sway amplification of a portal is near to its own', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D')
      .support('A', 'fixed')
      .support('D', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 10, fy: -1500 }, { type: 'nodal', node: 'C', fy: -1500 })
      .set(order)
      .solve()
    const [storey] = storeyAmplifications(s, s.cases[0])
    expect(storey.members).toEqual([0, 2])
    const exact = storey.exact / storey.first
    expect(exact).toBeGreaterThan(1.2)
    expect(Math.abs(storey.factor / exact - 1)).toBeLessThan(0.08)
  })
  it('are none of a first-order result', () => {
    const s = frame().node('A', 0, 0).node('B', 0, 4).member('A', 'B').support('A', 'fixed').solve()
    expect(momentMagnifiers(s, s.cases[0])).toEqual([])
    expect(storeyAmplifications(s, s.cases[0])).toEqual([])
  })
})
