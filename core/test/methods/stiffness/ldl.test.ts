import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { edit, work, working, type Problem } from '../../../src/index.js'

const read = (name: string) =>
  JSON.parse(readFileSync(join(import.meta.dirname, `../../cases/${name}.viga.json`), 'utf8')) as Problem
function solved(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a reference problem is solved')
  return outcome.solution
}

describe.each(['orchid-balcony', 'alpine-lean-to', 'toolshed-truss', 'potting-bench', 'lily-walkway'])(
  'K = L·D·Lᵀ of %s',
  (name) => {
    const problem = read(name)
    const solution = solved(problem)
    const units = problem.units as { length: string; force: string }
    const [action] = solution.cases
    const f = working.factored(working.numbered(solution), units, action)
    if (!f) throw new Error('its equations are few enough to be written out')
    const n = f.pivots.length

    it('multiplies back to K, its pivots are greater than 0, L is a unit lower triangle', () => {
      const most = Math.max(...f.start.K.flat().map(Math.abs))
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          let v = 0
          for (let k = 0; k < n; k++) v += f.L[i][k] * f.pivots[k] * f.L[j][k]
          expect(Math.abs(v - f.start.K[i][j])).toBeLessThan(1e-12 * most)
          if (j > i) expect(f.L[i][j]).toBe(0)
        }
      for (const [i, d] of f.pivots.entries()) {
        expect(d).toBeGreaterThan(0)
        expect(f.L[i][i]).toBe(1)
      }
    })
    it('has the pivots of the elimination by rows', () => {
      const e = working.gaussElimination(working.numbered(solution), units, action)!
      const last = e.steps.length ? e.steps[e.steps.length - 1].K : e.start.K
      f.pivots.forEach((d, i) => expect(Math.abs(d - last[i][i])).toBeLessThan(1e-10 * d))
    })
    it('leads to the solver’s displacements', () => {
      const book = working.ledger(solution, units, action, problem)
      for (let i = 1; i <= n; i++) {
        const { value, origin } = book.origin(working.addressOf('ldl-x', i))
        expect(value).toBe(book.entry(working.addressOf('D', f.start.unknowns[i - 1].index + 1))!.value)
        if (origin.kind !== 'formula') throw new Error('a formula')
        const shown = working.evaluateFormula(origin.formula)
        expect(Math.abs(shown.value - value)).toBeLessThan(
          1e-9 * Math.max(shown.size, Math.abs(value)) + 1e-15,
        )
      }
    })
    it('is what the Solution step writes out when it is chosen', () => {
      const chosen = edit.setView(problem, 'byHand', 'ldl')
      const text = (p: Problem) => working.workingMarkdown(working.ledger(solution, units, action, p))
      expect(text(chosen)).toContain('**The pivots**')
      expect(text(problem)).not.toContain('**The pivots**')
    })
  },
)
