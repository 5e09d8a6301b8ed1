import { expect } from 'vitest'
import { checkAnswer, work, workDocument, working, type Problem } from '../../src/index.js'

/** Whether what a method finds is what the solver finds, for every case and combination. */
export function agrees(problem: Problem, method: working.Method): boolean {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') return false
  const { solution, structure } = outcome
  const fit = method.fits(problem, structure)
  if (!fit.fits) throw new Error(fit.why)
  for (const action of [...solution.cases, ...solution.combinations]) {
    const book = method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
    const { values } = workDocument(method, book)
    const size = Math.max(1e-6, ...values.map((v) => Math.abs(v.value)))
    for (const v of values) {
      const { computed } = checkAnswer(problem, solution, { ...v, id: 'v', case: action.id })
      expect(Math.abs((computed ?? NaN) - v.value), JSON.stringify(v)).toBeLessThan(1e-9 * size)
    }
    reevaluates(book)
  }
  return true
}

/** Every number with a formula is what its formula gives. */
export function reevaluates(book: working.Ledger) {
  for (const step of working.stepsOf(book))
    for (const passage of step.passages)
      for (const block of passage.blocks)
        for (const address of working.addressesOf(block)) {
          const { origin, value } = book.origin(address)
          if (origin.kind !== 'formula') continue
          const found = working.evaluateFormula(origin.formula)
          expect(Math.abs(found.value - value), address).toBeLessThan(1e-8 * Math.max(found.size, 1e-6))
        }
}
