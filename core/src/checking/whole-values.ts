import { reverseMember as reverse } from '../document/edits/reverse.js'
import { splitMember as split, splitMemberAt as splitAt } from '../document/edits/split.js'
import { tidy } from '../document/measure.js'
import type { Answer, Problem } from '../document/types.js'
import { isExtreme, withKeys, type AnswerOf } from '../kinds/answers/index.js'
import { siPerCoherent } from '../quantity/units.js'
import { length } from '../quantity/dimension.js'
import { courseOf } from '../results/courses.js'
import { sidesAt } from '../analysis/course.js'
import type { Solution } from '../analysis/solve.js'
import { solve } from '../stability/second-order.js'
import { resolve } from '../structure/resolve.js'
import { actionOf } from './answers.js'
import { placeOn } from '../structure/place.js'
import { computedFor, EXTREME, extremeOf } from './quantities.js'
import { judgedAnswers } from './judged.js'

/**
 * Edits that leave the structure what it was, with the hand values whose place only a solution tells: the
 * largest moment of a member that is split lies in one of its halves, and the largest of a structure is
 * another one when the signs of a member are reversed.
 */

type Extreme = AnswerOf<'maximum'> | AnswerOf<'minimum'>

/** The solution of a problem, or undefined where it has none. */
function solutionOf(p: Problem): Solution | undefined {
  const resolved = resolve(p)
  if (!resolved.ok || resolved.obstacles.length) return undefined
  const result = solve(resolved.structure)
  return result.ok ? result.solution : undefined
}

/** A place this near to a cut, relative to the length of the member, is at the cut. */
const AT_CUT = 1e-6

/** Just after a place, as a share of it: an extreme on the right of a jump belongs to what follows. */
const JUST_AFTER = 1 + 1e-6

/** The member on which an extreme occurs and its place there, m; just after a jump if it is on its right. */
function placeOfExtreme(solution: Solution, a: Extreme): { member: string; x: number } | undefined {
  const action = actionOf(solution, a.case)
  if (!action) return undefined
  const which = a.quantity === 'maximum' ? 'max' : 'min'
  const best = extremeOf(solution, action, { of: a.of, which, member: a.member })
  if (!best) return undefined
  const { left, right } = sidesAt(courseOf(solution, action, best.member), best.x)
  const key = EXTREME[a.of]
  const isAfter = key !== 'relative' && Math.abs(right[key] - best.value) < Math.abs(left[key] - best.value)
  return { member: solution.structure.members[best.member].id, x: isAfter ? best.x * JUST_AFTER : best.x }
}

/**
 * A member's start and end change places. An extreme of the whole structure is stated of the member it occurs
 * on, since the signs of the reversed member are others afterwards.
 */
export function reverseMember(p: Problem, id: string): Problem {
  const open = (a: Answer): a is Extreme =>
    isExtreme(a) && a.member === undefined && a.of !== 'axial' && a.of !== 'shear'
  const solution = p.answers?.some(open) ? solutionOf(p) : undefined
  if (!solution) return reverse(p, id)
  const answers = p.answers!.map((a) => {
    const found = open(a) ? placeOfExtreme(solution, a) : undefined
    return found ? withKeys(a, { member: found.member }) : a
  })
  return reverse({ ...p, answers }, id)
}

/**
 * The hand values of a member with what a split needs to know: an extreme has the place where it occurs, a
 * value at a jump at the cut the side it is meant on. Returns the values that were given a place, by id.
 */
function placed(
  p: Problem,
  id: string,
  shares: readonly number[],
): { problem: Problem; added: ReadonlySet<string> } {
  const added = new Set<string>()
  const concerned = p.answers?.some((a) => a.member === id)
  const solution = concerned ? solutionOf(p) : undefined
  if (!solution) return { problem: p, added }
  const given = new Map(judgedAnswers(p, solution).map((j) => [j.answer.id, j.given]))
  const answers = p.answers!.map((a) => {
    if (a.member !== id) return a
    if (isExtreme(a)) {
      const found = a.at === undefined ? placeOfExtreme(solution, a) : undefined
      if (!found || a.of === 'deflection') return a
      added.add(a.id)
      return { ...a, at: tidy(found.x / siPerCoherent(p.units, length)) }
    }
    const m = solution.structure.members.find((o) => o.id === id)!
    const x = a.at === undefined ? undefined : placeOn(p, a.at, m)
    if (x === undefined || !shares.some((s) => Math.abs(s - x / m.length) < AT_CUT)) return a
    const action = actionOf(solution, a.case)
    const computed = action && a.side === undefined ? computedFor(p, solution, action, a) : undefined
    const value = given.get(a.id)
    if (!computed?.ok || !computed.candidates || value === undefined) return a
    const [left, right] = computed.candidates
    if (left === right) return a
    const side: 'left' | 'right' = Math.abs(value - left) <= Math.abs(value - right) ? 'left' : 'right'
    return withKeys(a, { side })
  })
  return { problem: { ...p, answers }, added }
}

/** The extremes stated of the half they occur on, without the places that were added to find it. */
const withoutAdded = (p: Problem, added: ReadonlySet<string>): Problem =>
  added.size === 0
    ? p
    : {
        ...p,
        answers: p.answers!.map((a) => {
          const { at, ...rest } = a
          return at !== undefined && added.has(a.id) ? rest : a
        }),
      }

/** Splits a member at a joint that lies on it, `share` of its length from the start. */
export function splitMemberAt(p: Problem, id: string, node: string, share: number): Problem {
  const { problem, added } = placed(p, id, [share])
  return withoutAdded(splitAt(problem, id, node, share), added)
}

/** Splits a member by new joints at these shares of its length. Returns the problem and the new joints. */
export function splitMember(p: Problem, id: string, shares: readonly number[]) {
  const { problem, added } = placed(p, id, shares)
  const out = split(problem, id, shares)
  return { ...out, problem: withoutAdded(out.problem, added) }
}

/** Splits a member into n equal parts. */
export const divideMember = (p: Problem, id: string, n: number) =>
  splitMember(
    p,
    id,
    Array.from({ length: n - 1 }, (_, i) => (i + 1) / n),
  )
