import { describe, expect, it } from 'vitest'
import {
  coherentDisplay,
  displacementsTable,
  endForcesTable,
  extremesTable,
  OWN_SIGNS,
  reactionsTable,
  sortedRows,
  stationsTable,
  type ResultTable,
  type Signs,
  type Solution,
} from '../../src/index.js'
import { frame, solved, truss } from '../builder.js'

/** A simply supported beam of 4 m with 6 kN in its middle, and a second case with −2 kN. */
const { problem } = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .member('A', 'B')
  .support('A', 'pin')
  .support('B', 'roller')
  .load({ type: 'point', member: 'AB', at: 2, fy: -6 })
  .loadCase('up', { type: 'point', member: 'AB', at: 1, fy: 2 })
const beam = solved(problem)
const source = (s: Solution, signs: Partial<Signs> = {}, envelope = false) => ({
  solution: s,
  actions: envelope ? s.cases : s.cases.slice(0, 1),
  envelope,
  display: coherentDisplay(problem),
  signs: { ...OWN_SIGNS, ...signs },
})
/** The cells of the first row that begins with these words, by column. */
const row = (t: ResultTable, ...head: string[]) => {
  const found = t.rows.find((r) => head.every((h, i) => r.cells[i] === h))!
  return Object.fromEntries(t.columns.map((c, i) => [c.key, found.cells[i]]))
}

describe('the table of reactions', () => {
  it('has one row a support and a sum of forces, none of moments', () => {
    const t = reactionsTable(source(beam))
    expect(row(t, 'A').y).toBeCloseTo(3)
    expect(t.total?.[2]).toBeCloseTo(6)
    expect(t.total?.[3]).toBeNull()
  })
  it('of an envelope has each extreme with what acts beside it at the same time', () => {
    const t = reactionsTable(source(beam, {}, true))
    expect(row(t, 'A', 'max y')).toMatchObject({ case: '1' })
    expect(row(t, 'A', 'min y').y).toBeCloseTo(-1.5)
    expect(row(t, 'A', 'min y').case).toBe('up')
    // a direction that is not held has no extreme
    expect(t.rows.some((r) => r.cells[0] === 'B' && r.cells[1] === 'max x')).toBe(false)
  })
})

describe('the table of extremes', () => {
  it('has the exact peak with its place', () => {
    const m = row(extremesTable(source(beam)), 'AB', 'M')
    expect(m.max).toBeCloseTo(6)
    expect(m['max at']).toBeCloseTo(2)
    expect(m.unit).toBe('kN·m')
  })
  it('under the opposite convention has the largest where the smallest was', () => {
    const m = row(extremesTable(source(beam, { moment: 'hogging' })), 'AB', 'M')
    expect(m.min).toBeCloseTo(-6)
    expect(m['min at']).toBeCloseTo(2)
  })
  it('names the governing case of an envelope', () => {
    const m = row(extremesTable(source(beam, {}, true)), 'AB', 'M')
    expect([m['max case'], m['min case']]).toEqual(['1', 'up'])
    expect(m.min).toBeCloseTo(-1.5)
  })
})

describe('other tables', () => {
  it('end forces are those on the member in its axes, and bound over cases', () => {
    expect(row(endForcesTable(source(beam)), 'AB', 'A').fy).toBeCloseTo(3)
    const both = endForcesTable(source(beam, {}, true)).rows.find((r) => r.cells[2] === 'fy')!
    expect(both.cells[3]).toBeCloseTo(3)
    expect(both.cells.slice(4, 7)).toEqual(['1', expect.closeTo(-1.5) as number, 'up'])
  })
  it('displacements of an envelope name a case for either side', () => {
    const d = row(displacementsTable(source(beam, {}, true)), 'A')
    expect(d['rotation min case']).toBe('1')
    expect(d['rotation max case']).toBe('up')
  })
  it('stations change sign with the convention, and places and displacements do not', () => {
    const [own, other] = [{}, { axial: 'compression', shear: 'left-down', moment: 'hogging' } as const].map(
      (s) => stationsTable(source(beam, s), 5),
    )
    own.rows.forEach(({ cells }, i) =>
      cells.forEach((c, j) => {
        const turns = ['N', 'V', 'M'].includes(own.columns[j].key)
        expect(other.rows[i].cells[j]).toEqual(turns && typeof c === 'number' ? -c + 0 : c)
      }),
    )
  })
  it('of a truss have no moments', () => {
    const t = truss()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'pin')
      .support('B', 'roller')
      .load({ type: 'nodal', node: 'B', fx: 5 })
      .solve()
    expect(extremesTable(source(t)).rows.map((r) => r.cells[1])).toEqual(['N'])
    expect(reactionsTable(source(t)).columns.map((c) => c.key)).toEqual(['joint', 'x', 'y'])
  })
})

describe('sorting', () => {
  const table: ResultTable = {
    key: 't',
    title: 't',
    columns: [
      { key: 'a', title: 'a', words: true },
      { key: 'b', title: 'b' },
    ],
    rows: [
      ['B10', 2],
      ['B9', null],
      ['B2', -7],
    ].map((cells) => ({ cells: cells })),
  }
  it('puts numbers by size and labels by the numbers in them, what has no value last', () => {
    expect(sortedRows(table, 1).map((r) => r.cells[0])).toEqual(['B2', 'B10', 'B9'])
    expect(sortedRows(table, 1, true).map((r) => r.cells[0])).toEqual(['B10', 'B2', 'B9'])
    expect(sortedRows(table, 0).map((r) => r.cells[0])).toEqual(['B2', 'B9', 'B10'])
  })
})
