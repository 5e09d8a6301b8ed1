import { describe, expect, it } from 'vitest'
import { displayOf, OWN_SIGNS } from '@viga/core'
import { rangeOf } from '../../app/widgets/ranges'
import { curvesOf } from '../../app/results/member/curves'
import { inShownUnits, polynomialTex } from '../../app/results/member/Formulas'
import { demo, solved } from '../demo'

describe('the range of a chart', () => {
  it.each([
    [[-21.7, -18.8], { low: -30, high: 0, step: 10 }],
    [[0, 16.2], { low: 0, high: 20, step: 10 }],
    [[0, 0], { low: -1, high: 1, step: 1 }],
    [[-2e-5, 1e-5], { low: -2e-5, high: 1e-5, step: 1e-5 }],
  ])('of %j', (values, range) => {
    const found = rangeOf(values)
    expect(found.low).toBeCloseTo(range.low, 12)
    expect(found.high).toBeCloseTo(range.high, 12)
    expect(found.step).toBeCloseTo(range.step, 12)
  })
})

describe('formulas of a member', () => {
  it('are written with signs between the terms and powers of ten where they are needed', () => {
    expect(polynomialTex([-34.552, 15.23, -1.142])).toBe('-34.552+15.230\\,x-1.1420\\,x^{2}')
    expect(polynomialTex([0, 0, 2.5e-7])).toBe('250\\cdot10^{-9}\\,x^{2}')
    expect(polynomialTex([0])).toBe('0')
  })
  it('take x in the unit of length that is shown', () => {
    // 1 N/m at every foot: 0.3048 N a foot
    const f = { x0: 0, x1: 3, coefficients: [2, 1] }
    expect(inShownUnits(f, 1, 1 / 0.3048)).toEqual([2, 0.3048])
  })
})

describe('curves of a member', () => {
  const [, problem] = demo[0]
  const solution = solved(problem)
  const display = displayOf(problem)
  const curves = (signs = OWN_SIGNS) => curvesOf(solution, solution.cases[0], 1, display, signs)
  it('are N, V, M, the displacement and the deflection over the whole length', () => {
    expect(curves().map((c) => c.key)).toEqual(['N', 'V', 'M', 'v', 'relative'])
    for (const { points } of curves()) {
      expect(points[0][0]).toBe(0)
      expect(points[points.length - 1][0]).toBeCloseTo(7.69, 2)
    }
    const M = curves()[2]
    expect(Math.max(...M.points.map((p) => p[1]))).toBeCloseTo(16.22, 1)
    expect(M.hangs).toBe(true)
  })
  it('a deflection from the chord begins and ends at zero', () => {
    const { points } = curves()[4]
    expect([points[0][1], points[points.length - 1][1]].map((v) => Math.round(v * 1e9))).toEqual([0, 0])
  })
  it('a moment of the other sign stands on the same side', () => {
    const M = curves({ ...OWN_SIGNS, moment: 'hogging' })[2]
    expect([Math.min(...M.points.map((p) => p[1])), M.hangs]).toEqual([expect.closeTo(-16.22, 1), false])
  })
})
