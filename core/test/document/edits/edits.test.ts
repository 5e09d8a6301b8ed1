import { describe, expect, it } from 'vitest'
import {
  edit,
  memberLabel,
  newProblem,
  nextNodeLabel,
  problemErrors,
  readChain,
  resolve,
  setUnits,
} from '../../../src/index.js'
import { frame } from '../../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 4, 3)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'fixed')
  .load({ type: 'nodal', node: 'B', fy: -3 }, { type: 'point', member: 'BC', at: 1, fx: 2 })
  .set({ answers: [{ id: 'a1', quantity: 'reaction', node: 'A', component: 'y', value: 3 }] }).problem

describe('edits', () => {
  it('leave the problem and what they do not touch as it was', () => {
    const before = JSON.stringify(p)
    const q = edit.setNode(p, 'A', { x: 1 })
    expect(JSON.stringify(p)).toBe(before)
    expect(q.members).toBe(p.members)
    expect(q.nodes[1]).toBe(p.nodes[1])
  })
  it('return the very problem when nothing changes', () => {
    expect(edit.setNode(p, 'A', { x: 0 })).toBe(p)
    expect(edit.removeNodes(p, ['Z'])).toBe(p)
    expect(edit.setHinge(p, 'AB', 'end', false)).toBe(p)
    expect(setUnits(p, 'm', 'kN', true)).toBe(p)
  })
  it('rename a joint everywhere, and the members named after it', () => {
    const q = edit.renameNode(p, 'B', "B'")
    expect(q.members.map((m) => m.id)).toEqual(["AB'", "B'C"])
    expect(q.loadCases![0].loads).toMatchObject([{ node: "B'" }, { member: "B'C" }])
    expect(problemErrors(q)).toEqual([])
  })
  it('take a joint out with what hangs on it', () => {
    const q = edit.removeNodes(p, ['B'])
    expect([q.nodes.length, q.members.length, q.loadCases![0].loads.length]).toEqual([2, 0, 0])
    expect(edit.removeNodes(p, ['A'])).toMatchObject({ supports: [], answers: [] })
  })
  it('connect a chain once', () => {
    const q = edit.addMembers(p, ['A', 'B', 'C', 'A'])
    expect(q.members.map((m) => m.id)).toEqual(['AB', 'BC', 'CA'])
    expect(q.members[2]).toMatchObject({ material: 'm', section: 's' })
  })
  it('set and lift a hinge without a trace', () => {
    const q = edit.setHinge(p, 'AB', 'end', true)
    expect(q.members[0].releases).toEqual({ end: { M: true } })
    expect(edit.setHinge(q, 'AB', 'end', false)).toEqual(p)
  })
  it('keep the structure when units change', () => {
    const q = setUnits(p, 'ft', 'kip', true)
    expect(q.nodes[1].x).toBe('4 m')
    const [a, b] = [resolve(p), resolve(q)]
    if (!a.ok || !b.ok) throw new Error('not readable')
    b.structure.members.forEach((m, i) => {
      expect(m.length).toBeCloseTo(a.structure.members[i].length, 12)
      expect(m.E * m.A).toBeCloseTo(a.structure.members[i].E * a.structure.members[i].A, 3)
    })
    expect(b.structure.cases[0].loads[0]).toMatchObject({ fy: expect.closeTo(-3000, 6) as number })
  })
  it('read plain numbers anew when asked to', () =>
    expect(setUnits(p, 'ft', 'kip', false).nodes[1].x).toBe(4))
  it('begin with a sheet that may be kept', () => expect(problemErrors(newProblem())).toEqual([]))
  it('rename a case everywhere', () => {
    const q = edit.renameCase({ ...p, combinations: [{ id: 'U', factors: { '1': 1.2 } }] }, '1', 'D')
    expect(q).toMatchObject({ loadCases: [{ id: 'D' }], combinations: [{ factors: { D: 1.2 } }] })
    expect(problemErrors(q)).toEqual([])
  })
})

describe('labels', () => {
  it('go on in the manner of those present', () => {
    expect(nextNodeLabel(p)).toBe('D')
    expect(nextNodeLabel(frame().node('1', 0, 0).node('2', 1, 0).problem)).toBe('3')
  })
  it('name members after their joints', () => {
    expect(memberLabel(p, 'A', 'C')).toBe('AC')
    expect(memberLabel(p, 'A', 'B')).toBe("AB'")
    expect(memberLabel(p, '10', '2')).toBe('10–2')
  })
  it('read chains', () => {
    expect(readChain(p, 'abc')).toEqual(['A', 'B', 'C'])
    expect(readChain(p, 'A-C, B')).toEqual(['A', 'C', 'B'])
    expect(readChain(p, 'A Q')).toEqual({ message: 'There is no joint Q.' })
  })
})

