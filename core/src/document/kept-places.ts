import { isRecord } from './report.js'
import type { Problem, Quantity } from './types.js'

/** A place along a member whose values are kept in view: on the Figure, in the Results and on paper. */
export interface KeptPlace {
  member: string
  /** From the start of the member: a length or a percentage, as typed. */
  at: Quantity
}

/** More than this on one figure can no longer be told apart. */
const MOST_KEPT = 200

const isKeptPlace = (value: unknown): value is KeptPlace =>
  isRecord(value) &&
  typeof value.member === 'string' &&
  (typeof value.at === 'string' || typeof value.at === 'number')

/** The places that a problem keeps, in their order; entries of another form are passed over. */
export function keptPlaces(p: Pick<Problem, 'view'>): KeptPlace[] {
  const kept = p.view?.readings
  return Array.isArray(kept) ? kept.filter(isKeptPlace).slice(0, MOST_KEPT) : []
}

/** Keeps a place, unless the same one is kept already. */
export function keepPlace(p: Problem, place: KeptPlace): Problem {
  const kept = keptPlaces(p)
  return kept.some((r) => r.member === place.member && r.at === place.at)
    ? p
    : { ...p, view: { ...p.view, readings: [...kept, place] } }
}

export const dropPlace = (p: Problem, index: number): Problem => ({
  ...p,
  view: { ...p.view, readings: keptPlaces(p).filter((_, i) => i !== index) },
})
