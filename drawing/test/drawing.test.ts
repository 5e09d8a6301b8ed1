import { describe, expect, it } from 'vitest'
import { coursesOf, displayOf, work, working, type Load, type Problem } from '@viga/core'
import { frame, truss, type Builder } from '../../core/test/builder'
import { drawAxialForces } from '../src/axial-forces'
import { drawDeflected, largestDisplacement } from '../src/deflected'
import { drawDiagram, largest } from '../src/diagrams'
import { drawLoads } from '../src/loads'
import type { Group, PathMark } from '../src/marks'
import { memberGroups, pinJoints } from '../src/members'
import { drawReactions } from '../src/reactions'
import { drawUnknowns } from '../src/unknowns'
import { niceBelow } from '../src/nice'
import { poseOf, supportGroups } from '../src/supports'
import { FIGURE_INSETS, fit, onScreen } from '../src/view'
import { drawnLoads } from '../src/words'

function drawn(b: Builder) {
  const outcome = work(b.problem)
  if (outcome.stage !== 'solved')
    throw new Error(outcome.stage === 'unsolved' ? outcome.error.message : outcome.errors[0].message)
  const { structure, solution } = outcome
  return {
    structure,
    solution,
    action: solution.cases[0],
    view: fit(structure.nodes, 700, 660, FIGURE_INSETS),
    display: displayOf(b.problem),
  }
}

const paths = (g: Group): PathMark[] => g.marks.filter((m): m is PathMark => m.t === 'path')
/** All points of a path, in order. */
const points = (d: string) =>
  [...d.matchAll(/[ML]\s*(-?[\d.]+) (-?[\d.]+)/g)].map((m) => ({ x: Number(m[1]), y: Number(m[2]) }))
const beam = () =>
  frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').support('A', 'pin').support('B', 'roller')

describe('loads are drawn as they act', () => {
  const arrowHead = (load: Load, b = beam()) => {
    const d = drawn(b.load(load))
    const g = drawLoads(d.structure, d.view, drawnLoads(d.structure, new Set(['1']), d.display)).groups[0]
    const head = paths(g).find((m) => m.fill === 'load')!
    const [tip, back] = points(head.d)
    return { dx: Math.sign(Math.round(tip.x - back.x)), dy: Math.sign(Math.round(tip.y - back.y)), tip }
  }
  it.each([
    [{ type: 'point', member: 'AB', at: 2, fy: -5 }, 0, 1],
    [{ type: 'point', member: 'AB', at: 2, fy: 5 }, 0, -1],
    [{ type: 'distributed', member: 'AB', direction: 'Y', q: -3 }, 0, 1],
    [{ type: 'distributed', member: 'AB', direction: 'y', q: 3 }, 0, -1],
  ] as [Load, number, number][])('%j', (load, _dx, dy) => expect(arrowHead(load).dy).toBe(dy))
  it('a push from the left points right and ends at the joint', () => {
    const d = drawn(beam())
    const { tip, dx } = arrowHead({ type: 'nodal', node: 'A', fx: 5 })
    const A = onScreen(d.view, 0, 0)
    expect(dx).toBe(1)
    expect(A.x - tip.x).toBeGreaterThan(0)
    expect(A.x - tip.x).toBeLessThan(14)
    expect(tip.y).toBeCloseTo(A.y, 0)
  })
  it('a triangle grows from nothing to its value', () => {
    const d = drawn(
      beam().load({
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        points: [
          { at: 0, q: 0 },
          { at: 4, q: -6 },
        ],
      }),
    )
    const outline = points(
      paths(drawLoads(d.structure, d.view, drawnLoads(d.structure, new Set(['1']), d.display)).groups[0])[0]
        .d,
    )
    expect(outline[0].y - outline[outline.length - 1].y).toBeCloseTo(36, 0)
  })
  it('says nothing twice along one straight run', () => {
    const b = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 8, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'fixed')
      .load(
        { type: 'distributed', member: 'AB', direction: 'Y', q: -3 },
        { type: 'distributed', member: 'BC', direction: 'Y', q: -3 },
      )
    const d = drawn(b)
    const { groups, labelRequests } = drawLoads(
      d.structure,
      d.view,
      drawnLoads(d.structure, new Set(['1']), d.display),
    )
    expect([groups.length, labelRequests.length]).toEqual([2, 1])
  })
})

