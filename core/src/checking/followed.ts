import type { ActionSolution, Solution, Solved } from '../analysis/solve.js'
import type { Answer, Problem } from '../document/types.js'
import { answerDimension, isExtreme } from '../kinds/answers/index.js'
import { byDisplacement, byEquilibrium, type Change } from './changes.js'
import type { Explanation } from './explain.js'
import type { Judged } from './judged.js'
import { nullSpace } from './null-space.js'
import { computedValues } from './slips/values.js'
import { evidenceOf } from './weighing.js'

/**
 * One wrong value from which others of the sheet follow. A change of the right solution that keeps all but
 * one of its equations has one free amount; the wrong value sets it, and what the change then makes of the
 * other values is what somebody finds who goes on from it.
 */

/** How far the evidence must exceed what luck gives, natural logarithm. */
const BEYOND_LUCK = 6
/** At least so many values follow. */
const LEAST_FOLLOWING = 2
/** More members than this are not gone through by hand. */
const MOST_MEMBERS = 40
/** Relative tolerance: an influence below this fraction of the largest is none. */
const NO_INFLUENCE = 1e-7

interface Found {
  wrong: string
  follow: string[]
  keeps: string[]
  leaves: string[]
  evidence: number
}

/** The explanation of a sheet by one wrong value from which others follow; undefined where there is none. */
export function followingValues(
  problem: Problem,
  solved: Solved,
  judged: readonly Judged[],
): Explanation | undefined {
  const { structure: s, cases, combinations } = solved.solution
  if (s.order === 2 || s.members.length > MOST_MEMBERS) return undefined
  const found = [...cases, ...combinations].flatMap((action) => {
    const own = judged.filter((j) => (j.answer.case ?? cases[0]?.id) === action.id)
    if (own.filter((j) => !j.agrees).length < LEAST_FOLLOWING + 1) return []
    return inAction(problem, solved, action, own) ?? []
  })
  const [best] = found.sort((a, b) => b.follow.length - a.follow.length || b.evidence - a.evidence)
  if (!best) return undefined
  const others = judged.filter((j) => j.agrees && !best.keeps.includes(j.answer.id)).map((j) => j.answer.id)
  const wrong = judged.filter((j) => !j.agrees).map((j) => j.answer.id)
  const explains = [best.wrong, ...best.follow]
  return {
    kind: 'followed',
    subject: {},
    wrong: best.wrong,
    follow: best.follow,
    explains,
    keeps: [...best.keeps, ...others],
    leaves: wrong.filter((id) => !explains.includes(id)),
    sentence: 'One of your values is wrong, and others follow from it.',
    step: 'solution',
  }
}

/** What a change makes of the answers, each for the amount 1; undefined for an answer it gives no value. */
type Influence = (number | undefined)[]

function inAction(
  problem: Problem,
  solved: Solved,
  action: ActionSolution,
  judged: readonly Judged[],
): Found | undefined {
  const reader = reading(problem, solved.solution, action)
  const lines = [...linesOf(solved, action, judged, reader)]
  const luck = Math.log(Math.max(2, lines.length))
  const found = lines.flatMap((change) => weigh(change, judged, reader) ?? [])
  const [best] = found
    .filter((f) => f.evidence - luck >= BEYOND_LUCK)
    .sort((a, b) => b.follow.length - a.follow.length || b.evidence - a.evidence)
  return best
}

/** Reads an answer in the action with an amount of a change added to it, SI. */
type Reading = (a: Answer, change: Change, amount: number) => readonly number[] | undefined

function reading(problem: Problem, solution: Solution, action: ActionSolution): Reading {
  const added = (v: Float64Array, w: Float64Array, by: number) => v.map((x, i) => x + by * w[i])
  let last: { change: Change; amount: number; solution: Solution } | undefined
  return (a, change, amount) => {
    if (last?.change !== change || last.amount !== amount) {
      const other: ActionSolution = {
        ...action,
        D: added(action.D, change.D, amount),
        ends: added(action.ends, change.ends, amount),
        forces: added(action.forces, change.forces, amount),
        reactions: added(action.reactions, change.reactions, amount),
      }
      last = { change, amount, solution: { ...solution, cases: [other], combinations: [] } }
    }
    return computedValues(problem, last.solution, { ...a, case: undefined })
  }
}

/**
 * The influence of a change on each answer, per unit of its amount. Extremes do not follow in proportion and
 * have none.
 */
function influenceOf(
  change: Change,
  action: ActionSolution,
  judged: readonly Judged[],
  read: Reading,
): Influence {
  const size = action.forces.reduce((most, v) => Math.max(most, Math.abs(v)), 1)
  const own = change.forces.reduce((most, v) => Math.max(most, Math.abs(v)), 0)
  // so large an amount that the difference of two values keeps its digits
  const amount = own > 0 ? size / own : 1
  return judged.map(({ answer }) => {
    if (isExtreme(answer)) return undefined
    const [before, after] = [read(answer, change, 0), read(answer, change, amount)]
    if (!before || !after || before.length !== after.length) return undefined
    return (after[0] - before[0]) / amount
  })
}

