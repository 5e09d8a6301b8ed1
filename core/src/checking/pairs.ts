import type { Judged } from './judged.js'
import { distributed, altered, type DistributionSlip } from './slips/distribution.js'
import { candidatesOf, type Candidate, type SlipContext, type SlipSolution } from './slips/index.js'
import { alteredSolution, readByEnds } from './slips/method-slips.js'
import type { Alter, MethodChange } from './slips/slip.js'
import { BEYOND_LUCK, fitOf, ranked, type Fit, type Values } from './weighing.js'

/** A slip that was tried alone, with the values it gives for each judged answer. */
export interface Tried {
  candidate: Candidate
  values: Values[]
}

/** Two slips at once, with what they make of the sheet. */
export interface WeighedPair extends Fit {
  slips: readonly [Candidate, Candidate]
  commonness: number
}

/** Pairs that add up are solved in earnest only where their sums fit; no more of them than this. */
const MOST_SUMS_SOLVED = 300
/** Pairs that have to be solved for each other's sake; of more, the likelier ones are. */
const MOST_SOLVED = 6000

/** Answers whose value does not follow the loads in proportion. */
const isLinear = ({ answer: { quantity } }: Judged) =>
  quantity !== 'maximum' && quantity !== 'minimum' && quantity !== 'load-factor'

/**
 * The pairs of slips that explain a sheet which no single one explains, the best first. The fit of each is
 * weighed against the number of pairs tried.
 * @param tried every slip tried alone
 * @param base the values of the right solution for each judged answer
 */
export function explainingPairs(
  ctx: SlipContext,
  judged: readonly Judged[],
  tried: readonly Tried[],
  base: readonly Values[],
): WeighedPair[] {
  const useful = tried.filter((t) => t.values.some((v, i) => differs(v, base[i])))
  const sums = pairsOf(useful).filter(([a, b]) => isSum(a.candidate, b.candidate))
  const others = pairsOf(useful)
    .filter(([a, b]) => !isSum(a.candidate, b.candidate) && !isSameThing(a.candidate, b.candidate))
    .sort((p, q) => together(q) - together(p))
    .slice(0, MOST_SOLVED)
  const luck = Math.log(Math.max(2, sums.length + others.length))
  const found = [...weighedSums(ctx, judged, sums, base), ...weighedOthers(ctx, judged, others)].filter(
    (w) => w.evidence - luck >= BEYOND_LUCK,
  )
  return ranked(found)
}

type Pair = readonly [Tried, Tried]

const pairsOf = (list: readonly Tried[]): Pair[] =>
  list.flatMap((a, i) => list.slice(i + 1).map((b): Pair => [a, b]))

const together = ([a, b]: Pair) => a.candidate.commonness * b.candidate.commonness

const differs = (v: Values, w: Values): boolean =>
  v?.length !== w?.length ||
  (v ?? []).some((x, i) => Math.abs(x - w![i]) > 1e-9 * (Math.abs(x) + Math.abs(w![i])))

function isSum({ addsAt: a }: Candidate, { addsAt: b }: Candidate): boolean {
  if (a === undefined || b === undefined || a === b) return false
  if (!a.startsWith('fixed') && !b.startsWith('fixed')) return true
  const on = (key: string) => key.replace(/^.* on /, '')
  return on(a) !== on(b) && on(a) !== 'all' && on(b) !== 'all'
}

/** Two slips of one thing, such as a load left out and doubled: the second leaves nothing of the first. */
const isSameThing = (a: Candidate, b: Candidate) =>
  (a.addsAt !== undefined && a.addsAt === b.addsAt) ||
  (a.kind === b.kind && JSON.stringify(a.subject) === JSON.stringify(b.subject)) ||
  (a.kind === b.kind && a.kind === 'support' && a.subject.node === b.subject.node) ||
  (a.kind === b.kind && ['section', 'case-for-case'].includes(a.kind))

/** Pairs whose effects add up: the sum is looked at first, and what fits is solved. */
function weighedSums(
  ctx: SlipContext,
  judged: readonly Judged[],
  pairs: readonly Pair[],
  base: readonly Values[],
): WeighedPair[] {
  const linear = judged.flatMap((j, i) => (isLinear(j) ? [i] : []))
  const seen = linear.map((i) => judged[i])
  const fitting = pairs.flatMap((pair): { pair: Pair; fit: Fit }[] => {
    const [a, b] = pair
    const fit = fitOf(seen, (_, k) => sumOf(a.values[linear[k]], b.values[linear[k]], base[linear[k]]))
    return fit ? [{ pair, fit }] : []
  })
  return fitting
    .sort((p, q) => q.fit.evidence - p.fit.evidence)
    .slice(0, MOST_SUMS_SOLVED)
    .flatMap(({ pair, fit }) =>
      linear.length === judged.length ? [weighed(pair, fit)] : (solvedAndWeighed(ctx, judged, pair) ?? []),
    )
}

function sumOf(a: Values, b: Values, base: Values): Values {
  if (!a || !b || !base || a.length !== base.length || b.length !== base.length) return undefined
  return a.map((v, i) => v + b[i] - base[i])
}

