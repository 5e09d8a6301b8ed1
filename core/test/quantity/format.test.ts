import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatNumber, formatPlain } from '../../src/index.js'

describe('numbers as a book prints them', () => {
  it.each([
    [1234.56, '1\u2009235'],
    [-0.0051234, '−0.005123'],
    [3.2e-7, '320·10⁻⁹'],
    [0, '0'],
    [12.3456, '12.35'],
    [1.455e6, '1.455·10⁶'],
    [999999, '1·10⁶'],
    [0.9999999, '1.000'],
  ])('%s', (v, text) => expect(formatNumber(v)).toBe(text))

  it('drops zeros that say nothing', () => {
    expect(formatPlain(2.5)).toBe('2.5')
    expect(formatPlain(4)).toBe('4')
  })

  it('never shows 0 for what is not 0', () => {
    fc.assert(
      fc.property(
        fc.double({ noNaN: true, noDefaultInfinity: true }).filter((v) => v !== 0),
        fc.integer({ min: 0, max: 4 }),
        (v, decimals) => /[1-9]/.test(formatNumber(v, { decimals })) && /[1-9]/.test(formatPlain(v)),
      ),
    )
  })
})
