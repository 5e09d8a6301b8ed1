import { statedQuantities, type Problem } from '@viga/core'
import type { Place } from '@viga/core/statement/answer-place'
import { answerName } from '@viga/core'

/** What a value that is read is called. */
export const nameOf = (p: Place) => answerName(p)

/** What may grow: a part of the critical load, all loads, a case, or a symbol. */
export const namesOf = (p: Problem): [name: string, words: string][] => [
  ['critical', 'all loads, as a part of the critical load'],
  ['factor', 'the factor on all loads'],
  ...(p.loadCases ?? []).map((c): [string, string] => [`case:${c.id}`, `the factor of case ${c.id}`]),
  ...Object.keys(p.symbols ?? {}).map((s): [string, string] => [s, `the symbol ${s}`]),
]

/** What grows, as an axis says it. */
export const wordsOf = (p: Problem, name: string) =>
  name === 'critical'
    ? 'part of the critical load'
    : (namesOf(p).find(([n]) => n === name)?.[1] ??
      statedQuantities(p).find(({ path }) => path === name)?.words ??
      name)
