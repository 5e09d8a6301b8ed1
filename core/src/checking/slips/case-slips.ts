import { texNumber } from '../../quantity/tex-number.js'
import type { Structure } from '../../structure/types.js'
import { casesIn, inFormulas } from './pictures.js'
import { computedValues } from './values.js'
import { structural, type Found, type SlipKind } from './slip.js'

/** Slips between cases: another one's solution, or a factor of a combination left out. */

const LINE = { stiffness: 'loads' }

const caseForCase: SlipKind = {
  key: 'case-for-case',
  did: 'is the solution of another case or combination: `taken`',
  about: ['case', 'taken'],
  commonness: 0.05,
  line: LINE,
  clashes: () => true,
  find: ({ problem, base }) => {
    const { solution } = base
    const all = [...solution.cases, ...solution.combinations]
    const first = solution.cases[0]?.id
    const asked = new Set((problem.answers ?? []).map((a) => a.case ?? first))
    return all
      .filter(({ id }) => asked.has(id))
      .flatMap(({ id }) =>
        all
          .filter((o) => o.id !== id)
          .map((taken): Found => ({
            subject: { case: id, taken: taken.id },
            sentence: `Your values are those of ${taken.title}, not of ${id}.`,
            solve: () => ({
              solution: { ...solution, cases: [], combinations: [{ ...taken, id }] },
              read: (a) =>
                computedValues(problem, solution, (a.case ?? first) === id ? { ...a, case: taken.id } : a),
            }),
          })),
      )
  },
  picture: ({ problem, subject, right: structure }) => {
    const of = (id: unknown, words: string) => ({
      title: `${String(id)}, which ${words}`,
      drawn: { structure, cases: casesIn(problem, String(id)) },
    })
    return [of(subject.taken, 'your numbers are of'), of(subject.case, 'is asked for')]
  },
}

const factorLeftOut: SlipKind = {
  key: 'factor-left-out',
  did: 'took the case’s factor in the combination as 1',
  about: ['combination', 'case'],
  commonness: 0.05,
  line: LINE,
  find: (ctx) => {
    const { structure: s } = ctx
    return s.combinations.flatMap((c, ci) =>
      c.factors.flatMap((f, k): Found[] => {
        if (f === 1 || f === 0) return []
        const combinations = s.combinations.map((o, j) =>
          j === ci ? { ...o, factors: o.factors.map((g, n) => (n === k ? 1 : g)) } : o,
        )
        const name = s.cases[k].id
        const words = {
          subject: { combination: c.id, case: name },
          sentence: `Your values fit ${c.id} with the factor ${f} of ${name} left out.`,
        }
        return [structural(ctx, words, () => ({ ...s, combinations }))]
      }),
    )
  },
  picture: ({ right, subject }) => factors(right, String(subject.combination), String(subject.case)),
}

/** The sum of a combination, without the factor of one case and with it. */
function factors(s: Structure, id: string, left: string) {
  const of = s.combinations.find((c) => c.id === id)
  if (!of) return undefined
  const sum = (without: boolean) =>
    of.factors
      .flatMap((f, i) => {
        const name = s.cases[i].id
        return f === 0 ? [] : [`${texNumber(without && name === left ? 1 : f)}\\,\\text{${name}}`]
      })
      .join(' + ')
  const said = (tex: string): [string, string] => [tex, tex.replace(/\\,|\\text\{|\}/g, ' ')]
  return inFormulas(said(sum(true)), said(sum(false)))
}

export const CASE_SLIPS: readonly SlipKind[] = [caseForCase, factorLeftOut]
