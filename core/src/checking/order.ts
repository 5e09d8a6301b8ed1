import { endOfStated } from '../document/ends.js'
import { measure, type Measure } from '../document/measure.js'
import type { Answer, Asked, Problem } from '../document/types.js'
import { stepOfAnswer, type Place } from '../kinds/answers/index.js'
import { OUTLINE } from '../methods/stiffness/outline.js'

type Stated = Answer | Asked | Place

/** True where the place of an answer is an end of its member. */
function isAtEnd(p: Problem, m: Measure, a: Stated): boolean {
  const member = p.members.find((o) => o.id === a.member)
  return (
    a.at !== undefined &&
    member !== undefined &&
    endOfStated(m, a.at, m.length(member.start, member.end)) !== undefined
  )
}

/** The step of the stiffness method in which a hand value of a problem is found, by its key. */
export const solutionStep = (p: Problem, a: Stated, m = measure(p)): string =>
  stepOfAnswer(a, isAtEnd(p, m, a))

const STEPS: readonly string[] = OUTLINE.steps.map((s) => s.key)

/** Sorts hand values by where they are found: what comes first in the solution is looked at first. */
export function inSolutionOrder<A extends Stated>(p: Problem, answers: readonly A[]): A[] {
  const m = measure(p)
  const rank = new Map(answers.map((a) => [a, STEPS.indexOf(solutionStep(p, a, m))]))
  return [...answers].sort((a, b) => rank.get(a)! - rank.get(b)!)
}
