import { makeReader } from '../quantity/reader.js'
import type { Solution } from '../analysis/solve.js'
import type { Answer, Problem } from '../document/types.js'
import { answerDimension } from '../kinds/answers/index.js'
import { endSign } from './end-signs.js'
import { computedValues } from './slips/values.js'
import { allowedDifference, halfOfLastDigit } from './tolerance.js'

/** A hand value that can be weighed against solutions, SI. */
export interface Judged {
  answer: Answer
  /** The place of the answer, under which its values in other solutions are kept. */
  place: Answer
  /** In the usual sign of its quantity, also where values at members' ends are given as forces on them. */
  given: number
  /** The values of the right solution; two at a jump. */
  computed: readonly number[]
  /** By how much the value may differ from a computed one: the tolerance, or the digits given if wider. */
  allowed(value: number): number
  /** Half a unit of the last digit given; the tolerance where the digits tell nothing. */
  half: number
  /** It agrees with the right solution within its own tolerance. */
  agrees: boolean
}

/** The answers of a problem that can be weighed; one without a value or a place is left out. */
export function judgedAnswers(problem: Problem, solution: Solution): Judged[] {
  const { reader } = makeReader(problem.units, problem.symbols)
  return (problem.answers ?? []).flatMap((answer): Judged[] => {
    const dimension = answerDimension(answer)
    const read = reader.read(answer.value, dimension)
    const computed = computedValues(problem, solution, answer)
    if (!read.ok || !computed) return []
    const given =
      endSign(problem, solution, answer) *
      (answer.sense === 'compression' ? -Math.abs(read.si) : answer.sense ? Math.abs(read.si) : read.si)
    const half = halfOfLastDigit(answer.value, dimension, reader)
    const tolerance = (v: number) => {
      const t = allowedDifference(answer, dimension, reader, v)
      return typeof t === 'number' ? t : 0
    }
    const agrees = computed.some((v) => Math.abs(given - v) <= tolerance(v) * (1 + 1e-9) + Number.MIN_VALUE)
    return [
      {
        answer,
        place: answer,
        given,
        computed,
        allowed: (v) => Math.max(tolerance(v), half ?? 0) * (1 + 1e-9),
        half: half ?? tolerance(given),
        agrees,
      },
    ]
  })
}

/**
 * Hand values with those of another sign convention turned into the usual one. The largest and smallest
 * values among these are left out: it is not told which of the two a person means by them.
 * @param turned the answers that are right under another convention, by id
 */
export const inUsualSigns = (judged: readonly Judged[], turned: ReadonlySet<string>): Judged[] =>
  judged.flatMap((j) => {
    if (!turned.has(j.answer.id)) return [j]
    const { quantity } = j.answer
    return quantity === 'maximum' || quantity === 'minimum' ? [] : [{ ...j, given: -j.given, agrees: true }]
  })
