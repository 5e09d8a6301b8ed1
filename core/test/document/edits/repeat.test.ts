import { describe, expect, it } from 'vitest'
import {
  copySelection,
  coincident,
  equilibrium,
  jointsOf,
  measure,
  membersLike,
  mergeNodes,
  mirrorSelection,
  moveNodes,
  problemErrors,
  readBays,
  reactionAt,
  renumberNodes,
  writeBays,
} from '../../../src/index.js'
import { frame, solved } from '../../builder.js'

const bay = frame()
  .node('A', 0, 0)
  .node('B', 0, '3 m')
  .node('C', 4, 3)
  .node('D', 4, 0)
  .member('A', 'B')
  .member('B', 'C')
  .member('C', 'D')
  .support('A', 'fixed')
  .support('D', { type: 'roller', angle: '20 deg', settlement: { y: '-2 mm' } })
  .load(
    { type: 'distributed', member: 'BC', direction: 'Y', q: -6 },
    { type: 'nodal', node: 'B', fx: 'H', m: 2 },
    { type: 'point', member: 'AB', at: 1, fx: 3, fy: -1, axes: 'member' },
  )
  .set({ symbols: { H: '4 kN' } }).problem

describe('copying', () => {
  it('a storey: copies joined to what they come from, loads and all', () => {
    const p = copySelection(
      bay,
      { nodes: ['B', 'C'], members: ['BC'] },
      { dx: 0, dy: 3, times: 2, connect: true, loads: true },
    )
    expect(p.nodes.slice(4)).toEqual([
      { id: 'E', x: 0, y: 6 },
      { id: 'F', x: 4, y: 6 },
      { id: 'G', x: 0, y: 9 },
      { id: 'H', x: 4, y: 9 },
    ])
    expect(p.members.map((m) => m.id)).toEqual(['AB', 'BC', 'CD', 'EF', 'BE', 'CF', 'GH', 'EG', 'FH'])
    expect(p.members[4]).toMatchObject({ material: 'm', section: 's' })
    expect(p.loadCases![0].loads.filter((l) => l.type === 'distributed').map((l) => l.member)).toEqual([
      'BC',
      'EF',
      'GH',
    ])
    expect(p.loadCases![0].loads.filter((l) => l.type === 'nodal')).toHaveLength(3)
    expect(problemErrors(p)).toEqual([])
  })
  it('takes a joint that is there already instead of a second one', () => {
    const p = copySelection(bay, { nodes: [], members: ['AB'] }, { dx: 4, dy: 0, times: 1 })
    expect(p.nodes).toHaveLength(4)
    expect(p.members).toHaveLength(3)
  })
  it('does nothing without a step', () =>
    expect(copySelection(bay, { nodes: ['A'], members: [] }, { dx: 0, dy: 0, times: 3 })).toBe(bay))
  it('takes supports along when asked', () => {
    const p = copySelection(
      bay,
      { nodes: ['A', 'B'], members: [] },
      { dx: -5, dy: 0, times: 1, supports: true },
    )
    expect(p.supports!.map((s) => s.node)).toEqual(['A', 'D', 'E'])
    expect(p.members.map((m) => m.id)).toEqual(['AB', 'BC', 'CD', 'EF'])
  })
})

describe('mirroring', () => {
  it('in place turns every result into its mirror image', () => {
    const mirrored = mirrorSelection(
      bay,
      { nodes: ['A', 'B', 'C', 'D'], members: ['AB', 'BC', 'CD'] },
      'vertical',
      2,
      false,
    )
    expect(problemErrors(mirrored)).toEqual([])
    const [a, b] = [solved(bay), solved(mirrored)]
    for (const node of [0, 3]) {
      const [r, s] = [reactionAt(a, a.cases[0], node), reactionAt(b, b.cases[0], node)]
      expect(s.x).toBeCloseTo(-r.x, 4)
      expect(s.y).toBeCloseTo(r.y, 4)
      expect(s.rotation).toBeCloseTo(-r.rotation, 4)
    }
  })
  it('twice in place is where it began', () => {
    const all = { nodes: ['A', 'B', 'C', 'D'], members: ['AB', 'BC', 'CD'] }
    const twice = mirrorSelection(
      mirrorSelection(bay, all, 'horizontal', 1, false),
      all,
      'horizontal',
      1,
      false,
    )
    const [a, b] = [solved(bay), solved(twice)]
    a.cases[0].forces.forEach((v, i) => expect(b.cases[0].forces[i]).toBeCloseTo(v, 4))
  })
  it('as a copy shares the joints on the line and makes a structure in equilibrium', () => {
    const p = mirrorSelection(bay, { nodes: [], members: ['AB', 'BC', 'CD'] }, 'vertical', 4)
    expect(p.nodes).toHaveLength(6)
    expect(p.members).toHaveLength(5)
    expect(p.supports!.map((s) => [s.node, s.type])).toEqual([
      ['A', 'fixed'],
      ['D', 'roller'],
      ['E', 'fixed'],
    ])
    const s = solved(p)
    expect(equilibrium(s, s.cases[0]).residual.m).toBeCloseTo(0, 5)
    expect(p.loadCases![0].loads.filter((l) => l.type === 'nodal').map((l) => [l.fx, l.m])).toEqual([
      ['H', 2],
      ['-H', -2],
    ])
  })
})