const weighed = ([a, b]: Pair, fit: Fit): WeighedPair => ({
  ...fit,
  slips: [a.candidate, b.candidate],
  commonness: a.candidate.commonness * b.candidate.commonness,
})

function solvedAndWeighed(ctx: SlipContext, judged: readonly Judged[], pair: Pair): WeighedPair | undefined {
  const slip = solvePair(ctx, pair[0].candidate, pair[1].candidate)
  const fit = slip && fitOf(judged, (j) => slip.read(j.answer))
  return fit && weighed(pair, fit)
}

/** Pairs of which one changes the structure, so that the other has to be made in the changed one. */
function weighedOthers(ctx: SlipContext, judged: readonly Judged[], pairs: readonly Pair[]): WeighedPair[] {
  const seconds = new Map<Candidate, Second | undefined>()
  const second = (c: Candidate) => {
    if (!seconds.has(c)) seconds.set(c, secondIn(ctx, c))
    return seconds.get(c)
  }
  const linear = judged.flatMap((j, i) => (isLinear(j) ? [i] : []))
  const seen = linear.map((i) => judged[i])
  const without = new Map<string, Values[] | undefined>()
  /** The values with the first slip and a load of the second taken as so many times itself. */
  const scaled = (first: Tried, at: string, times: number): Values[] | undefined => {
    const key = `${keyOf(first.candidate)} | ${at}`
    if (!without.has(key)) {
      const left = second(first.candidate)?.leftOut.get(at)?.solve()
      without.set(key, left && linear.map((i) => left.read(judged[i].answer)))
    }
    const none = without.get(key)
    return none && linear.map((i, k) => scaledBetween(none[k], first.values[i], times))
  }
  return pairs.flatMap((pair) => {
    const [first, other] = pair[0].candidate.change ? pair : [pair[1], pair[0]]
    const { addsAt, times } = other.candidate
    if (addsAt !== undefined && times !== undefined && first.candidate.change) {
      const values = scaled(first, addsAt, times)
      if (!values || !fitOf(seen, (_, k) => values[k])) return []
    }
    const slip = solvePair(ctx, first.candidate, other.candidate, second)
    const fit = slip && fitOf(judged, (j) => slip.read(j.answer))
    return fit ? [weighed(pair, fit)] : []
  })
}

/** A value that follows a load in proportion, between that without the load and that with it. */
function scaledBetween(none: Values, whole: Values, times: number): Values {
  if (!none || !whole || none.length !== whole.length) return undefined
  return none.map((v, i) => v + times * (whole[i] - v))
}

/** The slips that can be made in a structure which another slip has changed. */
interface Second {
  byKey: ReadonlyMap<string, Candidate>
  /** Those that leave a load out, by what they act on. */
  leftOut: ReadonlyMap<string, Candidate>
}

function secondIn(ctx: SlipContext, first: Candidate): Second | undefined {
  const structure = first.change?.()
  const inner = structure && ctx.within(structure)
  if (!inner) return undefined
  const byKey = new Map<string, Candidate>()
  const leftOut = new Map<string, Candidate>()
  for (const c of candidatesOf(inner)) {
    byKey.set(keyOf(c), c)
    if (c.times === 0 && c.addsAt !== undefined) leftOut.set(c.addsAt, c)
  }
  return { byKey, leftOut }
}

/** The key of a slip; of two readings of one slip each has its own by its commonness. */
const keyOf = (c: Candidate) => `${c.kind} ${JSON.stringify(c.subject)} ${c.commonness}`

/** The problem solved with two slips at once; undefined where they cannot go together. */
export function solvePair(
  ctx: SlipContext,
  a: Candidate,
  b: Candidate,
  second: (c: Candidate) => Second | undefined = (c) => secondIn(ctx, c),
): SlipSolution | undefined {
  const [first, other] = a.change ? [a, b] : [b, a]
  if (first.change) return second(first)?.byKey.get(keyOf(other))?.solve()
  const [m, n] = [a.method?.(), b.method?.()]
  return m && n ? solveMethods(ctx, m, n) : undefined
}

/** Two slips of the method in one solution. */
function solveMethods(ctx: SlipContext, a: MethodChange, b: MethodChange): SlipSolution | undefined {
  const both: Alter = (v, system, i) => {
    const once = a.alter ? a.alter(v, system, i) : v
    return b.alter ? b.alter(once, system, i) : once
  }
  const slip = merged(a.distribution, b.distribution)
  const system = slip ? distributedWith(ctx, slip) : ctx.base.system
  if (!system) return undefined
  const solution = alteredSolution(ctx, system, both, (acts) => acts, slip ? system.structure : ctx.structure)
  return readByEnds(ctx, solution)
}

function distributedWith(ctx: SlipContext, slip: DistributionSlip) {
  const system = distributed(ctx.structure)
  return system && altered(system, slip)
}

function merged(a?: DistributionSlip, b?: DistributionSlip): DistributionSlip | undefined {
  if (!a || !b) return a ?? b
  return {
    ...a,
    ...b,
    taken: (member, end) => (a.taken?.(member, end) ?? 1) * (b.taken?.(member, end) ?? 1),
  }
}
