import { isRecord } from './report.js'
import type { Asked, Problem } from './types.js'

/** The influence line that a problem keeps: its quantity, the path, and what moves along it. */
export interface InfluenceView {
  of?: Asked
  /** The members along which the force moves, in their order; all of them where it is left out. */
  along?: readonly string[]
  /** A uniform load, as typed. */
  load?: string
  /** A train of loads, as typed: loads and spacings in turn. */
  train?: string
}

const isText = (value: unknown): value is string => typeof value === 'string'

/** The influence line that a problem keeps; parts of another form are passed over. */
export function influenceView({ view }: Pick<Problem, 'view'>): InfluenceView {
  const kept = view?.influence
  if (!isRecord(kept)) return {}
  const { of, along, load, train } = kept
  return {
    ...(isRecord(of) && isText(of.quantity) ? { of: of as unknown as Asked } : {}),
    ...(Array.isArray(along) && along.every(isText) ? { along } : {}),
    ...(isText(load) ? { load } : {}),
    ...(isText(train) ? { train } : {}),
  }
}

/** Keeps a change of it; what is undefined is left out. */
export function keepInfluence(p: Problem, change: InfluenceView): Problem {
  const kept = Object.entries({ ...influenceView(p), ...change }).filter(([, v]) => v !== undefined)
  return { ...p, view: { ...p.view, influence: Object.fromEntries(kept) } }
}

/** The view after the place of its influence line has been put through an edit of a member. */
export function movedInfluence(
  p: Problem,
  member: string,
  move: (at: NonNullable<Asked['at']>) => Partial<Asked>,
): Record<string, unknown> {
  const { of, ...rest } = influenceView(p)
  if (!of || of.member !== member || of.at === undefined) return { ...p.view }
  return { ...p.view, influence: { ...rest, of: { ...of, ...move(of.at) } } }
}
