import { describe, expect, it } from 'vitest'
import { shapeProperties } from '../../../src/kinds/sections/shapes.js'

describe('shapes', () => {
  it('of a rectangle', () =>
    expect(shapeProperties('rectangle', { b: 2, h: 3 })).toMatchObject({ A: 6, I: 4.5, depth: 3, yTop: 1.5 }))
  it('of an I with root radii, near the printed values of a 200 mm European beam', () => {
    const s = shapeProperties('I', { b: 100, h: 200, tf: 8.5, tw: 5.6, r: 12 })
    if (typeof s === 'string') throw new Error(s)
    expect(s.A).toBeCloseTo(2848, -1) // 28.48 cm²
    expect(s.I / 1943e4).toBeCloseTo(1, 2) // 1943 cm⁴
  })
  it('of a T and an angle from their centroids', () => {
    const t = shapeProperties('T', { b: 10, h: 10, tf: 2, tw: 2 })
    if (typeof t === 'string') throw new Error(t)
    expect(t.yBottom).toBeCloseTo((16 * 4 + 20 * 9) / 36, 12)
    const a = shapeProperties('angle', { b: 60, h: 60, t: 6 })
    expect(a).toMatchObject({ A: 60 * 6 + 54 * 6 })
  })
  it('a channel bends like the I of the same sides', () => {
    const [c, i] = [
      shapeProperties('channel', { b: 50, h: 100, tf: 8, tw: 6 }),
      shapeProperties('I', { b: 50, h: 100, tf: 8, tw: 6 }),
    ]
    if (typeof c === 'string' || typeof i === 'string') throw new Error()
    expect(c.I).toBeCloseTo(i.I, 4)
    expect(c.A).toBeCloseTo(i.A, 9)
  })
  it('a box closes to a solid', () =>
    expect(shapeProperties('box', { b: 4, h: 6, t: 2 })).toMatchObject({ A: 24, I: (4 * 216) / 12 }))
  it('says why there is no such section', () =>
    expect(shapeProperties('tube', { d: 1, t: 0.6 })).toMatch(/thicker/))
})
