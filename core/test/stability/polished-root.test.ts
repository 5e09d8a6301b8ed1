import { describe, expect, it } from 'vitest'
import { criticalFactors, criticalInput } from '../../src/index.js'
import { polishedRoot } from '../../src/stability/polished-root.js'
import { frame } from '../builder.js'

const L = 4
const EI = 20_000
/** A column of 4 m under 1000 kN with these ends. */
const column = (foot: 'pin' | 'fixed', head: 'roller' | 'guide' | 'free', most: number) => {
  const b = frame().node('A', 0, 0).node('B', 0, L).member('A', 'B').support('A', foot)
  const held =
    head === 'free'
      ? b
      : b.support('B', {
          restrain: { x: 'fixed', y: 'free', rotation: head === 'guide' ? 'fixed' : 'free' },
        })
  const s = held.load({ type: 'nodal', node: 'B', fy: -1000 }).solve()
  return criticalFactors(criticalInput(s, s.cases[0])!, most)
}
const euler = (Math.PI ** 2 * EI) / L ** 2 / 1000

describe('critical factors one after another', () => {
  it('of a pinned column are the squares, also where the clamped column buckles at the same load', () =>
    column('pin', 'roller', 6).forEach((f, i) =>
      expect(Math.abs(f / (euler * (i + 1) ** 2) - 1)).toBeLessThan(1e-9),
    ))
  it('of a cantilever are the odd quarters', () =>
    column('fixed', 'free', 4).forEach((f, i) =>
      expect(Math.abs(f / ((euler / 4) * (2 * i + 1) ** 2) - 1)).toBeLessThan(1e-9),
    ))
  it('of a clamped column are those of 4, 8.18, 16 …', () => {
    const all = column('fixed', 'guide', 3).map((f) => f / euler)
    // tan(φ/2) = φ/2 gives the second: φ/2 = 4.493409457909064
    const second = (2 * 4.493409457909064) ** 2 / Math.PI ** 2
    ;[4, second, 16].forEach((v, i) => expect(Math.abs(all[i] / v - 1)).toBeLessThan(1e-9))
  })
})

describe('a root from its surroundings', () => {
  const about = (true_: number, noise: number) => (factor: number) => {
    const d = true_ - factor
    return {
      factor,
      passed: factor > true_ ? 1 : 0,
      logDeterminant: Math.log(Math.abs(d * (1 + 0.3 * d)) + noise),
    }
  }
  it('is found where halving missed it by its lost digits', () =>
    expect(polishedRoot(about(2, 0), 2 * (1 + 5e-8))).toBeCloseTo(2, 11))
  it('stays where it was exact, and where another lies near', () => {
    expect(polishedRoot(about(2, 0), 2)).toBe(2)
    const two = (factor: number) => ({
      ...about(2, 0)(factor),
      passed: factor > 2.001 ? 2 : factor > 2 ? 1 : 0,
    })
    expect(polishedRoot(two, 2.0000001)).toBe(2.0000001)
  })
})
