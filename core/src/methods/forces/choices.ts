import { combineActions } from '../../structure/case-actions.js'
import type { Asked, Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import { systemOf } from '../statics/equilibrium.js'
import { redundantOf } from './redundants.js'
import { releasedBy } from './work.js'

/** Every quantity that may be a redundant: reactions, then forces of bars and moments at ends of members. */
export function redundantChoices(s: Structure): Asked[] {
  const system = systemOf(s, combineActions(s, []))
  const count = system.reactions.length + system.within.length
  return Array.from({ length: count }, (_, unknown) => redundantOf(s, system, unknown).quantity)
}

/** The redundants that are proposed. */
export function proposedRedundants(p: Problem, s: Structure): Asked[] {
  const found = releasedBy(p, s, combineActions(s, []))
  return found.ok ? found.redundants.map((r) => r.quantity) : []
}

/**
 * The redundants after another quantity has taken the place of one of them: of the last that leaves a
 * determinate structure, or of the one named. Undefined where no exchange does.
 */
export function exchangedRedundants(
  p: Problem,
  s: Structure,
  chosen: readonly Asked[],
  next: Asked,
  instead?: number,
): Asked[] | undefined {
  const bare = combineActions(s, [])
  const places = instead === undefined ? [...chosen.keys()].reverse() : [instead]
  for (const i of places) {
    const changed = chosen.map((r, k) => (k === i ? next : r))
    if (releasedBy(p, s, bare, changed).ok) return changed
  }
  return undefined
}
