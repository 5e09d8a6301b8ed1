import { thing, type ThingKey } from '../../../document/thing.js'
import { inOrder, unknowns } from '../matrices.js'
import type { Belongs, Context } from './kind.js'

/** A number of the whole structure, or of none of its parts. */
export const toNothing: Belongs = () => []

/** A number of the member that its address names first. */
export const toMember: Belongs = (_, id) => (id === undefined ? [] : [thing.member(id)])

/** A number of the joint that its address names first. */
export const toJoint: Belongs = (_, id) => [thing.node(id)]

/** A number of a load of the shown case, by the load's place in it. */
export const toLoad: Belongs = (c, at) => [thing.load(c.action.id, Number(at))]

/** A number of one unknown, or an entry between two, counted from 1 in the solver's order. */
export const toUnknowns: Belongs = (_, ...numbers) => numbers.map((n) => thing.dof(Number(n) - 1))

/** The unknown of an equation, from 1 in the order of the numbers of the free unknowns. */
function unknownOfEquation(c: Context, at: string): ThingKey[] {
  const u = inOrder(unknowns(c).filter((o) => o.free))[Number(at) - 1]
  return u ? [thing.dof(u.index)] : []
}

/** A number of one equation, or an entry between two. */
export const toEquations: Belongs = (c, ...parts) => parts.flatMap((p) => unknownOfEquation(c, p))

/** An entry of the equations after a step of the elimination: the step, its row and its column. */
export const toEntryOfElimination: Belongs = (c, _, row, column) => [
  ...unknownOfEquation(c, row),
  ...unknownOfEquation(c, column),
]

/** A number that is another one seen differently: what stands behind so many parts of the address. */
export const toWhatStandsBehind =
  (skip: number): Belongs =>
  (c, ...parts) =>
    c.belongs(...parts.slice(skip))
