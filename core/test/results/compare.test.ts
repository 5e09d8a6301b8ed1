import { expect, it } from 'vitest'
import {
  allHinged,
  allRigid,
  axialTurned,
  compareResults,
  coherentDisplay,
  withoutI,
} from '../../src/index.js'
import { frame, solved, truss } from '../builder.js'

const { problem: portal } = frame()
  .node('A', 0, 0)
  .node('B', 0, 3)
  .node('C', 4, 3)
  .node('D', 4, 0)
  .member('A', 'B')
  .member('B', 'C')
  .member('C', 'D')
  .support('A', 'fixed')
  .support('D', 'fixed')
  .load({ type: 'nodal', node: 'B', fx: 10 })
const result = (p: typeof portal) => {
  const solution = solved(p)
  return { solution, action: solution.cases[0] }
}
const rows = (p: typeof portal, q: typeof portal) => compareResults(result(p), result(q), coherentDisplay(p))

it('a result compared with itself differs nowhere', () => {
  for (const list of Object.values(rows(portal, portal)))
    for (const r of list)
      expect([r.difference, r.first === 0 ? null : r.percent]).toEqual([0, r.first === 0 ? null : 0])
})

it('joints and members are matched by label, with difference and percent', () => {
  const hinged = {
    ...portal,
    members: allHinged(portal).members.map((m, i) => (i === 1 ? m : portal.members[i])),
  }
  const { members } = rows(portal, hinged)
  const m = members.find((r) => r.of === 'AB' && r.quantity === 'M')!
  // with hinges at both ends of the beam each column is a cantilever with half the force
  expect(Math.abs(m.second!)).toBeCloseTo(15, 1)
  expect(m.difference).toBeCloseTo(m.second! - m.first!, 9)
  expect(m.percent).toBeCloseTo((100 * m.difference!) / m.first!, 9)
  // the moment under the load grows, whatever its sign
  expect(m.percent! > 0).toBe(Math.abs(m.second!) > Math.abs(m.first!))
})

it('what one of them has not is no number', () => {
  const shorter = {
    ...portal,
    members: portal.members.slice(0, 2),
    nodes: portal.nodes.slice(0, 3),
    supports: [portal.supports![0]],
  }
  const gone = rows(portal, shorter).members.filter((r) => r.of === 'CD')
  expect(gone.map((r) => [r.second, r.difference])).toEqual([
    [null, null],
    [null, null],
    [null, null],
  ])
})

it('a truss with rigid joints bends, its sections solid squares where an area alone is stated', () => {
  const { problem } = truss()
    .node('A', 0, 0)
    .node('B', 8, 0)
    .node('C', 4, 3)
    .member('A', 'B')
    .member('A', 'C')
    .member('C', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'nodal', node: 'C', fy: -20 })
  const bare = { ...problem, sections: problem.sections!.map(({ id }) => ({ id, A: '1200 mm^2' })) }
  expect(withoutI(bare)).toEqual(bare.sections.map((s) => s.id))
  const { members } = rows(bare, allRigid(bare))
  const N = members.find((r) => r.of === 'AB' && r.quantity === 'N')!
  expect(Math.abs(N.percent!)).toBeGreaterThan(0)
  expect(Math.abs(N.percent!)).toBeLessThan(1)
  expect(members.find((r) => r.of === 'AB' && r.quantity === 'M')).toMatchObject({ first: null })
})

it('axial deformation is turned off and on again', () => {
  expect(axialTurned(portal).analysis).toEqual({ neglectAxial: true })
  expect(axialTurned(axialTurned(portal)).analysis).toEqual({ neglectAxial: false })
  const stiff = { ...portal, members: portal.members.map((m) => ({ ...m, axiallyRigid: true })) }
  expect(axialTurned(stiff).members.some((m) => m.axiallyRigid)).toBe(false)
})
