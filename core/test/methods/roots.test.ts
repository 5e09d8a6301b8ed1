import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evaluateFormula, number } from '../../src/methods/expression.js'
import { formulaText } from '../../src/methods/formula-text.js'
import { exactFactor } from '../../src/methods/roots.js'

const written = (k: number) => formulaText(exactFactor(k))

describe('a factor of geometry', () => {
  it('is written as a book writes it', () => {
    expect(written(3)).toBe('3')
    expect(written(-0.75)).toBe('−0.75')
    expect(written(2 / Math.sqrt(5))).toBe('2/√(5)')
    expect(written(Math.SQRT1_2)).toBe('1/√(2)')
    expect(written(3 / 7)).toBe('3/7')
    expect(written(1 - 1e-15)).toBe('1')
    expect(written(Math.hypot(2, 4))).toBe('2·√(5)')
    expect(exactFactor(Math.PI)).toEqual(number(Math.PI))
  })

  it('has the value that it had', () => {
    const side = fc.integer({ min: 1, max: 30 })
    fc.assert(
      fc.property(side, side, (a, b) => {
        for (const k of [a / Math.hypot(a, b), Math.hypot(a, b), -b / a]) {
          const { value } = evaluateFormula(exactFactor(k))
          expect(Math.abs(value - k)).toBeLessThanOrEqual(1e-13 * Math.abs(k))
        }
      }),
    )
  })
})
