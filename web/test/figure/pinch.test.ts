import { describe, expect, it } from 'vitest'
import { inPlane } from '@viga/drawing/view'
import { pinched } from '../../app/figure/pinch'

const view = { scale: 40, ox: 100, oy: 300, width: 390, height: 320 }
const fingers = (...p: [number, number][]) => new Map(p.map(([x, y], i) => [i, { x, y }]))

describe('two fingers on the Figure', () => {
  it('spread apart enlarge it about what lies between them', () => {
    const before = fingers([100, 100], [200, 100])
    const after = fingers([50, 100], [250, 100])
    const to = pinched(view, before, after)
    expect(to.scale).toBeCloseTo(80)
    const [a, b] = [inPlane(view, { x: 150, y: 100 }), inPlane(to, { x: 150, y: 100 })]
    expect([b.x, b.y]).toEqual([expect.closeTo(a.x, 9), expect.closeTo(a.y, 9)])
  })
  it('moved together carry it along', () => {
    const to = pinched(view, fingers([100, 100], [200, 100]), fingers([130, 90], [230, 90]))
    expect(to).toMatchObject({ scale: 40, ox: 130, oy: 290 })
  })
})