describe('supports turn to suit the member', () => {
  const pose = (b: Builder, i = 0) => {
    const d = drawn(b)
    return poseOf(d.structure, d.view, d.structure.supports[i])
  }
  const round = (v: { x: number; y: number }) => [Math.round(v.x) + 0, Math.round(v.y) + 0]
  it('a column stands on its ground, a cantilever in its wall', () => {
    const up = frame().node('A', 0, 0).node('B', 0, 3).member('A', 'B').support('A', 'fixed')
    const out = (dx: number) =>
      frame().node('A', 0, 0).node('B', dx, 0).member('A', 'B').support('A', 'fixed')
    expect([pose(up), pose(out(3)), pose(out(-3))].map((p) => round(p.ground))).toEqual([
      [0, 1],
      [-1, 0],
      [1, 0],
    ])
  })
  it('a beam lies on its pin, hatched below', () => {
    const p = pose(beam())
    expect(round(p.ground)).toEqual([0, 1])
    expect(p.symbol).toBe('pin')
    expect(p.apex.y).toBeGreaterThan(onScreen(drawn(beam()).view, 0, 0).y)
  })
  it('a hanging member’s pin goes to the side that is free', () =>
    expect(
      round(
        pose(
          frame().node('A', 0, 3).node('B', 0, 0).member('A', 'B').support('A', 'pin').support('B', 'slider'),
        ).ground,
      ),
    ).not.toEqual([0, 1]))
  it('a roller turns with its slope', () => {
    const p = pose(
      frame()
        .node('A', 0, 0)
        .node('B', 5, 0)
        .member('A', 'B')
        .support('A', 'fixed')
        .support('B', { type: 'roller', angle: '30 deg' }),
      1,
    )
    expect(p.symbol).toBe('roller')
    expect(Math.atan2(p.ground.x, p.ground.y)).toBeCloseTo(Math.PI / 6, 6)
  })
  it('draws every support with its hatch', () => {
    const d = drawn(beam())
    for (const g of supportGroups(d.structure, d.view))
      expect(paths(g).some((m) => (m.d.match(/M/g) ?? []).length >= 4)).toBe(true)
  })
})

describe('members', () => {
  const hinged = frame()
    .node('A', 0, 0)
    .node('B', 3, 0)
    .node('C', 6, 0)
    .member('A', 'B', { releases: { end: { M: true } } })
    .member('B', 'C')
    .support('A', 'fixed')
    .support('C', 'fixed')
  it('carry their hinge set off the joint, on the released member', () => {
    const d = drawn(hinged)
    const ring = memberGroups(d.structure, d.view, 'timber').find((g) => g.target === 'end:AB:end')!
    const left = points(paths(ring)[0].d)[0].x
    expect(onScreen(d.view, 3, 0).x - (left + 5.2)).toBeCloseTo(10.4, 1)
  })
  it('share one circle where every end is hinged', () => {
    const d = drawn(
      truss()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .node('C', 2, 2)
        .member('A', 'B')
        .member('A', 'C')
        .member('C', 'B')
        .support('A', 'pin')
        .support('B', 'roller'),
    )
    expect([...pinJoints(d.structure)]).toEqual([0, 1, 2])
    expect(
      memberGroups(d.structure, d.view, 'timber').filter((g) => g.target?.startsWith('node:')),
    ).toHaveLength(3)
  })
})

