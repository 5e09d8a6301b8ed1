import type { Judged } from './judged.js'
import type { PreparedSlips } from './prepared.js'
import type { Candidate } from './slips/index.js'
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
  slips: PreparedSlips,
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
  const found = [...weighedSums(slips, judged, sums, base), ...weighedOthers(slips, judged, others)].filter(
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
  (a.kind === b.kind && (a.kind.clashes?.(a.subject, b.subject) ?? false))

/** Pairs whose effects add up: the sum is looked at first, and what fits is solved. */
function weighedSums(
  slips: PreparedSlips,
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
      linear.length === judged.length ? [weighed(pair, fit)] : (solvedAndWeighed(slips, judged, pair) ?? []),
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

function solvedAndWeighed(
  slips: PreparedSlips,
  judged: readonly Judged[],
  pair: Pair,
): WeighedPair | undefined {
  const slip = slips.pair(pair[0].candidate, pair[1].candidate)
  const fit = slip && fitOf(judged, (j) => slip.read(j.place))
  return fit && weighed(pair, fit)
}

/** Pairs of which one changes the structure, so that the other has to be made in the changed one. */
function weighedOthers(
  slips: PreparedSlips,
  judged: readonly Judged[],
  pairs: readonly Pair[],
): WeighedPair[] {
  const linear = judged.flatMap((j, i) => (isLinear(j) ? [i] : []))
  const seen = linear.map((i) => judged[i])
  /** The values with the first slip and a load of the second taken as so many times itself. */
  const scaled = (first: Tried, at: string, times: number): Values[] | undefined => {
    const none = slips.leftOut(first.candidate, at)
    return none && linear.map((i) => scaledBetween(none.read(judged[i].place), first.values[i], times))
  }
  return pairs.flatMap((pair) => {
    const [first, other] = pair[0].candidate.change ? pair : [pair[1], pair[0]]
    const { addsAt, times } = other.candidate
    if (addsAt !== undefined && times !== undefined && first.candidate.change) {
      const values = scaled(first, addsAt, times)
      if (!values || !fitOf(seen, (_, k) => values[k])) return []
    }
    const slip = slips.pair(first.candidate, other.candidate)
    const fit = slip && fitOf(judged, (j) => slip.read(j.place))
    return fit ? [weighed(pair, fit)] : []
  })
}

/** A value that follows a load in proportion, between that without the load and that with it. */
function scaledBetween(none: Values, whole: Values, times: number): Values {
  if (!none || !whole || none.length !== whole.length) return undefined
  return none.map((v, i) => v + times * (whole[i] - v))
}
