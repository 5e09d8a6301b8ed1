import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readProblem, work, working } from '../../src/index.js'

const read = readProblem(readFileSync(join(import.meta.dirname, '../cases/trellis-mast.viga.json'), 'utf8'))
if (!read.ok) throw new Error(read.errors[0].message)
const outcome = work(read.problem)
if (outcome.stage !== 'solved') throw new Error('solved')
const { solution } = outcome
const [combination] = solution.combinations
const book = working.ledger(solution, read.problem.units, combination, read.problem)

describe('the working of a second-order problem', () => {
  it('is of first order, and has second order as its last step', () => {
    const steps = working.stepsOf(book)
    expect(steps[steps.length - 1].key).toBe('second-order')
    // the end moment at A without the lever arm of the axial force
    expect(book.entry('q/AB/3')!.value).toBeCloseTo(combination.bent!.first.forces[2] / 1000, 9)
  })
  it('writes out the stability functions of each member, every formula evaluating to its number', () => {
    for (const name of ['bent-phi', 'bent-D', 'bent-near', 'bent-far', 'bent-corner', 'bent-across'])
      for (const id of ['AB', 'BC']) {
        const { value, origin } = book.origin(`${name}/${id}`)
        if (origin.kind !== 'formula') throw new Error(name)
        expect(working.evaluateFormula(origin.formula).value / value).toBeCloseTo(1, 9)
      }
    // φ = L·√(N/EI)
    const m = solution.structure.members[0]
    expect(book.entry('bent-phi/AB')!.value).toBeCloseTo(m.length * Math.sqrt(64000 / m.EI), 9)
  })
  it('has a stiffness and a geometric stiffness whose formulas evaluate to their entries', () => {
    for (const kind of ['bent-k', 'geometric'])
      for (const r of [2, 3, 5, 6])
        for (const k of [2, 3, 5, 6]) {
          const { value, origin } = book.origin(`${kind}/BC/${r}/${k}`)
          if (origin.kind !== 'formula') throw new Error(kind)
          expect(working.evaluateFormula(origin.formula).value / value, `${kind} ${r} ${k}`).toBeCloseTo(1, 9)
          expect(book.entry(`${kind}/BC/${k}/${r}`)!.value).toBeCloseTo(value, 12)
        }
  })
  it('says the critical factor and the rounds', () => {
    expect(book.entry('load-factor')!.value).toBeCloseTo(3.412259691157622, 9)
    const { rounds } = combination.bent!
    expect(book.entry(`round-change/${rounds.length}`)!.value).toBeCloseTo(
      rounds[rounds.length - 1].change / 1000,
      12,
    )
    expect(book.entry(`round-change/${rounds.length + 1}`)).toBeUndefined()
  })
  it('has no such step in first order', () => {
    const plain = work({ ...read.problem, analysis: { order: 1 } })
    if (plain.stage !== 'solved') throw new Error('solved')
    const first = working.ledger(plain.solution, read.problem.units, plain.solution.cases[0], read.problem)
    expect(working.stepOf(first, 'second-order')).toBeUndefined()
  })
})
