import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  cellUnder,
  fitting,
  LEFT,
  rescrolled,
  stride,
  TOP,
  visible,
  widthOf,
  WRITTEN,
  type Viewport,
} from '../../app/working/large'

describe('the window on a large matrix', () => {
  it('shows the whole of it where asked, at any size, and never writes numbers then', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 5000 }), (rows, columns) => {
        const h = fitting(rows, columns, 480, 400)
        expect(h).toBeLessThan(WRITTEN)
        expect(rows * h).toBeLessThanOrEqual(400 * (1 + 1e-9))
        expect(columns * widthOf(h)).toBeLessThanOrEqual(480 * (1 + 1e-9))
      }),
    )
  })
  it('keeps what stood under the pointer there when it is enlarged', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.integer({ min: 0, max: 400 }),
        fc.double({ min: 0.2, max: 19, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (scrolled, at, h, k) => {
          const after = rescrolled(scrolled, at, h, h * k)
          expect((after + at) / (h * k)).toBeCloseTo((scrolled + at) / h, 6)
        },
      ),
    )
  })
  it('finds the cell under a point, none on the margins or beyond the last', () => {
    const viewport: Viewport = { w: 52, h: 19, x: 104, y: 38, width: 480, height: 400 }
    expect(cellUnder(viewport, 100, 100, LEFT + 1, TOP + 1)).toEqual({ row: 2, column: 2 })
    expect(cellUnder(viewport, 100, 100, LEFT - 1, TOP + 1)).toBeUndefined()
    expect(cellUnder(viewport, 100, 100, LEFT + 1, TOP - 1)).toBeUndefined()
    expect(cellUnder(viewport, 3, 100, LEFT + 1, TOP + 20)).toBeUndefined()
    expect(visible(100, 19, 38, 400)).toEqual([2, 23])
    expect(visible(5, 19, 0, 400)).toEqual([0, 4])
  })
  it('numbers its margins so that they keep apart: every one, every second, every fifth …', () =>
    expect([19, 9, 4, 2, 0.13].map((h) => stride(h, 16))).toEqual([1, 2, 5, 10, 200]))
})