/** The changes of one free amount each that leave the right values as they are. */
function* linesOf(
  solved: Solved,
  action: ActionSolution,
  judged: readonly Judged[],
  read: Reading,
): Generator<Change> {
  yield* byDisplacement(solved)
  const { count, space, change, momentRows } = byEquilibrium(solved)
  // each force and reaction by itself; what a change of several does follows in proportion
  const influences = Array.from({ length: count }, (_, u) => {
    const one = new Float64Array(count)
    one[u] = 1
    return influenceOf(change(one), action, judged, read)
  })
  const narrowed = function* (changes: Float64Array[]): Generator<Change> {
    const line = lineIn(changes, influences, judged)
    if (line) yield change(line)
  }
  for (const without of [undefined, ...solved.solution.dofs.list.keys()]) {
    yield* narrowed(space(without))
    // all end moments but those of one member end, or of one joint, stay as they are
    for (const { kept } of momentChoices(solved, momentRows)) yield* narrowed(space(without, kept))
  }
}

/** Which end moments are kept: all but one, and all but those at one joint. */
function momentChoices(
  { solution: { structure: s } }: Solved,
  rows: { member: number; end: 0 | 1; row: number[] }[],
): { kept: number[][] }[] {
  const nodeOf = (r: { member: number; end: 0 | 1 }) =>
    r.end === 0 ? s.members[r.member].start : s.members[r.member].end
  const nodes = [...new Set(rows.map(nodeOf))]
  return [
    ...rows.map((one) => ({ kept: rows.filter((r) => r !== one).map((r) => r.row) })),
    ...nodes.map((node) => ({ kept: rows.filter((r) => nodeOf(r) !== node).map((r) => r.row) })),
  ]
}

/**
 * The one change in a space that leaves the right values as they are; undefined where there are more.
 * @param changes amounts of each force and reaction
 * @param influences of each force and reaction on the answers
 */
function lineIn(
  changes: readonly Float64Array[],
  influences: readonly Influence[],
  judged: readonly Judged[],
): Float64Array | undefined {
  if (changes.length === 0) return undefined
  const on = changes.map((x) =>
    judged.map((_, i) =>
      x.reduce((sum, amount, u) => (amount === 0 ? sum : sum + amount * (influences[u][i] ?? 0)), 0),
    ),
  )
  const rows = judged.flatMap((j, i) => (j.agrees && !isExtreme(j.answer) ? [on.map((f) => f[i])] : []))
  const free = nullSpace(rows, changes.length)
  // several free amounts that the sheet does not tell apart are one
  const seen = free.map((x) => judged.map((_, i) => on.reduce((sum, f, k) => sum + x[k] * f[i], 0)))
  const moving = free.filter((_, k) => seen[k].some((v) => Math.abs(v) > 1e-9))
  if (moving.length !== 1) return undefined
  const [by] = moving
  return changes[0].map((_, u) => changes.reduce((sum, x, k) => sum + by[k] * x[u], 0))
}

/** How the values follow from the first wrong one that a change touches; undefined where they do not. */
function weigh(change: Change, judged: readonly Judged[], read: Reading): Found | undefined {
  const at = (j: Judged, amount: number) => read(j.answer, change, amount)
  const unit = judged.map((j) => {
    if (isExtreme(j.answer)) return undefined
    const [v0, v1] = [at(j, 0), at(j, 1)]
    return v0 && v1 && v0.length === v1.length ? v1[0] - v0[0] : undefined
  })
  // displacements and forces have influences of very different size, so each is held against its own kind
  const kinds = judged.map((j) => answerDimension(j.answer).join())
  const largest = (kind: string) =>
    Math.max(0, ...unit.map((g, i) => (kinds[i] === kind ? Math.abs(g ?? 0) : 0)))
  const first = judged.findIndex(
    (j, i) => !j.agrees && unit[i] !== undefined && Math.abs(unit[i]) > NO_INFLUENCE * largest(kinds[i]),
  )
  if (first < 0) return undefined
  const wrong = judged[first]
  const g = unit[first]!
  const amount = (wrong.given - wrong.computed[0]) / g
  const out: Found = { wrong: wrong.answer.id, follow: [], keeps: [], leaves: [], evidence: 0 }
  for (const [i, j] of judged.entries()) {
    if (i === first) continue
    const values = at(j, amount)
    const near = values?.reduce((b, v) => (Math.abs(v - j.given) < Math.abs(b - j.given) ? v : b))
    // the amount is known as well as the digits of the wrong value tell it
    const slack = Math.abs(((unit[i] ?? g) / g) * wrong.half)
    const fits = near !== undefined && Math.abs(near - j.given) <= j.allowed(near) + slack
    const { id } = j.answer
    if (j.agrees) {
      if (!fits) return undefined
      out.keeps.push(id)
    } else if (fits && i > first) {
      out.follow.push(id)
      out.evidence += evidenceOf({ given: j.given, half: j.half + slack }, near)
    } else out.leaves.push(id)
  }
  const differing = out.follow.length + out.leaves.length
  return out.follow.length >= LEAST_FOLLOWING && out.follow.length >= 0.75 * differing ? out : undefined
}
