import { thing, copyRows, edit, problemErrors } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { connect, dropped } from '../../app/figure/drawing'
import { baysRefusal, gridOf, setGrid, snapTo } from '@viga/core/statement/grid'
import { pasted } from '../../app/commands/pasted'
import { removeChosen, toggleHinges } from '../../app/commands/selection'
import { chosen, everything, stillThere, targetOf, targetsOf, toggled } from '../../app/sheet/targets'
import { beam } from '../problems'

describe('drawing', () => {
  it('from a bare place to a joint, splitting what it stands on', () => {
    const { problem, end } = connect(beam, { x: 2, y: 0 }, { x: 2, y: 3 })
    expect(end).toBe('E')
    expect(problem.members.map((m) => m.id)).toEqual(['AD', 'DB', 'BC', 'DE'])
    expect(problemErrors(problem)).toEqual([])
  })
  it('in one stroke through the joint between', () => {
    const bare = edit.removeMembers(beam, ['AB', 'BC'])
    expect(connect(bare, { id: 'A' }, { id: 'C' }).problem.members.map((m) => m.id)).toEqual(['AB', 'BC'])
  })
  it('a joint let go on another becomes one with it, and says so', () => {
    const moved = edit.setNode(beam, 'C', { x: 4, y: 0 })
    const after = dropped(moved, 'C')!
    expect(after.words).toContain('C stood on B')
    expect(after.problem.nodes.map((n) => n.id)).toEqual(['A', 'B'])
    expect(after.problem.supports).toEqual([
      { node: 'A', type: 'pin' },
      { node: 'B', type: 'roller' },
    ])
  })
  it('a joint let go on a member splits it; elsewhere nothing follows', () => {
    const withD = edit.addNode(beam, 2, 0, 'D')
    expect(dropped(withD, 'D')!.problem.members.map((m) => m.id)).toEqual(['AD', 'DB', 'BC'])
    expect(dropped(edit.addNode(beam, 2, 5, 'D'), 'D')).toBeUndefined()
  })
})

describe('the grid of bays', () => {
  const p = setGrid(beam, '3@4, 5.5', '3 m')
  it('is kept with the problem and read back', () =>
    expect(gridOf(p)).toMatchObject({ xs: [0, 4, 8, 12, 17.5], ys: [0, 3] }))
  it('is gone when both lines are empty', () => expect(gridOf(setGrid(p, '', ''))).toBeUndefined())
  it('survives what somebody else wrote there', () => {
    for (const grid of [7, 'x', null, { across: 4 }, { across: 'nonsense' }])
      expect(gridOf({ ...beam, view: { grid } })).toBeUndefined()
  })
  it('says what it does not understand', () => {
    expect(baysRefusal('3@', beam)).toMatch(/\.$/)
    expect(baysRefusal('', beam)).toBeNull()
  })
  it('snaps to its lines, and to even steps beyond them', () => {
    expect(snapTo([0, 4, 9.5], 8.6, 1)).toBe(9.5)
    expect(snapTo([0, 4, 9.5], 20.4, 1)).toBe(20)
    expect(snapTo(undefined, 2.26, 0.5)).toBe(2.5)
  })
})

describe('a selection of many things', () => {
  it('is taken apart by kind, whatever the labels are', () => {
    const text = targetOf([thing.node('A+B'), thing.member('1:2'), thing.load('D:L', 3), thing.support('C')])
    expect(targetsOf(text)).toHaveLength(4)
    expect(chosen(text)).toEqual({
      nodes: ['A+B', 'C'],
      members: ['1:2'],
      loads: [{ caseId: 'D:L', index: 3 }],
    })
  })
  it('grows and shrinks, and keeps only what is there', () => {
    const two = toggled(toggled(null, 'node:A'), 'member:AB')
    expect(toggled(two, 'node:A')).toBe('member:AB')
    expect(toggled('node:A', 'node:A')).toBeNull()
    expect(stillThere(edit.removeMembers(beam, ['AB']), two)).toBe('node:A')
    expect(chosen(everything(beam))).toMatchObject({ nodes: ['A', 'B', 'C'], members: ['AB', 'BC'] })
  })
  it('is taken out as a whole', () => {
    const loaded = edit.addLoad(edit.addLoad(beam, '1', { type: 'nodal', node: 'B', fy: -1 }), '1', {
      type: 'nodal',
      node: 'C',
      fy: -2,
    })
    expect(removeChosen(loaded, targetOf(['load:1:0', 'load:1:1'])).loadCases![0].loads).toEqual([])
    expect(removeChosen(loaded, targetOf(['member:BC', 'node:C']))).toMatchObject({
      nodes: [{ id: 'A' }, { id: 'B' }],
      members: [{ id: 'AB' }],
    })
  })
  it('is hinged, and rigid again', () => {
    const hinged = toggleHinges(beam, 'node:B')
    expect(hinged.members.map((m) => m.releases)).toEqual([{ end: { M: true } }, { start: { M: true } }])
    expect(toggleHinges(hinged, 'node:B')).toEqual(beam)
    expect(toggleHinges(beam, 'member:AB').members[0].releases).toEqual({
      start: { M: true },
      end: { M: true },
    })
  })
  it('is pasted beside what it came from, or where it was when nothing is in the way', () => {
    const rows = copyRows(beam, { nodes: [], members: ['AB'] })
    const beside = pasted(beam, rows)
    expect(beside).toMatchObject({ ok: true, nodes: ['D', 'E'] })
    if (beside.ok) expect(Number(beside.problem.nodes[3].x)).toBeGreaterThan(8)
    expect(pasted({ ...beam, nodes: [], members: [], supports: [] }, rows)).toMatchObject({
      ok: true,
      nodes: ['A', 'B'],
    })
  })
})