describe('diagrams', () => {
  const d = drawn(beam().load({ type: 'distributed', member: 'AB', direction: 'Y', q: -3 }))
  const fields = coursesOf(d.solution, d.action)
  const draw = (key: 'N' | 'V' | 'M') =>
    drawDiagram(d.solution, d.view, fields, { key, tall: 60, shown: 1e-3 })
  const axis = onScreen(d.view, 0, 0).y
  it('stand on the tension side: a sagging beam below, as tall as asked', () => {
    const outline = points(paths(draw('M').groups[0]).at(-1)!.d)
    expect(Math.max(...outline.map((p) => p.y)) - axis).toBeCloseTo(60, 0)
    expect(Math.min(...outline.map((p) => p.y))).toBeCloseTo(axis, 0)
  })
  it('say magnitudes of moments, signs of shear', () => {
    expect(draw('M').labelRequests.map((w) => w.mark.text)).toContain('6.000')
    expect(
      draw('V')
        .labelRequests.map((w) => w.mark.text)
        .sort(),
    ).toEqual(['6.000', '−6.000'])
    expect(largest(fields, 'M')).toBeCloseTo(6000, 6)
  })
  it('enlarge the deflected shape by a round number', () => {
    expect([0.0031, 47, 999].map(niceBelow)).toEqual([0.002, 20, 500])
    const factor = 40 / largestDisplacement(fields)
    const curve = points(paths(drawDeflected(d.solution, d.view, fields, factor)[0])[0].d)
    expect(Math.max(...curve.map((p) => p.y)) - axis).toBeCloseTo(40, 0)
  })
  it('tell tension, compression and nothing by line and letter', () => {
    const t = drawn(
      truss()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .node('C', 2, 2)
        .node('D', 2, 0)
        .member('A', 'D')
        .member('D', 'B')
        .member('A', 'C')
        .member('C', 'B')
        .member('D', 'C')
        .support('A', 'pin')
        .support('B', 'roller')
        .load({ type: 'nodal', node: 'C', fy: -10 }),
    )
    const a = drawAxialForces(t.solution, t.view, t.action, 1e-3)
    expect(a.labelRequests.map((w) => w.mark.text)).toEqual(['5.00 T', '5.00 T', '7.07 C', '7.07 C', '0'])
    expect(a.groups.map((g) => g.marks.length)).toEqual([1, 1, 2, 2, 1])
    expect(paths(a.groups[4])[0].dash).toBeDefined()
  })
})

describe('reactions and unknowns', () => {
  const slope = drawn(
    frame()
      .node('A', 0, 0)
      .node('B', 5, 0)
      .member('A', 'B')
      .support('A', 'pin')
      .support('B', { type: 'roller', angle: '30 deg' })
      .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -4 }),
  )
  it('push along a turned support’s own axes', () => {
    const { labelRequests } = drawReactions(
      slope.solution,
      slope.view,
      slope.action,
      { force: 1e-3, moment: 1e-3 },
      false,
    )
    // 10 kN upright needs 10/cos 30° square to the slope
    expect(labelRequests.filter((w) => w.target === 'support:B').map((w) => w.mark.text)).toEqual(['11.55'])
  })
  it('every degree of freedom has its numbered mark', () => {
    const { groups } = drawUnknowns(working.numbered(slope.solution), slope.view)
    expect(groups.map((g) => g.target)).toEqual(slope.solution.dofs.list.map((_, i) => `dof:${i}`))
    expect(groups.map((g) => g.marks.some((m) => m.t === 'path' && m.fill === 'cedar-tint'))).toEqual(
      slope.solution.dofs.list.map((x) => x.free),
    )
  })
})

it('shows units as the problem asks, and finer ones for displacements', () => {
  const display = (units: Problem['units']) => displayOf({ ...beam().problem, units })
  expect(display({ length: 'm', force: 'kN' }).displacement.unit).toBe('mm')
  expect(display({ length: 'ft', force: 'kip' }).displacement).toEqual({
    unit: 'in',
    perSI: expect.closeTo(1 / 0.0254, 9) as number,
  })
  expect(
    display({ length: 'm', force: 'kN', display: { displacement: 'cm', moment: 'nonsense' } }),
  ).toMatchObject({ displacement: { unit: 'cm' }, moment: { unit: 'kN·m' } })
})
