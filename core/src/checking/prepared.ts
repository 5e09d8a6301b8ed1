import type { Solved } from '../analysis/solve.js'
import type { Answer, Problem } from '../document/types.js'
import { solve } from '../stability/second-order.js'
import { secondIn, solvePair, type Second } from './slip-pairs.js'
import { candidatesOf, type Candidate, type SlipContext, type SlipSolution } from './slips/index.js'
import { computedValues } from './slips/values.js'

/**
 * The slips that a problem gives room for, each solved when it is first asked for and kept, so that any
 * number of hand solutions can be explained by them.
 */
export interface PreparedSlips {
  ctx: SlipContext
  candidates: readonly Candidate[]
  /** The problem as a slip would have it; undefined where that cannot be solved. */
  solved(c: Candidate): SlipSolution | undefined
  /** The values with two slips at once; undefined where they cannot go together. */
  pair(a: Candidate, b: Candidate): SlipReading | undefined
  /** The problem solved with two slips at once, kept nowhere. */
  solvedPair(a: Candidate, b: Candidate): SlipSolution | undefined
  /** The problem with a slip of the structure, and a load of it left out (by what the load acts on). */
  leftOut(first: Candidate, at: string): SlipSolution | undefined
  /** The place of an answer: the same object for all answers of one place, by which values are kept. */
  place(a: Answer): Answer
}

/** The values of a problem with a slip. */
export type SlipReading = Pick<SlipSolution, 'read'>

/** The context in which slips are made from a problem and its solution. */
export function contextOf(problem: Problem, base: Solved): SlipContext {
  const { structure } = base.solution
  const solved = (s: typeof structure): SlipSolution | undefined => {
    const other = solve(s, base)
    if (!other.ok) return undefined
    const { solution } = other
    return { solution, read: (a) => computedValues(problem, solution, a) }
  }
  const within = (s: typeof structure): SlipContext | undefined => {
    const other = solve(s, base)
    return other.ok ? contextOf(problem, other) : undefined
  }
  return { problem, structure, base, solved, within }
}

/** The slips of a problem, ready for any number of hand solutions. */
export function prepareSlips(problem: Problem, solved: Solved): PreparedSlips {
  const ctx = contextOf(problem, solved)
  const candidates = candidatesOf(ctx)
  const number = new Map(candidates.map((c, i) => [c, i]))
  const second = kept((c: Candidate): Second | undefined => secondIn(ctx, c))
  const pairs = new Map<string, SlipReading | undefined>()
  const left = new Map<string, SlipSolution | undefined>()
  const places = new Map<string, Answer>()
  return {
    ctx,
    candidates,
    solved: kept((c: Candidate) => remembered(c.solve())),
    pair: (a, b) =>
      of(pairs, `${number.get(a)} ${number.get(b)}`, () =>
        valuesOf(
          () => solvePair(ctx, a, b, second),
          () => places.values(),
        ),
      ),
    solvedPair: (a, b) => solvePair(ctx, a, b, second),
    leftOut: (first, at) =>
      of(left, `${number.get(first)} ${at}`, () => remembered(second(first)?.leftOut.get(at)?.solve())),
    place: (a) => of(places, placeKey(a), () => a),
  }
}

/** The value under a key, made when it is first asked for. */
function of<K, V>(known: Map<K, V>, key: K, make: () => V): V {
  if (!known.has(key)) known.set(key, make())
  return known.get(key) as V
}

/** A function that makes each value once. */
function kept<K, V>(make: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>()
  return (key) => of(known, key, () => make(key))
}

/** A solution whose values are read once for each place. */
function remembered(slip: SlipSolution | undefined): SlipSolution | undefined {
  if (!slip) return undefined
  const values = new Map<Answer, readonly number[] | undefined>()
  return { solution: slip.solution, read: (a) => of(values, a, () => slip.read(a)) }
}

/**
 * The values of a solution at all places that are known when it is made. The solution itself is not kept,
 * since there are thousands of pairs; it is made again for a place that becomes known later.
 * @param places the places known so far
 */
function valuesOf(
  solve: () => SlipSolution | undefined,
  places: () => Iterable<Answer>,
): SlipReading | undefined {
  const known = new Map<Answer, readonly number[] | undefined>()
  const readAll = () => {
    const slip = solve()
    for (const a of places()) if (!known.has(a)) known.set(a, slip?.read(a))
    return slip
  }
  return (
    readAll() && {
      read(a) {
        if (!known.has(a)) readAll()
        return known.get(a)
      },
    }
  )
}

/** All of an answer but what is its own: its label, its value and how that is judged. */
const placeKey = (a: Answer): string =>
  JSON.stringify([
    ...[a.quantity, a.node, a.component, a.axes, a.member, a.at, a.side, a.end, a.of, a.row, a.column],
    a.case,
  ])