describe('moving, merging, renumbering', () => {
  it('moves what is named, and keeps the words of what does not change', () => {
    const p = moveNodes(bay, ['B'], 0.5, 0)
    expect(p.nodes[1]).toEqual({ id: 'B', x: 0.5, y: '3 m' })
  })
  it('makes one joint of two: members, loads and supports move over', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .node('C', 3, 0)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('C', 'D')
      .member('B', 'C')
      .support('C', 'pin')
      .load(
        { type: 'nodal', node: 'C', fy: -2 },
        { type: 'distributed', member: 'CD', direction: 'Y', q: -1 },
      ).problem
    expect(coincident(p)).toEqual([['B', 'C']])
    const one = mergeNodes(p, 'B', 'C')
    expect(one.nodes.map((n) => n.id)).toEqual(['A', 'B', 'D'])
    expect(one.members.map((m) => [m.id, m.start, m.end])).toEqual([
      ['AB', 'A', 'B'],
      ['BD', 'B', 'D'],
    ])
    expect(one.supports).toEqual([{ node: 'B', type: 'pin' }])
    expect(one.loadCases![0].loads).toMatchObject([{ node: 'B' }, { member: 'BD' }])
    expect(problemErrors(one)).toEqual([])
  })
  it('finds the same pairs however far from the origin they stand', () => {
    for (const far of [0, 1e4, -3e5])
      expect(
        coincident(
          frame()
            .node('A', far, far)
            .node('B', far + 5, far)
            .node('C', far + 5, far + 1e-9).problem,
        ),
      ).toEqual([['B', 'C']])
  })
  it('renumbers by place', () => {
    expect(renumberNodes(bay, 'numbers', 'place')).toEqual([
      { from: 'A', to: '1' },
      { from: 'B', to: '2' },
      { from: 'D', to: '3' },
      { from: 'C', to: '4' },
    ])
    expect(
      renumberNodes(bay, 'letters', 'listed')
        .map((r) => r.to)
        .join(''),
    ).toBe('ABCD')
  })
  it('selects members alike and members in one line', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .node('C', 6, 0)
      .node('D', 9, 1)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D', { section: 't' })
      .set({
        sections: [
          { id: 's', A: 1, I: 1 },
          { id: 't', A: 1, I: 1 },
        ],
      }).problem
    expect(membersLike(p, 'AB', 'line')).toEqual(['AB', 'BC'])
    expect(membersLike(p, 'CD', 'section')).toEqual(['CD'])
    expect(jointsOf(p, { nodes: ['D'], members: ['AB'] })).toEqual(['A', 'B', 'D'])
  })
})

describe('bays as people say them', () => {
  const { reader } = measure(bay)
  it.each([
    ['3@4, 5.5', [4, 4, 4, 5.5]],
    ['2 @ 20 ft', [6.096, 6.096]],
    ['6 6 4.5', [6, 6, 4.5]],
    ['12/2', [6]],
    ['2@3; 1', [3, 3, 1]],
  ])('%s', (text, spacings) =>
    expect((readBays(text, reader) as number[]).map((v) => Math.round(v * 1e9) / 1e9)).toEqual(spacings),
  )
  it.each(['', '3@', '2@0', '@4', '3 kN', '999@1', '-4'])('refuses %s with a sentence', (text) =>
    expect(readBays(text, reader)).toMatchObject({ message: expect.stringMatching(/\.$/) as string }),
  )
  it('writes them back', () => expect(writeBays([4, 4, 4, 5.5])).toBe('3@4, 5.5'))
})
