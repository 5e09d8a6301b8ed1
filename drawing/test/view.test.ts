import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { niceBelow } from '@viga/drawing/nice'
import { fit, FIGURE_INSETS, inPlane, insetsFor, onScreen, zoomAt, type View } from '@viga/drawing/view'

const at = fc.double({ min: -500, max: 500, noNaN: true })
const view: fc.Arbitrary<View> = fc.record({
  scale: fc.double({ min: 0.01, max: 2000, noNaN: true }),
  ox: at,
  oy: at,
  width: fc.constant(704),
  height: fc.constant(560),
})
const nodes = fc.array(fc.record({ x: at, y: at }), { minLength: 2, maxLength: 12 })

describe('a view of the plane', () => {
  it('leads to the screen and back to where it was', () =>
    fc.assert(
      fc.property(view, at, at, (v, x, y) => {
        const p = inPlane(v, onScreen(v, x, y))
        expect(Math.abs(p.x - x)).toBeLessThan(1e-6 * (1 + Math.abs(x)) + 1e-6 / v.scale)
        expect(Math.abs(p.y - y)).toBeLessThan(1e-6 * (1 + Math.abs(y)) + 1e-6 / v.scale)
      }),
    ))

  it('has Y upward', () => {
    const v = { scale: 10, ox: 0, oy: 100, width: 200, height: 200 }
    expect(onScreen(v, 0, 1).y).toBeLessThan(onScreen(v, 0, 0).y)
  })

  it('keeps the point under the pointer when it is nearer or farther', () =>
    fc.assert(
      fc.property(view, at, at, fc.double({ min: 0.1, max: 10, noNaN: true }), (v, x, y, factor) => {
        const p = onScreen(v, x, y)
        const q = onScreen(zoomAt(v, p, factor), x, y)
        expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeLessThan(1e-6 * (1 + Math.hypot(p.x, p.y)))
      }),
    ))
})

describe('a structure fitted to the Figure', () => {
  it('stands whole between the insets, and touches them one way', () =>
    fc.assert(
      fc.property(nodes, (all) => {
        const [width, height] = [704, 560]
        const v = fit(all, width, height, FIGURE_INSETS)
        const p = all.map((n) => onScreen(v, n.x, n.y))
        const [x0, x1] = [Math.min(...p.map((q) => q.x)), Math.max(...p.map((q) => q.x))]
        const [y0, y1] = [Math.min(...p.map((q) => q.y)), Math.max(...p.map((q) => q.y))]
        const slack = 1e-6 * (width + height)
        expect(x0).toBeGreaterThanOrEqual(FIGURE_INSETS.left - slack)
        expect(x1).toBeLessThanOrEqual(width - FIGURE_INSETS.right + slack)
        expect(y0).toBeGreaterThanOrEqual(FIGURE_INSETS.top - slack)
        expect(y1).toBeLessThanOrEqual(height - FIGURE_INSETS.bottom + slack)
        if (x1 - x0 < 1e-9 && y1 - y0 < 1e-9) return
        const across = (x1 - x0) / (width - FIGURE_INSETS.left - FIGURE_INSETS.right)
        const up = (y1 - y0) / (height - FIGURE_INSETS.top - FIGURE_INSETS.bottom)
        expect(Math.max(across, up)).toBeCloseTo(1, 6)
      }),
    ))

  it('of one joint, or of none, has a scale of its own', () => {
    expect(fit([], 700, 500, FIGURE_INSETS).scale).toBe(70)
    expect(fit([{ x: 3, y: 4 }], 700, 500, FIGURE_INSETS, 40).scale).toBe(40)
  })

  it('keeps some room round it on a small sheet, and never less than for a diagram', () => {
    for (const [w, h] of [
      [320, 240],
      [390, 300],
      [1400, 900],
    ]) {
      const { left, right, top, bottom } = insetsFor(w, h)
      for (const v of [left, right, top, bottom]) expect(v).toBeGreaterThanOrEqual(62)
      expect(left).toBeLessThanOrEqual(FIGURE_INSETS.left)
    }
  })
})

describe('a round number below another', () => {
  it('is 1, 2 or 5 times a power of ten, and more than 2/5 of it', () =>
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1e9, noNaN: true }), (x) => {
        const n = niceBelow(x)
        const first = n / 10 ** Math.floor(Math.log10(n) + 1e-9)
        expect([1, 2, 5].some((d) => Math.abs(first - d) < 1e-6)).toBe(true)
        expect(n).toBeLessThanOrEqual(x * (1 + 1e-9))
        expect(n).toBeGreaterThan(0.4 * x * (1 - 1e-9))
      }),
    ))
  it('is 1 where there is none', () => expect([0, -3, NaN, Infinity].map(niceBelow)).toEqual([1, 1, 1, 1]))
})