describe('names, ends, combinations, display', () => {
  const p = frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .node('C', 8, 0)
    .member('A', 'B')
    .member('B', 'C')
    .support('A', 'pin')
    .load(
      { type: 'nodal', node: 'B', fy: -1 },
      { type: 'distributed', member: 'AB', direction: 'Y', q: -1 },
    ).problem

  it('joints may change names with each other; members follow', () => {
    const swapped = edit.renameNodes(p, [
      { from: 'A', to: 'C' },
      { from: 'C', to: 'A' },
      { from: 'B', to: 'B' },
    ])
    expect(swapped.nodes.map((n) => n.id)).toEqual(['C', 'B', 'A'])
    expect(swapped.members.map((m) => m.id)).toEqual(['CB', 'BA'])
    expect(swapped.supports).toEqual([{ node: 'C', type: 'pin' }])
    expect(swapped.loadCases![0].loads[1]).toMatchObject({ member: 'CB' })
    expect(problemErrors(swapped)).toEqual([])
    expect(
      edit.renameNodes(swapped, [
        { from: 'C', to: 'A' },
        { from: 'A', to: 'C' },
      ]),
    ).toEqual(p)
  })

  it('an end is released, sprung and rigid again, and leaves nothing behind', () => {
    const sprung = edit.setRelease(edit.setRelease(p, 'AB', 'end', 'M', '5 kN*m'), 'AB', 'end', 'N', true)
    expect(sprung.members[0].releases).toEqual({ end: { M: '5 kN*m', N: true } })
    expect(edit.setHinge(sprung, 'AB', 'end', true).members[0].releases).toEqual({
      end: { M: true, N: true },
    })
    expect(
      edit.setRelease(edit.setRelease(sprung, 'AB', 'end', 'M', undefined), 'AB', 'end', 'N', undefined),
    ).toEqual(p)
    expect(edit.setHinge(p, 'AB', 'end', false)).toBe(p)
  })

  it('a combination is made, changed, renamed and taken out with what refers to it', () => {
    const made = edit.addCombination(edit.addCase(p))
    expect(made.combinations).toEqual([{ id: 'C1', factors: { '1': 1, '2': 1 } }])
    const changed = edit.setCombination(
      edit.setFactor(edit.setFactor(made, 'C1', '1', 1.4), 'C1', '2', undefined),
      'C1',
      { purpose: 'strength' },
    )
    expect(changed.combinations).toEqual([{ id: 'C1', factors: { '1': 1.4 }, purpose: 'strength' }])
    const asked = edit.addAnswer(changed, {
      quantity: 'reaction',
      node: 'A',
      component: 'y',
      value: 1,
      case: 'C1',
    })
    const renamed = edit.renameCombination(asked, 'C1', 'U')
    expect(renamed.answers![0].case).toBe('U')
    expect(problemErrors(renamed)).toEqual([])
    expect(edit.removeCombination(renamed, 'U')).toMatchObject({ combinations: [], answers: [] })
  })

  it('display units and what an interface remembers come and go', () => {
    const shown = edit.setDisplay(p, 'moment', 'kN*cm')
    expect(shown.units.display).toEqual({ moment: 'kN*cm' })
    expect(edit.setDisplay(shown, 'moment', undefined)).toEqual(p)
    expect(edit.setView(edit.setView(p, 'grid', { across: '3@4' }), 'grid', undefined).view).toEqual({})
  })
})

describe('a case under another label', () => {
  it('is named so in the titles that combinations were given after their cases, and in no other', () => {
    const p = frame().set({
      loadCases: [
        { id: 'D', loads: [] },
        { id: 'L', loads: [] },
      ],
      combinations: [
        { id: 'C1', title: '1.2 D + 1.6 L', factors: { D: 1.2, L: 1.6 } },
        { id: 'C2', title: 'Dead alone', factors: { D: 1 } },
      ],
    }).problem
    const { combinations } = edit.renameCase(p, 'D', 'G')
    expect(combinations!.map((c) => [c.title, c.factors])).toEqual([
      ['1.2 G + 1.6 L', { G: 1.2, L: 1.6 }],
      ['Dead alone', { G: 1 }],
    ])
  })
})
