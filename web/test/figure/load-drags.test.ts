import { thing, displayOf, edit, resolve, type Problem, type Structure } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { ringsOf } from '../../app/figure/Handles'
import { dragAlong, dragGrip, loadPlace } from '../../app/figure/load-drags'
import { drawLoads } from '@viga/drawing/loads'
import { vec } from '@viga/drawing/marks'
import { fit } from '@viga/drawing/view'
import { drawnLoads } from '@viga/drawing/words'
import { beam } from '../problems'

function drawn(p: Problem) {
  const r = resolve(p)
  if (!r.ok) throw new Error(r.errors[0].message)
  const s: Structure = r.structure
  const view = fit(s.nodes, 800, 400, { left: 100, right: 100, top: 100, bottom: 100 })
  return {
    s,
    view,
    drawing: drawLoads(s, view, drawnLoads(s, new Set(s.cases.map((c) => c.id)), displayOf(p))),
  }
}

describe('a load pulled on the Figure', () => {
  const withLoads = edit.addLoad(
    edit.addLoad(beam, '1', { type: 'point', member: 'AB', at: '50%', fy: -5 }),
    '1',
    { type: 'distributed', member: 'BC', direction: 'Y', q: '-6 kN/m' },
  )
  const { s, view, drawing } = drawn(withLoads)

  it('knows its place, whatever the case is called', () => {
    expect(loadPlace(thing.load('D:L', 12))).toMatchObject({ caseId: 'D:L', index: 12 })
    expect(loadPlace(thing.grip('D', 0, 1))).toMatchObject({ caseId: 'D', index: 0, point: 1 })
  })
  it('goes along its member in steps, and no farther than its ends', () => {
    const to = (x: number) =>
      dragAlong(withLoads, s, view, 'load:1:0', vec(view.ox + x * view.scale, 0), 0.5).loadCases![0].loads[0]
    expect(to(1.3)).toMatchObject({ at: 1.5 })
    expect(to(-3)).toMatchObject({ at: 0 })
    expect(to(30)).toMatchObject({ at: 4 })
  })
  it('has a grip at each end; pulled to the member, a uniform load becomes a triangle', () => {
    expect(drawing.grips.map((g) => g.target)).toEqual(['grip:1:1:0', 'grip:1:1:1'])
    const g = drawing.grips[0]
    const down = vec(g.at.x - g.back.x * (g.value / g.siPerPx), g.at.y - g.back.y * (g.value / g.siPerPx))
    expect(dragGrip(withLoads, s, view, g, g.at, down, 0.5).loadCases![0].loads[1]).toEqual({
      type: 'distributed',
      member: 'BC',
      direction: 'Y',
      points: [
        { at: 0, q: 0 },
        { at: '100%', q: '-6 kN/m' },
      ],
    })
  })
  it('pulled along, it covers a part, and its value stays as typed', () => {
    const g = drawing.grips[1]
    const back = vec(g.at.x - view.scale * 1.5, g.at.y)
    expect(dragGrip(withLoads, s, view, g, g.at, back, 0.5).loadCases![0].loads[1]).toMatchObject({
      points: [
        { at: 0, q: '-6 kN/m' },
        { at: 2.5, q: '-6 kN/m' },
      ],
    })
  })
  it('of several cases is told apart by lines and by a word', () => {
    const two = drawn(
      edit.addLoad(edit.addCase(withLoads), '2', {
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        q: -4,
      }),
    )
    expect(new Set(two.drawing.labelRequests.map((w) => w.mark.aside))).toEqual(new Set(['1', '2']))
    const dashes = (target: string) =>
      two.drawing.groups
        .find((g) => g.target === target)!
        .marks.map((m) => (m.t === 'path' && m.stroke === 'load' ? m.dash : 'no line'))
        .filter((d) => d !== 'no line')
    expect(new Set(dashes('load:2:0'))).toEqual(new Set(['7 3']))
    expect(new Set(dashes('load:1:1'))).toEqual(new Set([undefined]))
    expect(drawing.labelRequests.every((w) => w.mark.aside === undefined)).toBe(true)
  })
})

describe('rings at member ends', () => {
  const { s, view } = drawn(edit.setHinge(beam, 'AB', 'end', true))
  const p = edit.setHinge(beam, 'AB', 'end', true)
  it('stand at both ends of a selected member, and tell hinged from rigid', () =>
    expect(ringsOf(p, s, view, undefined, 'AB').map((r) => [r.joint, r.hinged])).toEqual([
      ['A', false],
      ['B', true],
    ]))
  it('stand at every end of a selected joint', () =>
    expect(ringsOf(p, s, view, 'B', undefined).map((r) => [r.id, r.end, r.hinged])).toEqual([
      ['AB', 'end', true],
      ['BC', 'start', false],
    ]))
  it('are none on a bar', () => {
    const bars = edit.setMember(beam, 'AB', { type: 'bar' })
    expect(ringsOf(bars, drawn(bars).s, view, 'B', undefined).map((r) => r.id)).toEqual(['BC'])
  })
})
