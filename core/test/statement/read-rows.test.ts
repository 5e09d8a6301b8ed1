import { describe, expect, it } from 'vitest'
import { lineOf, problemErrors } from '../../src/index.js'
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
  it.each<[string, TablePlace, number, RegExp]>([
    ['B\tfixed\nQ\tpin\nC\troller', { table: 'supports' }, 2, /There is no joint Q/],
    ['AB\t6\t1\t2', { table: 'loads', caseId: '1' }, 0, /"2" is left over/],
    ['1\n2\n3', { table: 'loads', caseId: '1', row: 0 }, 2, /there is no such load/],
    ['3 kN\n2 m', { table: 'loads', caseId: '1', row: 0 }, 1, /Expected a force/],
    ['1\t2\t3\n5\t1', { table: 'joints', row: 0, column: 'x' }, 1, /3 cells/],
    ['1\t2\n5 kN\t1', { table: 'joints', row: 0, column: 'x' }, 1, /Expected a length/],
    ['12\t0\n5 kN\t1\n16\t0', { table: 'joints', column: 'x' }, 2, /Expected a length/],
    ['A\tC\nA\tQ', { table: 'members' }, 1, /Q is none/],
  ])('take the good rows and leave the others with their reason: %j', (text, at, taken, words) => {
    const made = fillRows(p, text, at)
    expect(made).toMatchObject({ ok: true, taken })
    if (!made.ok) return
    expect(problemErrors(made.problem)).toEqual([])
    expect(made.left).toHaveLength(1)
    expect(made.left[0].message).toMatch(words)
  })
  it('lose no row: what is left reads again once it is mended', () => {
    const made = fillRows(p, '12\t0\n5 kN\t1', { table: 'joints', column: 'x' })
    if (!made.ok) throw new Error(made.message)
    const mended = lineOf(made.left[0].cells).replace('kN', 'm')
    const again = fillRows(made.problem, mended, { table: 'joints', column: 'x' })
    expect(again).toMatchObject({ ok: true, taken: 1, left: [] })
  })
  it('have their numbers in one style, decided for the block and said', () => {
    const made = fillRows(p, 'D;12,5;0\nE;1.200,0;0,25', { table: 'joints', column: 'x' })
    expect(made).toMatchObject({ ok: true, taken: 2, said: 'Commas were read as decimal signs.' })
    expect(made.ok && made.problem.nodes.slice(3)).toEqual([
      { id: 'D', x: 12.5, y: 0 },
      { id: 'E', x: '1200.0', y: 0.25 },
    ])
  })
  it.each([
    ['joint\tx (mm)\ty (mm)\nD\t12 000\t3000'],
    ['joint\tx, mm\ty, mm\nD\t12 000\t3000'],
    ['joint\tx [mm]\ty [mm]\nD\t12 000\t3000'],
    ['x (mm)\ty (mm)\n12 000\t3000'],
  ])('take the unit of a head: %j', (text) => {
    const { nodes } = filled(text, { table: 'joints', column: 'x' })
    expect(nodes[3]).toMatchObject({ x: '12 000 mm', y: '3000 mm' })
  })
  it('take the unit of a head of loads', () => {
    const { loads } = filled('member\tload (N/m)\tat\nAB\t6000', { table: 'loads', caseId: '1' })
      .loadCases![0]
    expect(loads[2]).toMatchObject({ member: 'AB', q: '-6000 N/m' })
  })
})
