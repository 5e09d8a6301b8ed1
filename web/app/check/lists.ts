import { methodChoices, type Problem } from '@viga/core'
import { ANSWER_LISTS, samePlace, type AnswerList, type ListOptions } from '@viga/core/statement/answer-lists'
import type { Place } from '@viga/core/statement/answer-place'
import type { JudgedAnswer } from './verdicts'

/** Lists that a problem has something for, of the method by which it was worked where that was said. */
export const offered = (p: Problem): AnswerList[] => {
  const { worked } = methodChoices(p)
  return ANSWER_LISTS.filter(
    (l) => (worked === undefined || l.methods.includes(worked)) && l.places(p).length > 0,
  )
}

/** The methods that have a list of values to be asked for. */
export const listedMethods = (): ReadonlySet<string> => new Set(ANSWER_LISTS.flatMap((l) => l.methods))

/** Limit on the fields of a prepared list. */
const MOST_PLACES = 300

/** A place of a list with the hand value that stands there. */
export interface ListedPlace {
  place: Place
  judged?: JudgedAnswer
}

/**
 * The places of a prepared list in the shown case, each with its hand value; the values that stand at none of
 * them are the rest.
 */
export function listed(
  p: Problem,
  list: AnswerList | undefined,
  options: ListOptions,
  caseId: string | null,
  all: readonly JudgedAnswer[],
): { places: ListedPlace[]; rest: JudgedAnswer[] } {
  if (!list) return { places: [], rest: [...all] }
  const first = p.loadCases?.[0]?.id
  const inCase = caseId !== null && caseId !== first ? { case: caseId } : {}
  const left = new Set(all)
  const places = list
    .places(p, options)
    .slice(0, MOST_PLACES)
    .map((bare): ListedPlace => {
      const place = bare.quantity === 'stiffness' ? bare : { ...bare, ...inCase }
      const judged = [...left].find((j) => samePlace(j.answer, place, first))
      if (judged) left.delete(judged)
      return { place, judged }
    })
  return { places, rest: all.filter((j) => left.has(j)) }
}
