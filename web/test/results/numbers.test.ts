import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleaned } from '../../app/results/numbers'

describe('numbers beside each other', () => {
  it('are 0, and point nowhere, where they differ from it by rounding alone', () => {
    const c = cleaned([1e6, -3e-5, 4])
    expect([c.text(-3e-5), c.sign(-3e-5), c.isZero(-3e-5)]).toEqual(['0', 0, true])
    expect([c.sign(4), c.sign(-1e6)]).toEqual([1, -1])
  })

  it('keep a small number that stands alone', () => {
    const c = cleaned([3e-9])
    expect(c.isZero(3e-9)).toBe(false)
    expect(c.text(3e-9)).not.toBe('0')
  })

  it('are weighed against others of their kind, too', () => {
    expect(cleaned([1e-8]).isZero(1e-8)).toBe(false)
    expect(cleaned([1e-8], [1e3]).isZero(1e-8)).toBe(true)
  })

  it('the largest of them is never 0', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1e9, max: 1e9, noNaN: true }), { minLength: 1 }), (all) => {
        const most = all.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
        fc.pre(most !== 0)
        const c = cleaned(all)
        expect(c.isZero(most)).toBe(false)
        expect(c.sign(most)).toBe(Math.sign(most))
      }),
    ))
})
