import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { work, type Problem } from '@viga/core'
import { asCells } from '../../app/results/cells'
import { cleaned } from '../../app/results/numbers'

describe('results as cells of a spreadsheet', () => {
  const problem = JSON.parse(
    readFileSync(join(import.meta.dirname, '../../database/demo/03-orchid-balcony.viga.json'), 'utf8'),
  ) as Problem
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const rows = asCells(problem, outcome.solution, outcome.solution.cases[0])
    .split('\n')
    .map((r) => r.split('\t'))
  const below = (head: string) => rows.slice(rows.findIndex((r) => r[0] === head))
  it('have units in their heads and numbers in full', () => {
    expect(below('Reactions')[0]).toEqual(['Reactions', 'x kN', 'y kN', 'moment kN·m'])
    const [, , B] = below('Reactions')
    expect(B[0]).toBe('B')
    expect(Number(B[2])).toBeCloseTo(22.33125, 5)
    // A number that ends early may be exact; rounded cells would all end early.
    const longest = Math.max(...rows.flat().map((cell) => (Number.isNaN(Number(cell)) ? 0 : cell.length)))
    expect(longest).toBeGreaterThan(14)
  })
  it('follow a member from end to end, its moment the reaction’s at the wall', () => {
    const AC = below('Member')
      .slice(1)
      .filter((r) => r[0] === 'AC')
      .map((r) => r.slice(1).map(Number))
    expect(AC[0][0]).toBe(0)
    expect(AC.at(-1)![0]).toBe(2)
    const wall = Number(below('Reactions')[1][3])
    expect(AC[0][3]).toBeCloseTo(-wall, 9)
  })
  it('balance: the reactions carry the load', () => {
    const [A, B] = below('Reactions')
      .slice(1, 3)
      .map((r) => Number(r[2]))
    expect(A + B).toBeCloseTo(36, 9)
  })
})

describe('columns of numbers', () => {
  it('write 0 what differs from it by rounding, and nothing else', () => {
    const c = cleaned([12, 3e-12, -4e-6])
    expect([12, 3e-12, -4e-6].map((v) => c.text(v))).toEqual(['12.00', '0', '−4·10⁻⁶'])
    expect([12, 3e-12, -4e-6].map(c.sign)).toEqual([1, 0, -1])
  })
  it('measure against others of their kind where their own are all nothing', () => {
    expect(cleaned([1e-9]).isZero(1e-9)).toBe(false)
    expect(cleaned([1e-9], [50]).isZero(1e-9)).toBe(true)
  })
})
