import { isRecord } from '../document/report.js'
import type { Problem } from '../document/types.js'
import type { Explanation } from './explain.js'
import type { SheetVerdict } from './sheet.js'

/** The marking of hand solutions, as a problem states it. */
export interface Marking {
  /** The worth of a value. */
  each: number
  /** The shares of its worth of a value that follows, is of another convention, or is explained by a slip. */
  follows: number
  convention: number
  slip: number
  /** The worth of single values, by their labels. */
  values: Readonly<Record<string, number>>
  /** Marks are rounded to the nearest multiple of this, halves up; not at all where it is left out. */
  roundedTo?: number
}

const USUAL: Marking = { each: 1, follows: 1, convention: 0, slip: 0, values: {} }

/** The marking that a problem states; what it does not state is as usual. */
export function markingOf(p: Problem): Marking {
  const stated: unknown = p.marking
  if (!isRecord(stated)) return USUAL
  const number = (v: unknown, usual: number) => (typeof v === 'number' && v >= 0 ? v : usual)
  const values = isRecord(stated.values) ? Object.entries(stated.values) : []
  return {
    each: number(stated.each, USUAL.each),
    follows: number(stated.follows, USUAL.follows),
    convention: number(stated.convention, USUAL.convention),
    slip: number(stated.slip, USUAL.slip),
    values: Object.fromEntries(values.flatMap(([id, v]) => (typeof v === 'number' ? [[id, v]] : []))),
    ...(typeof stated.roundedTo === 'number' && stated.roundedTo > 0 ? { roundedTo: stated.roundedTo } : {}),
  }
}

/** A verdict as it is marked. */
type Verdict = { id: unknown; verdict: SheetVerdict['verdict'] }

/**
 * The marks of a hand solution. The answers of the key say what is asked; where it has none, the answers of
 * the attempt do.
 * @param explained the likeliest explanation of the sheet
 */
export function marksOf(
  key: Problem,
  answers: readonly Verdict[],
  entries: readonly Verdict[],
  explained: Pick<Explanation, 'explains'> | undefined,
): { marks: number; of: number } {
  const marking = markingOf(key)
  const worth = (id: string) => marking.values[id] ?? marking.each
  const all = [...answers, ...entries].filter((v): v is Verdict & { id: string } => typeof v.id === 'string')
  const asked = key.answers?.length
    ? [...key.answers.map((a) => a.id), ...entries.flatMap((e) => askedEntry(marking, e))]
    : [...new Set(all.map((v) => v.id))]
  const shareOf = (id: string): number => {
    const found = all.find((v) => v.id === id)
    if (!found || found.verdict === 'unknown') return 0
    if (found.verdict === 'agrees') return 1
    const slip = explained?.explains.includes(id) ? marking.slip : 0
    const own = found.verdict === 'differs' ? 0 : marking[found.verdict]
    return Math.max(slip, own)
  }
  const sum = (value: (id: string) => number) => asked.reduce((total, id) => total + value(id), 0)
  return {
    marks: rounded(
      marking,
      sum((id) => worth(id) * shareOf(id)),
    ),
    of: sum(worth),
  }
}

/** An entry of a working is asked where the marking states its worth. */
const askedEntry = ({ values }: Marking, { id }: Verdict): string[] =>
  typeof id === 'string' && Object.hasOwn(values, id) ? [id] : []

/** Halves are rounded up; a sum that misses a half by rounding error is that half. */
const rounded = ({ roundedTo }: Marking, marks: number): number =>
  roundedTo === undefined
    ? Number(marks.toPrecision(12))
    : Number((Math.floor(marks / roundedTo + 0.5 + 1e-9) * roundedTo).toPrecision(12))
