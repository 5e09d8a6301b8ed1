import type { Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import type { Picture, Pictured, Version } from './slip.js'

/** Both versions of a slip side by side: the structure with its loads, formulas with their numbers, words. */

const [TAKEN, STATED] = ['as your numbers have it', 'as it is stated']

/** The cases whose loads act in a case or combination. */
export function casesIn(problem: Problem, id: string | null): string[] {
  const combination = problem.combinations?.find((c) => c.id === id)
  return combination ? Object.keys(combination.factors) : id === null ? [] : [id]
}

/** The structure with its loads: of the case that the slip names, else of the one that is looked at. */
export function loadsDrawn({ problem, subject, right, wrong, actionId }: Pictured): Picture {
  const cases = casesIn(problem, typeof subject.case === 'string' ? subject.case : actionId)
  return [
    { title: TAKEN, drawn: { structure: wrong, cases } },
    { title: STATED, drawn: { structure: right, cases } },
  ]
}

/** The drawn loads with the size of the one that the slip is about. */
export function loadSized(slip: Pictured): Picture {
  const { case: id, load } = slip.subject
  const of = (s: Structure) => s.cases.find((c) => c.id === id)?.loads[Number(load)]
  const sized = (version: Version, s: Structure): Version => ({ ...version, load: of(s) })
  const [taken, stated] = loadsDrawn(slip)
  return [sized(taken, slip.wrong), sized(stated, slip.right)]
}

/** Both versions in words. */
export const inWords = (taken: string, stated: string): Picture => [
  { title: TAKEN, words: taken },
  { title: STATED, words: stated },
]

/** Both versions as formulas, each in TeX and in plain words. */
export const inFormulas = (
  taken: readonly [tex: string, plain: string],
  stated: readonly [tex: string, plain: string],
  [a, b]: readonly [string, string] = [TAKEN, 'as it stands here'],
): Picture => [
  { title: a, formula: { tex: taken[0], plain: taken[1] } },
  { title: b, formula: { tex: stated[0], plain: stated[1] } },
]
