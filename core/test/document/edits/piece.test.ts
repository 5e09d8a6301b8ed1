import { describe, expect, it } from 'vitest'
import {
  copyRows,
  copySelection,
  edit,
  measure,
  mirrorSelection,
  newProblem,
  pasteRows,
  problemErrors,
  setUnits,
  type Problem,
} from '../../../src/index.js'
import { frame } from '../../builder.js'

const bay = frame()
  .set({ symbols: { L: '6 m', h: 3.5, w: '2*q', q: '4 kN/m' } })
  .node('A', 0, 0)
  .node('B', 0, 'h')
  .node('C', 'L', 'h')
  .node('D', 'L', 0)
  .member('A', 'B')
  .member('B', 'C')
  .member('C', 'D')
  .support('A', 'fixed')
  .support('D', 'pin')
  .load(
    { type: 'distributed', member: 'BC', direction: 'Y', q: '-w' },
    { type: 'nodal', node: 'B', fx: 10 },
  ).problem
const all = { nodes: ['A', 'B', 'C', 'D'], members: ['AB', 'BC', 'CD'] }

const place = (p: Problem, id: string) => measure(p).at.get(id)!

function pastedInto(p: Problem) {
  const made = pasteRows(p, copyRows(bay, all))
  if (!made.ok) throw new Error(made.message)
  expect(problemErrors(made.problem)).toEqual([])
  return made.problem
}

describe('a piece taken to another problem', () => {
  it('brings the symbols it uses, and those they are made of', () => {
    const p = pastedInto(frame().problem)
    expect(p.symbols).toEqual({ L: '6 m', h: 3.5, w: '2*q', q: '4 kN/m' })
    expect(p.nodes[2]).toEqual({ id: 'C', x: 'L', y: 'h' })
  })
  it('gives a symbol that means something else there another name', () => {
    const p = pastedInto(frame().set({ symbols: { L: '9 m', q: '4 kN/m' } }).problem)
    expect(p.symbols).toMatchObject({ L: '9 m', L_1: '6 m', q: '4 kN/m', w: '2*q' })
    expect(p.nodes[2]).toMatchObject({ x: 'L_1', y: 'h' })
    expect(place(p, 'C').x).toBeCloseTo(6)
  })
  it('keeps its size in a problem of other units', () => {
    const p = pastedInto({ ...frame().problem, units: { length: 'ft', force: 'kip' } })
    expect(place(p, 'C').x).toBeCloseTo(6 / 0.3048)
    expect(place(p, 'C').y).toBeCloseTo(3.5 / 0.3048)
    expect(p.loadCases![0].loads[1]).toMatchObject({ fx: '10 kN' })
  })
  it('is refused where a symbol of it has no usable name', () => {
    const piece = { nodes: [], members: [], supports: [], loads: [], symbols: { '1 2': 3 } }
    expect(pasteRows(newProblem(), `viga piece\t${JSON.stringify(piece)}`)).toMatchObject({ ok: false })
  })
})

describe('a change of units', () => {
  it('keeps the size of an expression of plain numbers, and of plain symbols', () => {
    const p = setUnits(edit.setNode(bay, 'A', { x: '-12/8' }), 'ft', 'kip', true)
    expect(p.nodes[0].x).toBe('(-12/8) m')
    expect(place(p, 'A').x).toBeCloseTo(-1.5 / 0.3048)
    expect(place(p, 'B').y).toBeCloseTo(3.5 / 0.3048)
  })
})

describe('a copied bay', () => {
  const twice = copySelection(bay, all, {
    dx: 6,
    dy: 0,
    typed: { dx: 'L' },
    times: 2,
    connect: true,
    supports: true,
    loads: true,
  })
  it('brings its supports and loads, once each', () => {
    expect(problemErrors(twice)).toEqual([])
    expect(twice.supports!.map((s) => s.node)).toEqual(['A', 'D', 'F', 'H'])
    expect(twice.loadCases![0].loads.filter((l) => l.type === 'distributed')).toHaveLength(3)
    // the next bay begins at a joint that is there: its load is not doubled
    expect(twice.loadCases![0].loads.filter((l) => l.type === 'nodal')).toHaveLength(1)
  })
  it('makes no ground beam between its feet', () => {
    const pairs = twice.members.map((m) => [m.start, m.end].sort().join(''))
    expect(pairs).not.toContain('AD')
    expect(pairs).not.toContain('DF')
    expect(new Set(pairs).size).toBe(pairs.length)
  })
  it('says its joints in the words of the bay', () => {
    expect(twice.nodes.slice(4).map((n) => n.x)).toEqual(['L + L', 'L + L', 'L + 2*L', 'L + 2*L'])
    expect(place(twice, 'G').x).toBeCloseTo(18)
  })
  it('mirrored says them so too', () => {
    const p = mirrorSelection(bay, { nodes: [], members: ['BC'] }, 'vertical', 0)
    expect(p.nodes[4]).toEqual({ id: 'E', x: '-L', y: 'h' })
  })
})
