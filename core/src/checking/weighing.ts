import type { Judged } from './judged.js'

/** What a slip, or two of them, make of the answers of a sheet, and how well that fits the hand values. */
export interface Fit {
  explains: string[]
  keeps: string[]
  leaves: string[]
  /** Natural logarithm of one over the chance that the explained values are met by luck. */
  evidence: number
}

/**
 * How far the evidence must exceed what luck gives, natural logarithm: one chance in seventy. Of 2,940 sheets
 * with two values wrong at random, and 588 with most of them wrong, none was explained with it.
 */
export const BEYOND_LUCK = 4.2
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
/** At least this part of the wrong answers must be explained. */
const LEAST_SHARE = 0.75

/** The values of an answer as a slip would have it, SI; undefined where there is none. */
export type Values = readonly number[] | undefined

const closest = (values: readonly number[], given: number): number =>
  values.reduce((best, v) => (Math.abs(v - given) < Math.abs(best - given) ? v : best))

/**
 * How unlikely it is that a value meets a candidate by luck, natural logarithm of one over the chance: the
 * width that counts as met against the size of the value.
 */
export function evidenceOf({ given, half }: Pick<Judged, 'given' | 'half'>, near: number): number {
  const size = Math.max(Math.abs(given), Math.abs(near))
  if (given === 0 || near === 0) return OF_ZERO
  const width = 2 * Math.max(Math.abs(given - near), half)
  return Math.min(MOST_EVIDENCE, Math.max(0, -Math.log(width / size)))
}

/**
 * How values fit a sheet; undefined where one that was right is lost or too little is explained.
 * @param values what each judged answer would be
 */
export function fitOf(judged: readonly Judged[], values: (j: Judged, i: number) => Values): Fit | undefined {
  const out: Fit = { explains: [], keeps: [], leaves: [], evidence: 0 }
  for (const [i, j] of judged.entries()) {
    const found = values(j, i)
    const near = found && closest(found, j.given)
    const fits = near !== undefined && Math.abs(near - j.given) <= j.allowed(near)
    const { id } = j.answer
    if (j.agrees && !fits) return undefined
    if (j.agrees) out.keeps.push(id)
    else if (fits) {
      out.explains.push(id)
      out.evidence += evidenceOf(j, near)
    } else out.leaves.push(id)
  }
  const wrong = out.explains.length + out.leaves.length
  return out.explains.length < LEAST_SHARE * wrong ? undefined : out
}

/** More explained answers first, then better fits; of equal fits the more common slip. */
export function ranked<T extends Fit & { commonness: number }>(all: readonly T[]): T[] {
  const most = Math.max(0, ...all.map((w) => w.explains.length))
  const best = Math.max(0, ...all.filter((w) => w.explains.length === most).map((w) => w.evidence))
  const isEqual = (w: T) => w.explains.length === most && best - w.evidence <= EQUAL
  return [...all].sort(
    (a, b) =>
      Number(isEqual(b)) - Number(isEqual(a)) ||
      (isEqual(a) && isEqual(b) ? b.commonness - a.commonness || b.evidence - a.evidence : 0) ||
      b.explains.length - a.explains.length ||
      b.evidence - a.evidence,
  )
}
