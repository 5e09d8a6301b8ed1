import { describe, expect, it } from 'vitest'
import { fit, memberLine } from '@viga/drawing/view'
import { vec } from '@viga/drawing/marks'
import type { Hand, Press } from '../../app/figure/hand'
import { onPlane, probeAt, pulledDiagram } from '../../app/figure/read-members'
import { createSheet } from '../../app/sheet/store'
import { demo, solved } from '../demo'

const [, problem] = demo[0]
const { structure } = solved(problem)
const view = fit(structure.nodes, 700, 600, { left: 80, right: 80, top: 80, bottom: 80 })
const [AB] = structure.members
const line = memberLine(structure, view, AB)
/** A place on the Figure: a share along AB, and px off it towards its +y side. */
const at = (share: number, off = 0) =>
  vec(
    line.a.x + line.dir.x * line.px * share + line.up.x * off,
    line.a.y + line.dir.y * line.px * share + line.up.y * off,
  )
const hand = (more: Partial<Hand> = {}) => {
  const store = createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
  return { store, structure, view, ...more } as Hand
}
const press = (more: Partial<Press>): Press => ({
  at: vec(0, 0),
  target: null,
  view,
  moved: true,
  from: null,
  fromPoint: null,
  box: false,
  ...more,
})

describe('values under the pointer', () => {
  it('are read along the member it is on, the ends where it is near them, and nowhere else', () => {
    const h = hand()
    probeAt(h, 'member:AB', at(0.5, 4))
    expect(h.store.getState().probe).toEqual({ member: 'AB', x: expect.closeTo(AB.length / 2, 6) as number })
    probeAt(h, 'member:AB', at(0.999))
    expect(h.store.getState().probe?.x).toBe(AB.length)
    probeAt(h, 'node:A', at(0))
    expect(h.store.getState().probe).toBeNull()
  })
})

describe('a diagram that is pulled', () => {
  it('grows with the distance from its member, within limits', () => {
    const h = hand()
    const p = press({ at: at(0.5, 30), diagram: { member: 'AB', size: 1 } })
    pulledDiagram(h, p, at(0.5, 60))
    expect(h.store.getState().diagramSize).toBeCloseTo(2, 6)
    pulledDiagram(h, p, at(0.5, -15))
    expect(h.store.getState().diagramSize).toBeCloseTo(0.5, 6)
    pulledDiagram(h, p, at(0.5, 30_000))
    expect(h.store.getState().diagramSize).toBe(12)
  })
})

describe('presses in the plane', () => {
  it('draw a line, or choose a point, where they are asked for', () => {
    const lines: unknown[] = []
    const points: unknown[] = []
    const plane = {
      onLine: (...l: unknown[]) => lines.push(l),
      onPoint: (...q: unknown[]) => points.push(q),
    }
    expect(onPlane(hand({ plane }), press({ at: at(0) }), at(1), false)).toBe(true)
    expect(lines).toHaveLength(1)
    expect(onPlane(hand({ plane }), press({ at: at(0), moved: false }), at(0), true)).toBe(true)
    expect(points[0]).toEqual([
      { x: expect.closeTo(0, 6) as number, y: expect.closeTo(0, 6) as number },
      null,
    ])
    expect(onPlane(hand(), press({}), at(1), true)).toBe(false)
  })
})
