import type { Solved } from '../analysis/solve.js'
import { solve } from '../stability/second-order.js'
import type { Problem } from '../document/types.js'
import { judgedAnswers, type Judged } from './judged.js'
import { candidatesOf, type Candidate, type SlipContext, type SlipSolution } from './slips/index.js'
import { computedValues } from './slips/values.js'

/** A slip that explains the sheet, with what it does to each answer. */
export interface Explanation {
  kind: string
  subject: Readonly<Record<string, unknown>>
  explains: string[]
  keeps: string[]
  leaves: string[]
  sentence: string
  step: string
}

/** Limit on the explanations that are listed. */
const MOST = 6
/**
 * How far the evidence must exceed what luck gives, natural logarithm: one chance in seventy. Of 2,940 sheets
 * with two values wrong at random, and 588 with most of them wrong, none was explained with it.
 */
const BEYOND_LUCK = 4.2
/** Explanations whose evidence differs by less than this fit equally well. */
const EQUAL = 2.5
/**
 * Upper limit on the evidence of one value, natural logarithm, so that a value with many digits does not
 * decide alone.
 */
const MOST_EVIDENCE = 7
/**
 * Evidence of a computed zero where the right value is not zero, natural logarithm. Few slips produce an
 * exact zero.
 */
const OF_ZERO = 2.5
/** Progress is reported once per this many slips. */
const TOLD_EACH = 8
/** At least this part of the wrong answers must be explained. */
const LEAST_SHARE = 0.75

interface Weighed extends Explanation {
  evidence: number
  commonness: number
}

/**
 * The slips that explain the answers of a sheet, the best first: each is tried by solving the problem as it
 * would have it. Nothing where no fit is well beyond the luck of so many tries.
 * @param flipped answers that are right under the opposite sign convention: they count as right
 * @param onTried hears how many of all slips have been tried
 */
export function explainSheet(
  problem: Problem,
  solved: Solved,
  flipped: ReadonlySet<string>,
  onTried: (done: number, all: number) => void = () => {},
): Explanation[] {
  const judged = judgedAnswers(problem, solved.solution).map((j) =>
    flipped.has(j.answer.id) ? { ...j, given: -j.given, agrees: true } : j,
  )
  if (judged.every((j) => j.agrees)) return []
  const candidates = candidatesOf(contextOf(problem, solved))
  const luck = Math.log(Math.max(2, candidates.length))
  const found = candidates.flatMap((c, i) => {
    if (i % TOLD_EACH === 0) onTried(i, candidates.length)
    return weigh(c, judged) ?? []
  })
  const beyond = found.filter((w) => w.evidence - luck >= BEYOND_LUCK)
  return unique(ranked(beyond)).slice(0, MOST).map(explanation)
}

function contextOf(problem: Problem, base: Solved): SlipContext {
  const { structure } = base.solution
  const solved = (s: typeof structure): SlipSolution | undefined => {
    const other = solve(s, base)
    if (!other.ok) return undefined
    const { solution } = other
    return { solution, read: (a) => computedValues(problem, solution, a) }
  }
  return { problem, structure, base, solved }
}

/**
 * The problem solved once more as a slip would have it; undefined where the problem gives no room for the
 * slip.
 */
export function solveWithSlip(
  problem: Problem,
  solved: Solved,
  slip: Pick<Explanation, 'kind' | 'subject'>,
): SlipSolution | undefined {
  const subject = JSON.stringify(slip.subject)
  return candidatesOf(contextOf(problem, solved))
    .find((c) => c.kind === slip.kind && JSON.stringify(c.subject) === subject)
    ?.solve()
}

const explanation = ({ kind, subject, explains, keeps, leaves, sentence, step }: Weighed): Explanation => ({
  kind,
  subject,
  explains,
  keeps,
  leaves,
  sentence,
  step,
})

/** What a slip does to the answers; undefined where it loses one that was right or explains too little. */
function weigh(c: Candidate, judged: readonly Judged[]): Weighed | undefined {
  const slip = c.solve()
  if (!slip) return undefined
  const out = { explains: [] as string[], keeps: [] as string[], leaves: [] as string[] }
  let evidence = 0
  for (const j of judged) {
    const values = slip.read(j.answer)
    const near = values && closest(values, j.given)
    const fits = near !== undefined && Math.abs(near - j.given) <= j.allowed(near)
    const { id } = j.answer
    if (j.agrees && !fits) return undefined
    if (j.agrees) out.keeps.push(id)
    else if (fits) {
      out.explains.push(id)
      evidence += evidenceOf(j, near)
    } else out.leaves.push(id)
  }
  const wrong = out.explains.length + out.leaves.length
  if (out.explains.length < LEAST_SHARE * wrong) return undefined
  const { kind, subject, sentence, step, commonness } = c
  return { kind, subject, sentence, step, commonness, ...out, evidence }
}

const closest = (values: readonly number[], given: number): number =>
  values.reduce((best, v) => (Math.abs(v - given) < Math.abs(best - given) ? v : best))

/**
 * How unlikely it is that a value meets a candidate by luck, natural logarithm of one over the chance: the
 * width that counts as met against the size of the value.
 */
function evidenceOf({ given, half }: Judged, near: number): number {
  const size = Math.max(Math.abs(given), Math.abs(near))
  if (given === 0 || near === 0) return OF_ZERO
  const width = 2 * Math.max(Math.abs(given - near), half)
  return Math.min(MOST_EVIDENCE, Math.max(0, -Math.log(width / size)))
}

/** More explained answers first, then better fits; of equal fits the more common slip. */
function ranked(all: readonly Weighed[]): Weighed[] {
  const most = Math.max(0, ...all.map((w) => w.explains.length))
  const best = Math.max(0, ...all.filter((w) => w.explains.length === most).map((w) => w.evidence))
  const isEqual = (w: Weighed) => w.explains.length === most && best - w.evidence <= EQUAL
  return [...all].sort(
    (a, b) =>
      Number(isEqual(b)) - Number(isEqual(a)) ||
      (isEqual(a) && isEqual(b) ? b.commonness - a.commonness || b.evidence - a.evidence : 0) ||
      b.explains.length - a.explains.length ||
      b.evidence - a.evidence,
  )
}

/** The same slip in two readings (shears that follow or stay) is one explanation. */
function unique(all: readonly Weighed[]): Weighed[] {
  const seen = new Set<string>()
  return all.filter((w) => {
    const key = `${w.kind} ${JSON.stringify(w.subject)}`
    return !seen.has(key) && seen.add(key)
  })
}
