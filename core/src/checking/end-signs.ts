import type { Solution } from '../analysis/solve.js'
import { signsOf } from '../document/signs.js'
import type { Answer, Problem } from '../document/types.js'
import { endOf } from '../structure/place.js'

/**
 * The end of a member at which the slope–deflection signs reverse an internal force of the usual sign: a
 * moment at the start, a shear at the end.
 */
export const REVERSED_END = { moment: 'start', shear: 'end' } as const

type AtEnd = Pick<Answer, 'quantity' | 'member' | 'at'>

/** The end of its member at which a hand value of a moment or a shear stands; undefined for other values. */
function endStated(problem: Problem, { structure }: Solution, a: AtEnd): 'start' | 'end' | undefined {
  if (a.quantity !== 'moment' && a.quantity !== 'shear') return undefined
  const m = structure.members.find((o) => o.id === a.member)
  return m && endOf(problem, a, m)
}

/** True for an end moment or end shear of a problem that states these as forces on the member. */
export const statesEndForce = (problem: Problem, solution: Solution, a: AtEnd): boolean =>
  signsOf(problem).ends === 'member' && endStated(problem, solution, a) !== undefined

/**
 * The factor, 1 or −1, between a hand value and the usual sign of its internal force. It is −1 at one end of
 * a member where the problem states end moments and end shears as forces on the member: moments
 * counter-clockwise positive, shears along the member's y positive. Every other value has the factor 1.
 */
export const endSign = (problem: Problem, solution: Solution, a: AtEnd): 1 | -1 =>
  statesEndForce(problem, solution, a) &&
  endStated(problem, solution, a) === REVERSED_END[a.quantity as keyof typeof REVERSED_END]
    ? -1
    : 1
