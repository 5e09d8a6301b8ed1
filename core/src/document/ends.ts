import type { Measure } from './measure.js'
import type { Quantity } from './types.js'

/** A place this near to an end of a member, as a share of its length, is that end. */
const AT_END = 1e-6

/** An end of a member. */
export type End = 'start' | 'end'

/** The place of an end as an answer states it. */
export const PLACE_OF: Record<End, string> = { start: '0%', end: '100%' }

/**
 * The end of a member of length L at which a place x stands, both in one unit; undefined within the member.
 * `0`, `0 m` and `0%` are the start, `100%` and the whole length are the end, however they are stated.
 */
export const endAt = (x: number, L: number): End | undefined =>
  Math.abs(x) <= AT_END * L ? 'start' : Math.abs(x - L) <= AT_END * L ? 'end' : undefined

/** A place as a share of the member's length, where it says so without the length: `40%`, `0`. */
export function shareOf(at: Quantity): number | undefined {
  if (Number(at) === 0) return 0
  const percent = typeof at === 'string' ? /^\s*([-+.\deE]+)\s*%\s*$/.exec(at) : null
  return percent ? Number(percent[1]) / 100 : undefined
}

/** The end of a member of length L (problem's unit) at which a stated place stands. */
export const endOfStated = (m: Pick<Measure, 'along'>, at: Quantity, L: number): End | undefined =>
  endAt(m.along(at, L), L)
