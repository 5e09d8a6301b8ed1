import type { Solved } from '../analysis/solve.js'
import type { Problem } from '../document/types.js'
import { followingValues } from './followed.js'
import { inUsualSigns, judgedAnswers, type Judged } from './judged.js'
import { explainingPairs, type Tried, type WeighedPair } from './pairs.js'
import { prepareSlips, type PreparedSlips } from './prepared.js'
import type { Candidate, SlipSolution } from './slips/index.js'
import { computedValues } from './slips/values.js'
import { BEYOND_LUCK, fitOf, ranked, type Fit } from './weighing.js'

/** A slip that explains the sheet, with what it does to each answer. */
export interface Explanation {
  kind: string
  subject: Readonly<Record<string, unknown>>
  explains: string[]
  keeps: string[]
  leaves: string[]
  sentence: string
  step: string
  /** The single slips of a `pair`. */
  slips?: { kind: string; subject: Readonly<Record<string, unknown>>; sentence: string }[]
  /** The wrong value and the values that follow from it, by id; of a `followed` sheet alone. */
  wrong?: string
  follow?: string[]
}

/** Limit on the explanations that are listed. */
const MOST = 6
/** Progress is reported once per this many slips. */
const TOLD_EACH = 8

interface Weighed extends Fit {
  candidate: Candidate
  commonness: number
}

/**
 * The slips that explain the answers of a sheet, the best first: each is tried by solving the problem as it
 * would have it. Where no single one does, one wrong value from which the others follow, or two slips at
 * once. Nothing where no fit is well beyond the luck of so many tries.
 * @param flipped answers that are right under another sign convention: they count as right
 * @param onTried hears how many of all slips have been tried
 * @param slips the slips of the problem, where several hand solutions of it are explained
 */
export function explainSheet(
  problem: Problem,
  solved: Solved,
  flipped: ReadonlySet<string>,
  onTried: (done: number, all: number) => void = () => {},
  slips?: PreparedSlips,
): Explanation[] {
  const given = inUsualSigns(judgedAnswers(problem, solved.solution), flipped)
  if (given.every((j) => j.agrees)) return []
  const prepared = slips ?? prepareSlips(problem, solved)
  const judged = given.map((j) => ({ ...j, place: prepared.place(j.answer) }))
  const { candidates } = prepared
  const tried = candidates.flatMap((candidate, i): Tried[] => {
    if (i % TOLD_EACH === 0) onTried(i, candidates.length)
    const slip = prepared.solved(candidate)
    return slip ? [{ candidate, values: judged.map((j) => slip.read(j.place)) }] : []
  })
  const luck = Math.log(Math.max(2, candidates.length))
  const found = tried.flatMap(({ candidate, values }): Weighed[] => {
    const fit = fitOf(judged, (_, i) => values[i])
    if (!fit || fit.evidence - luck < BEYOND_LUCK) return []
    return [{ ...fit, candidate, commonness: candidate.commonness }]
  })
  if (found.length > 0) return unique(ranked(found)).slice(0, MOST).map(ofOne)
  return ofSeveral(problem, prepared, judged, tried)
}

/** One wrong value from which the others follow, or two slips at once: whichever fits better stands first. */
function ofSeveral(
  problem: Problem,
  slips: PreparedSlips,
  judged: readonly Judged[],
  tried: readonly Tried[],
): Explanation[] {
  if (judged.filter((j) => !j.agrees).length < 2) return []
  const { base } = slips.ctx
  const followed = followingValues(problem, base, judged)
  if (followed) return [followed]
  const right = judged.map((j) => computedValues(problem, base.solution, j.answer))
  return uniquePairs(explainingPairs(slips, judged, tried, right))
    .slice(0, MOST)
    .map(ofTwo)
}

const isSame = (c: Candidate, slip: { kind: string; subject: Readonly<Record<string, unknown>> }) =>
  c.kind.key === slip.kind && JSON.stringify(c.subject) === JSON.stringify(slip.subject)

/**
 * The problem solved once more as a slip would have it, or two of them at once; undefined where the problem
 * gives no room for it, and for an explanation that is no slip.
 */
export function solveWithSlip(
  problem: Problem,
  solved: Solved,
  slip: Pick<Explanation, 'kind' | 'subject' | 'slips'>,
): SlipSolution | undefined {
  const slips = prepareSlips(problem, solved)
  const found = (slip.slips ?? [slip]).map((one) => slips.candidates.find((c) => isSame(c, one)))
  if (found.length === 1) return found[0]?.solve()
  const [a, b] = found
  return a && b ? slips.solvedPair(a, b) : undefined
}

const ofOne = ({ candidate, explains, keeps, leaves }: Weighed): Explanation => {
  const { kind, subject, sentence } = candidate
  return { kind: kind.key, subject, explains, keeps, leaves, sentence, step: kind.line.stiffness }
}

const lower = (sentence: string) => sentence.replace(/^Your values fit /, '').replace(/\.$/, '')

function ofTwo({ slips, explains, keeps, leaves }: WeighedPair): Explanation {
  const [a, b] = slips
  return {
    kind: 'pair',
    subject: {},
    slips: slips.map(({ kind, subject, sentence }) => ({ kind: kind.key, subject, sentence })),
    explains,
    keeps,
    leaves,
    sentence: `Your values fit two slips at once: ${lower(a.sentence)}; and ${lower(b.sentence)}.`,
    step: a.kind.line.stiffness,
  }
}

/** A slip in two readings (shears that follow or stay) is one explanation. */
function unique(all: readonly Weighed[]): Weighed[] {
  const seen = new Set<string>()
  return all.filter(({ candidate: c }) => {
    const key = `${c.kind.key} ${JSON.stringify(c.subject)}`
    return !seen.has(key) && seen.add(key)
  })
}

function uniquePairs(all: readonly WeighedPair[]): WeighedPair[] {
  const seen = new Set<string>()
  return all.filter(({ slips }) => {
    const key = slips.map((c) => `${c.kind.key} ${JSON.stringify(c.subject)}`).join(' and ')
    return !seen.has(key) && seen.add(key)
  })
}
