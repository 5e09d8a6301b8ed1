import { describe, expect, it } from 'vitest'
import { wholeStiffness, working } from '../../src/index.js'
import { frame } from '../builder.js'

const units = { length: 'm', force: 'kN' }
const s = frame()
  .node('A', 0, 0)
  .node('B', 0, 4)
  .node('C', 6, 6.5)
  .node('D', 8.5, 0.5)
  .member('A', 'B')
  .member('B', 'C')
  .member('C', 'D', { releases: { start: { M: true } } })
  .support('A', 'fixed')
  .support('D', { type: 'pin', settlement: { y: '-5 mm' } })
  .support('C', { restrain: { x: '300 kN/m' } })
  .load({ type: 'distributed', member: 'BC', direction: 'Y', per: 'projection', q: -12 }, { type: 'nodal', node: 'C', fx: -4, fy: -3 })
  .solve()
const action = s.cases[0]

describe('the working', () => {
  it('sums every entry of K from its terms', () => {
    const K = wholeStiffness(s.dofs, s.elements)
    const shown = working.structureStiffness(s, units)
    K.forEach((row, i) =>
      row.forEach((_, j) => {
        const sum = working.termsOf(s, units, i, j).reduce((t, x) => t + x.value, 0)
        expect(sum).toBeCloseTo(shown.values[i][j], 9)
      }),
    )
  })
  it('grows to K member by member, springs last', () => {
    const all = working.structureStiffness(s, units).values
    const n = s.elements.length
    expect(working.structureStiffness(s, units, n).values).toEqual(all)
    const none = working.structureStiffness(s, units, 0).values
    expect(none.flat().every((v) => v === 0)).toBe(true)
    let before = none
    for (let k = 1; k < n; k++) {
      const now = working.structureStiffness(s, units, k).values
      const touched = working.inOrder(working.unknowns(s).filter((u) => s.elements[k - 1].dofs.includes(u.index))).map((u) => u.number - 1)
      now.forEach((r, i) => r.forEach((v, j) => v !== before[i][j] && expect(touched).toEqual(expect.arrayContaining([i, j]))))
      before = now
    }
  })
  it('sums every load from joint and members, and K·D − P is the reaction', () => {
    for (const l of working.loadLines(s, units, action)) expect(l.joint - l.members.reduce((t, m) => t + m.value, 0)).toBeCloseTo(l.total, 9)
    for (const r of working.reactionLines(s, units, action)) expect(r.KD - r.load).toBeCloseTo(r.value, 6)
  })
  it('solves its own equations: K·D = P on the free rows', () => {
    const K = working.structureStiffness(s, units).values
    const D = working.displacements(s, units, action).map((d) => d.value)
    working.loadLines(s, units, action).slice(0, s.dofs.free).forEach((l, i) => expect(K[i].reduce((t, k, j) => t + k * D[j], 0)).toBeCloseTo(l.total, 6))
  })
  it('makes end forces of k·d and f', () => {
    for (const i of [0, 1, 2]) {
      const e = working.endForces(s, units, action, i)
      for (const r of e.shown) expect(e.kd[r] + e.fixed[r]).toBeCloseTo(e.q[r], 9)
    }
  })
  it('shows a released member before and after', () => {
    const w = working.memberWorking(s, units, 2)
    expect(w.own!.values[2][2]).toBeCloseTo((4 * w.EI) / w.length, 6)
    expect(w.k.values[2].every((v) => v === 0)).toBe(true)
    expect(w.k.values[5][5]).toBeCloseTo((3 * w.EI) / w.length, 6)
  })
  it('numbers free unknowns first', () => expect(working.unknowns(s).map((u) => u.free)).toEqual([...Array<boolean>(s.dofs.free).fill(true), ...Array<boolean>(s.dofs.list.length - s.dofs.free).fill(false)]))
})
