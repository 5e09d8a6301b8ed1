import { isRecord } from './report.js'
import type { Asked, Problem } from './types.js'

/** The choices of a person for the methods by which the problem is worked out. */
export interface MethodChoices {
  /** The method by which the hand solution was worked, by its key. */
  worked?: string
  /** The displacement that the unit-load method finds. */
  of?: Asked
  /** The unit-load method takes the internal forces from the results. */
  given?: 'results'
  /** The redundants of the force method. */
  redundants?: readonly Asked[]
  /** Moment distribution ends its table where what is carried over is below this, in coherent units. */
  digit?: number
}

const isQuantity = (value: unknown): value is Asked =>
  isRecord(value) &&
  typeof value.quantity === 'string' &&
  (typeof value.node === 'string' || typeof value.member === 'string')

/** The choices that a problem keeps; parts of another form are passed over. */
export function methodChoices({ view }: Pick<Problem, 'view'>): MethodChoices {
  const kept = view?.methods
  if (!isRecord(kept)) return {}
  const { worked, of, given, redundants, digit } = kept
  return {
    ...(typeof worked === 'string' ? { worked } : {}),
    ...(isQuantity(of) ? { of } : {}),
    ...(given === 'results' ? { given } : {}),
    ...(Array.isArray(redundants) && redundants.every(isQuantity) ? { redundants } : {}),
    ...(typeof digit === 'number' && digit > 0 ? { digit } : {}),
  }
}

/** Keeps a change of them; what is undefined is proposed again. */
export function keepMethodChoices(p: Problem, change: MethodChoices): Problem {
  const kept = Object.entries({ ...methodChoices(p), ...change }).filter(([, v]) => v !== undefined)
  return { ...p, view: { ...p.view, methods: Object.fromEntries(kept) } }
}

/** The view after the places of its redundants have been put through an edit of a member. */
export function movedRedundants(
  p: Problem,
  member: string,
  move: (at: NonNullable<Asked['at']>) => Partial<Asked>,
): Record<string, unknown> {
  const { redundants, ...rest } = methodChoices(p)
  if (!redundants) return { ...p.view }
  const moved = redundants.map((r) =>
    r.member === member && r.at !== undefined ? { ...r, ...move(r.at) } : r,
  )
  return { ...p.view, methods: { ...rest, redundants: moved } }
}
