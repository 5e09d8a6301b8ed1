import { computedValues } from './values.js'
import { structural, type Candidate, type SlipContext, type Slips } from './slip.js'

/** Slips between cases: another one's solution, or a factor of a combination left out. */
export const caseSlips: Slips = (ctx) => [...caseForCase(ctx), ...factorLeftOut(ctx)]

function caseForCase({ problem, base }: SlipContext): Candidate[] {
  const { solution } = base
  const all = [...solution.cases, ...solution.combinations]
  const first = solution.cases[0]?.id
  const asked = new Set((problem.answers ?? []).map((a) => a.case ?? first))
  return all.flatMap(({ id }) =>
    asked.has(id)
      ? all
          .filter((o) => o.id !== id)
          .map((taken): Candidate => ({
            kind: 'case-for-case',
            subject: { case: id, taken: taken.id },
            commonness: 0.05,
            sentence: `Your values are those of ${taken.title}, not of ${id}.`,
            step: 'loads',
            solve: () => ({
              solution: { ...solution, cases: [], combinations: [{ ...taken, id }] },
              read: (a) =>
                computedValues(problem, solution, (a.case ?? first) === id ? { ...a, case: taken.id } : a),
            }),
          }))
      : [],
  )
}

function factorLeftOut(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  return s.combinations.flatMap((c, ci) =>
    c.factors.flatMap((f, k): Candidate[] => {
      if (f === 1 || f === 0) return []
      const combinations = s.combinations.map((o, j) =>
        j === ci ? { ...o, factors: o.factors.map((g, n) => (n === k ? 1 : g)) } : o,
      )
      const name = s.cases[k].id
      return [
        structural(
          ctx,
          {
            kind: 'factor-left-out',
            subject: { combination: c.id, case: name },
            commonness: 0.05,
            sentence: `Your values fit ${c.id} with the factor ${f} of ${name} left out.`,
            step: 'loads',
          },
          () => ({ ...s, combinations }),
        ),
      ]
    }),
  )
}
