import { produce } from 'immer'
import { freeId } from '../document/labels.js'
import { tidy } from '../document/measure.js'
import { titleOf } from '../document/combination-title.js'
import type { Category, Combination, LoadCase, Problem } from '../document/types.js'
import type { CombinationList, Rule } from './lists.js'

/** Cases of these act one at a time: wind does not blow from both sides. An earthquake shakes both ways. */
const ONE_AT_A_TIME: readonly Category[] = ['wind', 'seismic', 'temperature']

export interface Generated {
  combinations: Omit<Combination, 'id'>[]
  /** Cases no rule of the list speaks of. */
  left: string[]
}

/**
 * The combinations a published list makes of a problem's load cases, each factor set once. Dead, live, roof
 * and snow cases act together; of several wind, seismic or temperature cases one acts at a time, a seismic
 * one in either direction.
 */
export function generateCombinations(p: Problem, list: CombinationList): Generated {
  const cases = p.loadCases ?? []
  const of = (category: Category) => cases.filter((c) => (c.category ?? 'other') === category)
  const seen = new Set<string>()
  const combinations = list.rules.flatMap((rule) =>
    variants(rule, of).flatMap((factors) => {
      const key = JSON.stringify(cases.map((c) => factors[c.id] ?? 0)) + rule.purpose
      if (Object.keys(factors).length === 0 || seen.has(key)) return []
      seen.add(key)
      return [{ title: titleOf(factors), factors, purpose: rule.purpose }]
    }),
  )
  const spoken = new Set(list.rules.flatMap((r) => r.terms.flatMap((t) => t.map((a) => a.category))))
  return { combinations, left: cases.filter((c) => !spoken.has(c.category ?? 'other')).map((c) => c.id) }
}

/** The combinations of a list that are not there yet, by their factors. */
export function freshCombinations(p: Problem, list: CombinationList): Generated['combinations'] {
  const { combinations } = generateCombinations(p, list)
  const key = (factors: Record<string, number>) =>
    JSON.stringify((p.loadCases ?? []).map((c) => factors[c.id] ?? 0))
  const present = new Set((p.combinations ?? []).map((c) => key(c.factors)))
  return combinations.filter((c) => !present.has(key(c.factors)))
}

/** Adds a list's combinations to a problem; those whose factors are there already are not added again. */
export function addCombinations(p: Problem, list: CombinationList): Problem {
  const fresh = freshCombinations(p, list)
  if (fresh.length === 0) return p
  return produce(p, (d) => {
    d.combinations ??= []
    for (const c of fresh)
      d.combinations.push({
        id: freeId(
          [...(d.loadCases ?? []), ...d.combinations].map((o) => o.id),
          'C',
        ),
        ...c,
      })
  })
}

function variants(rule: Rule, of: (category: Category) => LoadCase[]): Record<string, number>[] {
  if (rule.needs && !rule.needs.some((c) => of(c).length)) return []
  let out: Record<string, number>[] = [{}]
  for (const term of rule.terms) {
    const choices = term.flatMap(({ category, factor }) => ways(category, factor, of(category)))
    // a term none of whose cases is there is left out
    if (choices.length) out = out.flatMap((before) => choices.map((add) => ({ ...before, ...add })))
  }
  return out
}

function ways(category: Category, factor: number, cases: LoadCase[]): Record<string, number>[] {
  if (cases.length === 0) return []
  if (!ONE_AT_A_TIME.includes(category)) return [Object.fromEntries(cases.map((c) => [c.id, tidy(factor)]))]
  const signs = category === 'seismic' ? [1, -1] : [1]
  return cases.flatMap((c) => signs.map((s) => ({ [c.id]: tidy(s * factor) })))
}
