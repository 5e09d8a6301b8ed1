import { describe, expect, it } from 'vitest'
import { wholeStiffness, working } from '../../../src/index.js'
import { frame } from '../../builder.js'

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
  .load(
    { type: 'distributed', member: 'BC', direction: 'Y', per: 'projection', q: -12 },
    { type: 'nodal', node: 'C', fx: -4, fy: -3 },
  )
  .solve()
const action = s.cases[0]
const book = working.ledger(s, units, action)

describe('the working', () => {
  it('sums every entry of K from its terms', () => {
    const K = wholeStiffness(s.dofs, s.elements)
    const shown = working.structureStiffness(working.numbered(s), units)
    K.forEach((row, i) =>
      row.forEach((_, j) => {
        const sum = working.termsOf(working.numbered(s), units, i, j).reduce((t, x) => t + x.value, 0)
        expect(sum).toBeCloseTo(shown.values[i][j], 9)
      }),
    )
  })
  it('grows to K member by member, springs last', () => {
    const all = working.structureStiffness(working.numbered(s), units).values
    const n = s.elements.length
    expect(working.structureStiffness(working.numbered(s), units, n).values).toEqual(all)
    const none = working.structureStiffness(working.numbered(s), units, 0).values
    expect(none.flat().every((v) => v === 0)).toBe(true)
    let before = none
    for (let k = 1; k < n; k++) {
      const now = working.structureStiffness(working.numbered(s), units, k).values
      const touched = working
        .inOrder(
          working.unknowns(working.numbered(s)).filter((u) => s.elements[k - 1].dofs.includes(u.index)),
        )
        .map((u) => u.number - 1)
      now.forEach((r, i) =>
        r.forEach((v, j) => v !== before[i][j] && expect(touched).toEqual(expect.arrayContaining([i, j]))),
      )
      before = now
    }
  })
  it('solves its own equations: K·D = P on the free rows', () => {
    const { K, right, unknowns } = working.equations(working.numbered(s), units, action)
    const D = unknowns.map((u) => book.entry(working.addressOf('D', u.index + 1))!.value)
    right.forEach((p, i) => expect(K[i].reduce((t, k, j) => t + k * D[j], 0)).toBeCloseTo(p, 6))
  })
  it('shows a released member before and after', () => {
    const value = (...at: (string | number)[]) => book.entry(working.addressOf(...at))!.value
    const [EI, L] = [value('EI', 'CD'), value('L', 'CD')]
    expect(value('own', 'CD', 3, 3)).toBeCloseTo((4 * EI) / L, 6)
    for (let j = 1; j <= 6; j++) expect(value('k', 'CD', 3, j)).toBe(0)
    expect(value('k', 'CD', 6, 6)).toBeCloseTo((3 * EI) / L, 6)
  })
  it('gives a member’s matrix under its unknowns', () => {
    const { K, start, end } = working.memberMatrix(working.numbered(s), units, 1)
    expect([start, end]).toEqual(['B', 'C'])
    K.rows.forEach((r, i) =>
      K.columns.forEach(
        (c, j) =>
          r &&
          c &&
          expect(K.values[i][j]).toBeCloseTo(
            book.entry(working.addressOf('global', 'BC', i + 1, j + 1))!.value,
            9,
          ),
      ),
    )
  })
  it('numbers free unknowns first', () =>
    expect(working.unknowns(working.numbered(s)).map((u) => u.free)).toEqual([
      ...Array<boolean>(s.dofs.free).fill(true),
      ...Array<boolean>(s.dofs.list.length - s.dofs.free).fill(false),
    ]))
})
