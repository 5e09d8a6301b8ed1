import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AT_REST, fieldSeries, stateOf, transferOf } from '../../src/stability/field.js'
import { chainOf } from '../../src/stability/chain.js'
import { Mixing } from '../../src/stability/mixing.js'
import { stabilityFunctions } from '../../src/stability/uniform.js'
import { resolve } from '../../src/index.js'
import { frame } from '../builder.js'

const member = (() => {
  const p = frame().node('A', 0, 0).node('B', 3, 0).member('A', 'B').support('A', 'fixed').problem
  const r = resolve(p)
  if (!r.ok) throw new Error('resolved')
  return r.structure.members[0]
})()
const EI = member.EI
const force = fc.double({ min: -3, max: 12, noNaN: true }).map((z) => (z * EI) / 9)

describe('the field equations of a piece', () => {
  it('have the same transfer by series and in closed form, with and without shear deformation', () =>
    fc.assert(
      fc.property(force, fc.double({ min: 0.1, max: 1.2, noNaN: true }), fc.boolean(), (N, h, soft) => {
        const piece = { h, EI, perGAs: soft ? 1e-8 : 0, N: [N, 0, 0] as const }
        const closed = transferOf(piece)
        for (const key of ['slope', 'M', 'V'] as const) {
          const series = stateOf(fieldSeries(piece, { ...AT_REST, [key]: 1 }), h)
          for (const of of ['v', 'slope', 'M', 'V'] as const)
            expect(Math.abs(series[of] - closed[key][of])).toBeLessThan(
              1e-10 * Math.max(Math.abs(closed[key][of]), 1e-30),
            )
        }
      }),
    ))
  it('satisfy M′ = V + N·v′ − c along the piece, also where N varies', () => {
    const piece = { h: 1, EI, perGAs: 0, N: [-2e4, 3e4, -1e4] as const }
    const load = { q: [5e3, -2e3] as const, c: [300, 0] as const, curvature: 1e-3 }
    const s = fieldSeries(piece, { v: 0.01, slope: 0.002, M: 4e3, V: -2e3 }, load)
    const d = 1e-5
    for (const x of [0.2, 0.5, 0.9]) {
      const [a, b, at] = [stateOf(s, x - d), stateOf(s, x + d), stateOf(s, x)]
      const N = piece.N[0] + piece.N[1] * x + piece.N[2] * x * x
      expect((b.M - a.M) / (2 * d)).toBeCloseTo(at.V + N * at.slope - load.c[0], 3)
      expect((b.slope - a.slope) / (2 * d)).toBeCloseTo(at.M / EI + load.curvature, 8)
    }
  })
})

describe('a member under an axial force', () => {
  it('resists the same as a chain of pieces and by its stability functions', () =>
    fc.assert(
      fc.property(fc.double({ min: -35, max: 400, noNaN: true }), (z) => {
        const L = member.length
        const chain = chainOf(member, undefined, { start: (z * EI) / (L * L), factor: 1 })
        const { near, far, corner, across, passed } = stabilityFunctions(z)
        fc.pre(Math.abs(near) < 1e5)
        const close = (a: number, b: number) =>
          expect(Math.abs(a - b)).toBeLessThan(1e-8 * Math.max(1, Math.abs(near), Math.abs(across)))
        close((chain.k[5] * L) / EI, near)
        close((chain.k[7] * L) / EI, far)
        close((chain.k[1] * L * L) / EI, corner)
        close((chain.k[0] * L ** 3) / EI, across)
        expect(chain.negative).toBe(passed)
      }),
    ))
  it('has the functions 4, 2, 6 and 12 without one, and joins closed forms and series smoothly', () => {
    const none = stabilityFunctions(0)
    ;[none.near, none.far, none.corner, none.across].forEach((v, i) =>
      expect(v).toBeCloseTo([4, 2, 6, 12][i], 12),
    )
    for (const z of [-4, 4]) {
      const [a, b] = [stabilityFunctions(z * (1 - 1e-12)), stabilityFunctions(z * (1 + 1e-12))]
      for (const key of ['near', 'far', 'corner', 'across', 'logDeterminant'] as const)
        expect(a[key] / b[key]).toBeCloseTo(1, 10)
    }
  })
  it('has passed its own critical loads at φ = 2π and 8.987', () => {
    expect(stabilityFunctions(-(6.28 ** 2)).passed).toBe(0)
    expect(stabilityFunctions(-(6.29 ** 2)).passed).toBe(1)
    expect(stabilityFunctions(-(8.98 ** 2)).passed).toBe(1)
    expect(stabilityFunctions(-(8.99 ** 2)).passed).toBe(2)
  })
})

describe('guesses mixed from several rounds', () => {
  it('find a fixed point that repetition runs away from', () => {
    // x = 3 − 2x has its fixed point at 1, from which each round leaps away twice as far
    const mixing = new Mixing()
    const g = (x: Float64Array) => x.map((v, i) => (i === 0 ? 3 - 2 * v : 4 - 0.9 * v + 0.1 * x[0] ** 2))
    let x = Float64Array.of(1.7, 0)
    for (let k = 0; k < 12; k++) x = Float64Array.from(mixing.next(x, g(x)))
    expect(x[0]).toBeCloseTo(1, 9)
    expect(x[1]).toBeCloseTo(4.1 / 1.9, 9)
  })
})
