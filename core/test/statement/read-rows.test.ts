import { describe, expect, it } from 'vitest'
import { problemErrors } from '../../src/index.js'
import { cellsOf, fillRows, type TablePlace } from '../../src/statement/read-rows.js'
import { frame } from '../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 8, 0)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'pin')
  .load({ type: 'nodal', node: 'B', fy: -1 }, { type: 'point', member: 'BC', at: 1, fx: 2 }).problem

const fill = (text: string, at: TablePlace) => {
  const made = fillRows(p, text, at)
  if (!made.ok) return made.message
  expect(problemErrors(made.problem)).toEqual([])
  return made.problem
}
const filled = (text: string, at: TablePlace) => {
  const made = fill(text, at)
  if (typeof made === 'string') throw new Error(made)
  return made
}

describe('cells pasted into a table', () => {
  it('are told from the text of one field', () => {
    expect(cellsOf('12*26 in')).toBeUndefined()
    expect(cellsOf('1\t2\r\n3\t4\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ])
  })
  it('fill coordinates from a field on downward, and go on as new joints', () => {
    const q = filled('5\t1\n9\t2\n12\t3 m', { table: 'joints', row: 1, column: 'x' })
    expect(q.nodes.map((n) => [n.id, n.x, n.y])).toEqual([
      ['A', 0, 0],
      ['B', 5, 1],
      ['C', 9, 2],
      ['D', 12, '3 m'],
    ])
    expect(filled('7\n8', { table: 'joints', row: 0, column: 'y' }).nodes.map((n) => n.y)).toEqual([7, 8, 0])
  })
  it('add joints, members, supports and loads in the rows of new entries', () => {
    expect(filled('12\t0\n16\t0', { table: 'joints', column: 'x' }).nodes).toHaveLength(5)
    expect(filled('A\tC', { table: 'members' }).members[2]).toMatchObject({ start: 'A', end: 'C' })
    expect(filled('B\troller\t30\nC\tfixed', { table: 'supports' }).supports!.slice(1)).toEqual([
      { node: 'B', type: 'roller', angle: '30 deg' },
      { node: 'C', type: 'fixed' },
    ])
    const loads = filled('ab\t6 kN/m\nB-C\t5 kN\t1.5\tup', { table: 'loads', caseId: '1' }).loadCases![0]
      .loads
    expect(loads.slice(2)).toMatchObject([
      { member: 'AB', q: '-6 kN/m' },
      { member: 'BC', at: 1.5, fy: '5 kN' },
    ])
  })
  it('fill amounts from a load on downward, keeping direction and place', () => {
    const { loads } = filled('3\n4 kN', { table: 'loads', caseId: '1', row: 0 }).loadCases![0]
    expect(loads).toEqual([
      { type: 'nodal', node: 'B', fy: -3 },
      { type: 'point', member: 'BC', at: 1, fx: '4 kN' },
    ])
  })
  it.each<[string, TablePlace, RegExp]>([
    ['B\tfixed\nQ\tpin', { table: 'supports' }, /Row 2: There is no joint Q/],
    ['AB\t6\t1\t2', { table: 'loads', caseId: '1' }, /Row 1: "2" is left over/],
    ['1\n2\n3', { table: 'loads', caseId: '1', row: 0 }, /Row 3: there is no such load/],
    ['1\t2\t3', { table: 'joints', row: 0, column: 'x' }, /Row 1: 3 cells/],
    ['A\tQ', { table: 'members' }, /Q is none/],
  ])('or nothing at all, with the row that is wrong: %j', (text, at, words) =>
    expect(fill(text, at)).toMatch(words),
  )
})
