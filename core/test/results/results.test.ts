import { describe, expect, it } from 'vitest'
import { extremes, courseOf, resultsDocument, stations, determinacy } from '../../src/index.js'
import { frame, truss } from '../builder.js'

describe('stations', () => {
  const s = frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load(
      { type: 'point', member: 'AB', at: '25%', fy: -8 },
      {
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        points: [
          { at: 2, q: -1 },
          { at: 3.5, q: -1 },
        ],
      },
    )
    .solve()
  const f = courseOf(s, s.cases[0], 0)
  it('are i·L/n, both ends, and every place of load; two where something jumps', () =>
    expect(stations(f, 5).map((t) => t.x)).toEqual([0, 1, 1, 2, 3, 3.5, 4]))
  it('never miss an extreme', () => {
    const e = extremes(f)
    for (const t of stations(f, 401)) {
      expect(t.M).toBeLessThanOrEqual(e.M.max.value + 1e-9)
      expect(t.relative).toBeGreaterThanOrEqual(e.relative.min.value - 1e-15)
    }
  })
})

describe('determinacy', () => {
  const degree = (s: ReturnType<ReturnType<typeof frame>['solve']>) => determinacy(s.structure, s.dofs).degree
  it('of a truss: m + r − 2j', () =>
    expect(
      degree(
        truss()
          .node('A', 0, 0)
          .node('B', 8, 0)
          .node('C', 4, 3)
          .member('A', 'B')
          .member('A', 'C')
          .member('C', 'B')
          .support('A', 'pin')
          .support('B', 'pin')
          .solve(),
      ),
    ).toBe(1))
  it('of a portal, and with hinges', () => {
    const portal = (releases = {}) =>
      frame()
        .node('A', 0, 0)
        .node('B', 0, 3)
        .node('C', 4, 3)
        .node('D', 4, 0)
        .member('A', 'B')
        .member('B', 'C', { releases })
        .member('C', 'D')
        .support('A', 'fixed')
        .support('D', 'fixed')
        .solve()
    expect(degree(portal())).toBe(3)
    expect(degree(portal({ start: { M: true }, end: { M: true } }))).toBe(1)
  })
})

it('a node that nothing reaches is left out, with a notice', () => {
  const b = frame().node('A', 0, 0).node('B', 4, 0).node('Z', 9, 9).member('A', 'B').support('A', 'fixed')
  const doc = resultsDocument(b.problem, b.solve(), [])
  expect(doc.results['1'].nodes.Z).toEqual({ x: null, y: null, rotation: null })
})
