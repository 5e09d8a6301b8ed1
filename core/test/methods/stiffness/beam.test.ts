import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { edit, work, working, type Problem } from '../../../src/index.js'
import { frame } from '../../builder.js'

const read = (name: string) =>
  JSON.parse(readFileSync(join(import.meta.dirname, `../../cases/${name}.viga.json`), 'utf8')) as Problem
function solved(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  return outcome.solution
}
const balcony = edit.setView(read('orchid-balcony'), 'bendingOnly', true)
const level = frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').support('A', 'fixed')

describe('a beam without its axial unknowns', () => {
  it('is one that is level, with nothing along it', () => {
    expect(working.isBeam(solved(read('orchid-balcony')))).toBe(true)
    expect(working.isBeam(solved(read('palm-house')))).toBe(false)
    expect(working.isBeam(solved(level.load({ type: 'nodal', node: 'B', fy: -3 }).problem))).toBe(true)
    expect(working.isBeam(solved(level.load({ type: 'nodal', node: 'B', fx: 2, fy: -3 }).problem))).toBe(
      false,
    )
    // the wish is kept in a frame, and does nothing there
    const frame = edit.setView(read('palm-house'), 'bendingOnly', true)
    expect(working.numbered(solved(frame), frame).numbering.bendingOnly).toBe(false)
  })
  it('numbers two unknowns a joint, and shows matrices of four rows', () => {
    const solution = solved(balcony)
    expect(
      working
        .inOrder(working.unknowns(working.numbered(solution, balcony)))
        .map((u) => [u.node, u.component, u.number]),
    ).toEqual([
      ['C', 'y', 1],
      ['C', 'rotation', 2],
      ['B', 'rotation', 3],
      ['A', 'y', 4],
      ['A', 'rotation', 5],
      ['B', 'y', 6],
    ])
    const book = working.ledger(solution, { length: 'm', force: 'kN' }, solution.cases[0], balcony)
    const k = working.stiffnessOf(book, 1).blocks.find((b) => b.kind === 'matrix')!
    if (k.kind !== 'matrix') throw new Error('a matrix')
    // 12EI/L³, 6EI/L², 4EI/L and 2EI/L of EI = 14 000 kN·m², L = 2 m
    expect(
      k.rows.map((_, i) => k.columns.map((__, j) => Number(book.entry(k.at(i, j))!.value.toPrecision(12)))),
    ).toEqual([
      [21000, 21000, -21000, 21000],
      [21000, 28000, -21000, 14000],
      [-21000, -21000, 21000, -21000],
      [21000, 14000, -21000, 28000],
    ])
    expect(working.symbolText(book.entry(k.at(1, 3))!.symbol)).toBe('k₂₄')
    expect(
      working.gaussElimination(
        working.numbered(solution, balcony),
        { length: 'm', force: 'kN' },
        solution.cases[0],
      )!.start.unknowns,
    ).toHaveLength(3)
  })
  it('has the very results it had', () => {
    const [usual, beam] = [solved(read('orchid-balcony')), solved(balcony)]
    expect(beam.cases[0].D).toEqual(usual.cases[0].D)
    expect(beam.cases[0].forces).toEqual(usual.cases[0].forces)
    expect(
      working.workingMarkdown(working.ledger(beam, { length: 'm', force: 'kN' }, beam.cases[0], balcony)),
    ).not.toMatch(/N\(t\)/)
  })
})
