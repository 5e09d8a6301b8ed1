import type { Solution } from '../analysis/solve.js'
import type { Problem } from '../document/types.js'
import { checkAnswer, type AnswerVerdict, type Verdict } from './answers.js'
import type { Explanation } from './explain.js'
import { underOtherConvention } from './conventions.js'
import { judgedAnswers, type Judged } from './judged.js'

/**
 * A verdict on a hand value within its sheet: `convention` where it is right under another sign convention,
 * `follows` where it is what earlier values of the sheet give.
 */
export type SheetVerdict = Omit<AnswerVerdict, 'verdict'> & {
  verdict: Verdict | 'convention' | 'follows'
  /** The values that one which follows was found from, by id. */
  from?: string[]
}

/**
 * The answers that are right under another sign convention, by id.
 * @param judged the answers of the problem, weighed against its solution
 */
export const turnedAnswers = (
  problem: Problem,
  solution: Solution,
  judged: readonly Judged[] = judgedAnswers(problem, solution),
): Set<string> => underOtherConvention(problem, solution, judged)

/**
 * Every hand value of the problem with its verdict; values in coherent units. Which values are right under
 * the opposite sign convention is seen from all values of a family together, therefore the whole sheet is
 * judged.
 */
export function judgeSheet(
  problem: Problem,
  solution: Solution,
  turned = turnedAnswers(problem, solution),
): SheetVerdict[] {
  return (problem.answers ?? []).map((a) => {
    const v = checkAnswer(problem, solution, a)
    return v.verdict === 'differs' && turned.has(a.id) ? { ...v, verdict: 'convention', diagnosis: null } : v
  })
}

/**
 * Verdicts as the likeliest explanation of the sheet has them: a value that follows from a wrong one says so,
 * and a value that the explanation covers has no other reason beside it.
 */
export function explainedVerdicts(
  verdicts: readonly SheetVerdict[],
  explanation: Pick<Explanation, 'explains' | 'follow' | 'wrong'> | undefined,
): SheetVerdict[] {
  const covered = new Set(explanation?.explains)
  return verdicts.map((v) => {
    if (v.verdict !== 'differs' || !explanation || !covered.has(v.id)) return v
    if (!explanation.wrong) return { ...v, diagnosis: null }
    return explanation.follow?.includes(v.id)
      ? { ...v, verdict: 'follows', from: [explanation.wrong], diagnosis: null }
      : v
  })
}

/** How many values agree, differ and cannot be told; one under the opposite convention agrees. */
export function scoreOf(verdicts: readonly Pick<SheetVerdict, 'verdict'>[]) {
  const count = (...kinds: string[]) => verdicts.filter((v) => kinds.includes(v.verdict)).length
  return {
    agree: count('agrees', 'convention'),
    differ: count('differs', 'follows'),
    unknown: count('unknown'),
  }
}
