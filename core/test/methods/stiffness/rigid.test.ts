import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../../src/index.js'
import { anyLoad } from '../../any-load.js'
import { frame } from '../../builder.js'

const bookOf = (problem: Problem) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(JSON.stringify(outcome))
  return working.ledger(outcome.solution, problem.units, outcome.solution.cases[0], problem)
}

/** A portal with one sloping leg whose members keep their lengths; its right foot settles. */
const portal = (settles = 0, more: Partial<Problem> = {}) => {
  const p = frame()
    .set({ analysis: { neglectAxial: true }, ...more })
    .node('A', 0, 0)
    .node('B', 1, 3)
    .node('C', 5, 3)
    .node('D', 5, 0)
    .member('A', 'B')
    .member('B', 'C')
    .member('C', 'D')
    .support('A', 'fixed')
    .support('D', { type: 'pin', ...(settles ? { settlement: { y: settles } } : {}) })
  return p
}

const text = (book: working.Ledger, at: string) => {
  const { origin } = book.origin(at)
  return origin.kind === 'formula' ? working.formulaText(origin.formula) : origin.words
}

describe('the working with members that keep their length', () => {
  const book = bookOf(portal().load({ type: 'nodal', node: 'B', fx: 10 }).problem)
  it('says which unknowns follow from which, and how many are left', () => {
    const said = working.stepOf(book, 'unknowns')!.passages[0].blocks
    expect(
      said.some(
        (b) =>
          b.kind === 'words' &&
          b.words.includes('3 of the 7 free ones follow from others, so that 4 are left'),
      ),
    ).toBe(true)
    const ties = said.flatMap((b) =>
      b.kind === 'equation' ? [`${working.formulaText(b.left)} = ${working.formulaText(b.right)}`] : [],
    )
    expect(ties).toHaveLength(3)
    // C stands on a column that keeps its length
    expect(ties.some((t) => t.endsWith('= 0'))).toBe(true)
  })
  it('finds axial forces from the equilibrium of joints, and reactions from them', () => {
    for (const id of ['AB', 'BC', 'CD'])
      for (const r of [1, 4]) expect(book.origin(`q/${id}/${r}`).origin.kind, id).toBe('formula')
    expect(text(book, 'q/BC/1')).toMatch(/q/)
  })
  it('goes by hand through the equations that are left', () => {
    const hand = working.stepOf(book, 'solution')!.passages.find((p) => p.byHand)!
    const [equations] = hand.blocks
    expect(equations.kind === 'matrix' && equations.rows.length).toBe(4)
  })

  it('takes a tiny load for no rounding: right-hand sides are weighed against forces', () => {
    const tiny = bookOf(portal().load({ type: 'nodal', node: 'B', fx: 1e-9 }).problem)
    const [whole, small] = [book, tiny].map((b) =>
      ['row/1/4/5', 'row/2/4/5', 'row/3/4/5', 'D/7', 'D/4'].map((a) => b.entry(a)!.value),
    )
    expect(whole.some((v) => v !== 0)).toBe(true)
    small.forEach((v, i) => expect(v * 1e10).toBeCloseTo(whole[i], 9))
  })

  it('has a formula for each number, whatever acts and settles', () => {
    fc.assert(
      fc.property(
        fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
        fc.constantFrom(0, -0.012),
        fc.constantFrom<'gauss' | 'ldl'>('gauss', 'ldl'),
        (loads, settles, byHand) => {
          const b = bookOf({ ...portal(settles).load(...loads).problem, view: { byHand } })
          const shown = working
            .stepsOf(b)
            .flatMap((s) =>
              s.passages.flatMap((p) =>
                p.blocks.flatMap((o) =>
                  o.kind === 'lines'
                    ? o.addresses
                    : o.kind === 'matrix'
                      ? o.rows.flatMap((_, i) => o.columns.map((__, j) => o.at(i, j)))
                      : [],
                ),
              ),
            )
          // what is 0 but for rounding is measured against kilonewtons and millimetres
          const most = new Map<string, number>()
          for (const a of shown)
            most.set(b.entry(a)!.unit, Math.max(most.get(b.entry(a)!.unit) ?? 0, Math.abs(b.entry(a)!.value)))
          for (const a of new Set(shown)) {
            const { value, unit, origin } = b.origin(a)
            if (origin.kind !== 'formula') {
              expect(origin.kind, a).toBe('stated')
              continue
            }
            const is = working.evaluateFormula(origin.formula)
            expect(
              Math.abs(is.value - value),
              `${a}: ${working.formulaText(origin.formula)}`,
            ).toBeLessThanOrEqual(
              1e-8 * Math.max(is.size, 1e-4 * most.get(unit)!) +
                (unit === 'm' || unit === 'rad' ? 1e-14 : 1e-10),
            )
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
