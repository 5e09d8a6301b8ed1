import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  gaussElimination,
  matrixText,
  MATRIX_FORMS,
  numbered,
  structureStiffness,
  type MatrixForm,
} from '../../../src/methods/stiffness/index.js'
import { frame } from '../../builder.js'

const units = { length: 'm', force: 'kN' }
const portal = (fx: number, q: number, settle: number) =>
  frame()
    .node('A', 0, 0)
    .node('B', 0, 4)
    .node('C', 6, 4)
    .node('D', 6, 0)
    .member('A', 'B')
    .member('B', 'C', { releases: { end: { M: true } } })
    .member('C', 'D')
    .support('A', 'fixed')
    .support('D', { type: 'pin', settlement: { y: settle } })
    .load({ type: 'nodal', node: 'B', fx }, { type: 'distributed', member: 'BC', direction: 'Y', q })
    .solve()

describe('elimination as written by hand', () => {
  it('arrives at the displacements of the solver, every line from the lines before it', () => {
    const v = fc.double({ min: -20, max: 20, noNaN: true })
    fc.assert(
      fc.property(v, v, fc.double({ min: -0.02, max: 0.02, noNaN: true }), (fx, q, settle) => {
        const s = portal(fx, q, settle)
        const e = gaussElimination(numbered(s), units, s.cases[0])!
        // metres and radians are SI: the solver's own numbers
        const { D } = s.cases[0]
        const most = Math.max(1e-9, ...D.map(Math.abs))
        for (const line of e.back) {
          expect(Math.abs(line.value - D[e.start.unknowns[line.row].index]) / most).toBeLessThan(1e-8)
          // the shown line gives the shown value
          const again = line.terms.reduce((sum, t) => sum - t.coefficient * t.value, line.right) / line.pivot
          expect(again).toBe(line.value)
        }
        let before = { K: e.start.K, right: e.start.right }
        for (const step of e.steps) {
          expect(step.value).toBe(before.K[step.pivot][step.pivot])
          for (let i = step.pivot + 1; i < step.K.length; i++) {
            expect(step.K[i][step.pivot]).toBe(0)
            const f = step.factors.find((o) => o.row === i)?.factor ?? 0
            const size = Math.max(...before.K[i].map(Math.abs), 1)
            step.K[i].forEach((k, j) =>
              expect(Math.abs(k - (before.K[i][j] - f * before.K[step.pivot][j])) / size).toBeLessThan(1e-12),
            )
          }
          before = step
        }
      }),
      { numRuns: 40 },
    )
  })
  it('takes together what rigid members tie: of a portal two turns and the sway are left', () => {
    const rigid = frame()
      .set({ analysis: { neglectAxial: true } })
      .node('A', 0, 0)
      .node('B', 0, 3)
      .node('C', 4, 3)
      .node('D', 4, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('D', 'C')
      .support('A', 'fixed')
      .support('D', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 10 })
      .solve()
    const [action] = rigid.cases
    const e = gaussElimination(numbered(rigid), units, action)!
    expect(e.start.unknowns.map((u) => u.component).sort()).toEqual(['rotation', 'rotation', 'x'])
    const EI = (rigid.structure.members[0].E * rigid.structure.members[0].I) / 1000
    const sway = e.start.unknowns.findIndex((u) => u.component === 'x')
    // two columns resist the sway: 2·12EI/h³
    expect(e.start.K[sway][sway]).toBeCloseTo((24 * EI) / 27, 6)
    expect(e.start.right[sway]).toBeCloseTo(10, 10)
    for (const l of e.back) expect(l.value).toBeCloseTo(action.D[e.start.unknowns[l.row].index], 10)
  })
  it('is left out where nobody would write it: many unknowns, or none', () => {
    const held = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', 'fixed')
      .solve()
    expect(gaussElimination(numbered(held), units, held.cases[0])).toBeUndefined()
  })
})

describe('a matrix as text', () => {
  const values = [
    [1, -0.5, 0],
    [-0.5, 250000.125, -0],
    [0, 0, 3e-7],
  ]
  it.each<[MatrixForm, string]>([
    ['tabs', '1\t-0.5\t0\n-0.5\t250000.125\t0\n0\t0\t3e-7'],
    ['csv', '1,-0.5,0\n-0.5,250000.125,0\n0,0,3e-7\n'],
    [
      'latex',
      (
        '\\begin{bmatrix}\n1 & -0.5 & 0 \\\\\n-0.5 & 2.5\\cdot10^{5} & 0 \\\\\n0 & 0 & ' +
        '3\\cdot10^{-7}\n\\end{bmatrix}'
      ).replace('2.5\\cdot10^{5}', '250000'),
    ],
    ['python', '[[1, -0.5, 0],\n [-0.5, 250000.125, 0],\n [0, 0, 3e-7]]'],
    ['semicolons', '[1 -0.5 0;\n -0.5 250000.125 0;\n 0 0 3e-7]'],
    [
      'matrix-market',
      '%%MatrixMarket matrix coordinate real symmetric\n3 3 4\n1 1 1\n2 1 -0.5\n2 2 250000.125\n3 3 3e-7\n',
    ],
  ])('%s', (form, text) => expect(matrixText(values, form)).toBe(text))
  it('reads back to the very numbers, for every form that is for machines', () => {
    const s = portal(3, -2, 0.001)
    const K = structureStiffness(numbered(s), units).values
    expect(
      matrixText(K, 'csv')
        .trim()
        .split('\n')
        .map((l) => l.split(',').map(Number)),
    ).toEqual(K.map((r) => r.map((v) => v + 0)))
    expect(JSON.parse(matrixText(K, 'python'))).toEqual(K.map((r) => r.map((v) => v + 0)))
    const [, , ...lines] = matrixText(K, 'matrix-market').trim().split('\n')
    for (const line of lines) {
      const [i, j, v] = line.split(' ').map(Number)
      expect(v).toBe(K[i - 1][j - 1])
    }
  })
  it('says general where a matrix is not symmetric', () =>
    expect(
      matrixText(
        [
          [1, 2],
          [0, 1],
        ],
        'matrix-market',
      ),
    ).toContain('general'))
  it('has a word and an ending for every form', () =>
    expect(Object.values(MATRIX_FORMS).every((f) => f.label && f.ending)).toBe(true))
})
