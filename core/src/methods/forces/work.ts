import type { Actions } from '../../structure/actions.js'
import type { Structure } from '../../structure/types.js'
import { combineActions } from '../../structure/case-actions.js'
import { solveDense } from '../dense.js'
import type { Asked, Problem } from '../../document/types.js'
import { cleaned, systemOf, type Reaction } from '../statics/equilibrium.js'
import { reduce, type Reduced } from '../statics/reduce.js'
import { contributionsOf, type Contribution, type ForceState } from '../virtual-work/virtual-work.js'
import { likedRedundants, redundantOf, unknownOf, type Redundant } from './redundants.js'

/** A structure worked out by the force method. */
export interface ForceMethod {
  structure: Structure
  reactions: readonly Reaction[]
  redundants: Redundant[]
  /** The released structure under the loads. */
  released: ForceState
  /** The released structure under each redundant of 1 N or 1 N·m. */
  units: ForceState[]
  /** Parts of the displacement at each redundant under the loads, and of each redundant at each other one. */
  displacements: Contribution[][]
  flexibility: Contribution[][][]
  /** The prescribed displacement at each redundant: its own settlement, m or rad. */
  prescribed: number[]
  /** The redundants, N or N·m, and everything with them. */
  values: number[]
  final: ForceState
}

/** A determinate structure that the redundants leave, or why they leave none. */
export type Released =
  { ok: true; reduced: Reduced; redundants: Redundant[] } | { ok: false; message: string }

/** The redundants that are stated, else those proposed, and the solutions of equilibrium with them. */
export function releasedBy(p: Problem, s: Structure, actions: Actions, stated?: readonly Asked[]): Released {
  const system = systemOf(s, actions)
  const liked = likedRedundants(s, system)
  const count = system.reactions.length + system.within.length
  const chosen = (stated ?? []).map((q) => unknownOf(p, s, system, q))
  if (chosen.some((u) => u === undefined))
    return { ok: false, message: 'A redundant is a reaction, a moment at a member’s end, or a bar’s force.' }
  const first = chosen as number[]
  const order = [...first, ...liked.filter((u) => !first.includes(u))]
  const reduced = reduce(system.rows, count, order)
  if (stated && (reduced.free.length !== first.length || !first.every((u) => reduced.free.includes(u))))
    return {
      ok: false,
      message:
        `The problem has ${reduced.free.length} redundants, and without those stated the structure is not ` +
        'statically determinate.',
    }
  const sorted = stated ? first : order.filter((u) => reduced.free.includes(u)).sort((a, b) => a - b)
  return { ok: true, reduced, redundants: sorted.map((u) => redundantOf(s, system, u)) }
}

/** The whole force method; undefined where the redundants do not release the structure. */
export function forceMethod(
  p: Problem,
  s: Structure,
  actions: Actions,
  stated?: readonly Asked[],
): ForceMethod | undefined {
  const found = releasedBy(p, s, actions, stated)
  if (!found.ok) return undefined
  const { reduced, redundants } = found
  const { reactions, rows, endsFor } = systemOf(s, actions)
  const bare = combineActions(s, [])
  const stateOf = (values: readonly number[], loaded: boolean): ForceState => ({
    ends: endsFor(values, loaded),
    reactions: values.slice(0, reactions.length),
    actions: loaded ? actions : bare,
  })
  const particular = cleaned(reduced.particular, rows)
  const adds = redundants.map((r) => reduced.adds(r.unknown).map((v) => v * r.sign))
  const released = stateOf(particular, true)
  const units = adds.map((a) => stateOf(a, false))
  // the settlement of a redundant itself is what is prescribed there, and no part of the sum
  const displacements = units.map((u, i) =>
    contributionsOf(s, reactions, u, released).filter(
      (c) => !(c.kind === 'settlement' && c.reaction === redundants[i].unknown),
    ),
  )
  const flexibility = units.map((u) => units.map((v) => contributionsOf(s, reactions, u, v)))
  const prescribed = redundants.map(({ unknown }) => {
    const r = reactions[unknown]
    return r ? actions.settlement[r.support] * s.supports[r.support].settlement[r.component] : 0
  })
  const values = solved(
    flexibility.map((row) => row.map(total)),
    displacements.map((d, i) => prescribed[i] - total(d)),
  )
  const final = stateOf(
    particular.map((p, k) => adds.reduce((sum, a, i) => sum + values[i] * a[k], p)),
    true,
  )
  return {
    structure: s,
    reactions,
    redundants,
    released,
    units,
    displacements,
    flexibility,
    prescribed,
    values,
    final,
  }
}

export const total = (parts: readonly Contribution[]): number => parts.reduce((sum, c) => sum + c.value, 0)

/** The equations of compatibility, each unknown measured so that forces and moments weigh alike. */
function solved(rows: readonly number[][], right: readonly number[]): number[] {
  const scale = rows.map((r, i) => 1 / Math.sqrt(r[i]))
  const found = solveDense(
    rows.map((r, i) => r.map((v, j) => v * scale[i] * scale[j])),
    right.map((v, i) => v * scale[i]),
  )
  return (found ?? right.map(() => NaN)).map((v, i) => v * scale[i])
}
