import type { Actions, MemberActions } from '../../structure/actions.js'
import type { Component, Structure, StructureMember } from '../../structure/types.js'
import { resultantOf } from '../frames/loads.js'
import { reduce } from './reduce.js'

/** A reaction: a force along an axis of its support, or a moment; its direction in global axes. */
export interface Reaction {
  support: number
  node: number
  component: Component
  /** Unit direction of a force; 0, 0 of a moment. */
  x: number
  y: number
}

/** The forces that equilibrium alone gives. */
export interface Statics {
  structure: Structure
  actions: Actions
  reactions: readonly Reaction[]
  /** In the order of `reactions`, N and N·m; NaN where equilibrium leaves one open. */
  values: number[]
  /** Forces on the ends of each member in its own axes, six each; NaN where open. */
  ends: Float64Array
  /** Everything is found by equilibrium. */
  isDeterminate: boolean
}

const AXES: readonly Component[] = ['x', 'y', 'rotation']

/** The reactions that the supports of a structure can give. */
export function reactionsOf(s: Structure): Reaction[] {
  return s.supports.flatMap((p, support) =>
    AXES.filter((c) => p.hold[c] !== false && !(c === 'rotation' && s.kind === 'truss')).map((component) => {
      const [c, d] = [Math.cos(p.angle), Math.sin(p.angle)]
      const [x, y] = component === 'x' ? [c, d] : component === 'y' ? [-d, c] : [0, 0]
      return { support, node: p.node, component, x, y }
    }),
  )
}

/** The end forces of a member: a constant, and what each of its unknowns adds, N and its end moments. */
interface Ends {
  fixed: number[]
  by: { unknown: number; forces: readonly number[] }[]
}

/** The forces on the ends of a member that carries its loads between hinges, with N = 0 at its start. */
function fixedEnds(m: StructureMember, on: MemberActions | undefined): number[] {
  const { along, across, moment } = resultantOf(on)
  const far = -moment / m.length
  return [0, -across - far, 0, -along, far, 0]
}

/** The unknowns of each member after the reactions, and what they do to its ends. */
function endsOf(s: Structure, actions: Actions, from: number): { ends: Ends[]; within: MemberUnknown[] } {
  const within: MemberUnknown[] = []
  const ends = s.members.map((m, i): Ends => {
    const by: Ends['by'] = []
    const add = (force: MemberUnknown['force'], forces: readonly number[]) => {
      by.push({ unknown: from + within.length, forces })
      within.push({ member: i, force })
    }
    const hinged = (end: 2 | 5) => m.bar || s.kind === 'truss' || m.releases[end] === true
    if (m.releases[0] !== true) add('N', [-1, 0, 0, 1, 0, 0])
    if (!hinged(2)) add('start', [0, 1 / m.length, 1, 0, -1 / m.length, 0])
    if (!hinged(5)) add('end', [0, 1 / m.length, 0, 0, -1 / m.length, 1])
    return { fixed: fixedEnds(m, actions.members.get(i)), by }
  })
  return { ends, within }
}

/** One equation of equilibrium: coefficients by unknown, and its right-hand side. */
export interface Row {
  by: Map<number, number>
  right: number
}

/** Forces on an end of a member turned to global axes: x, y, moment. */
const turned = (m: StructureMember, f: readonly number[], end: 0 | 1): [number, number, number] => {
  const [n, v, moment] = [f[3 * end], f[3 * end + 1], f[3 * end + 2]]
  return [n * m.cos - v * m.sin, n * m.sin + v * m.cos, moment]
}

/** The equations of all joints: loads and reactions on a joint are what it puts on its members. */
function jointRows(
  s: Structure,
  actions: Actions,
  reactions: readonly Reaction[],
  ends: readonly Ends[],
): Row[] {
  const rows = s.nodes.map((_, node) =>
    AXES.map((_, k): Row => ({ by: new Map(), right: -actions.nodal[3 * node + k] })),
  )
  const put = (row: Row, unknown: number, by: number) => {
    if (by !== 0) row.by.set(unknown, (row.by.get(unknown) ?? 0) + by)
  }
  reactions.forEach((r, u) => {
    put(rows[r.node][0], u, r.x)
    put(rows[r.node][1], u, r.y)
    if (r.component === 'rotation') put(rows[r.node][2], u, 1)
  })
  s.members.forEach((m, i) =>
    [m.start, m.end].forEach((node, end) => {
      turned(m, ends[i].fixed, end as 0 | 1).forEach((f, k) => (rows[node][k].right += f))
      for (const { unknown, forces } of ends[i].by)
        turned(m, forces, end as 0 | 1).forEach((f, k) => put(rows[node][k], unknown, -f))
    }),
  )
  return rows.flat().filter((row) => row.by.size > 0)
}

/** Conditions of releases that leave a member's own unknowns related: no force there. */
function releaseRows(s: Structure, ends: readonly Ends[]): Row[] {
  return s.members.flatMap((m, i) =>
    [1, 3, 4].flatMap((k): Row[] => {
      if (m.releases[k] !== true || (k === 3 && m.releases[0] === true)) return []
      const by = new Map(
        ends[i].by.flatMap(({ unknown, forces }) => (forces[k] === 0 ? [] : [[unknown, forces[k]] as const])),
      )
      return by.size > 0 ? [{ by, right: -ends[i].fixed[k] }] : []
    }),
  )
}

/** Values smaller than this part of the largest are rounding. */
const ROUNDING = 1e-13

/** An unknown of equilibrium beyond the reactions: a force within a member. */
export interface MemberUnknown {
  member: number
  /** The axial force at its start, or the moment on it at one of its ends, counter-clockwise. */
  force: 'N' | 'start' | 'end'
}

/** All equations of equilibrium of a structure under some actions, with their unknowns. */
export interface EquilibriumSystem {
  reactions: Reaction[]
  /** The unknowns after the reactions, in their order. */
  within: MemberUnknown[]
  rows: Row[]
  /** The forces on the ends of all members for values of the unknowns, with the loads or without. */
  endsFor: (values: readonly number[], loaded: boolean) => Float64Array
}

export function systemOf(s: Structure, actions: Actions): EquilibriumSystem {
  const reactions = reactionsOf(s)
  const { ends, within } = endsOf(s, actions, reactions.length)
  const endsFor = (values: readonly number[], loaded: boolean) => {
    const all = new Float64Array(6 * s.members.length)
    ends.forEach(({ fixed, by }, i) => {
      for (let k = 0; k < 6; k++)
        all[6 * i + k] = by.reduce(
          (sum, { unknown, forces }) => (forces[k] === 0 ? sum : sum + forces[k] * values[unknown]),
          loaded ? fixed[k] : 0,
        )
    })
    return all
  }
  const rows = [...jointRows(s, actions, reactions, ends), ...releaseRows(s, ends)]
  return { reactions, within, rows, endsFor }
}

/** Values without the rounding of what should have cancelled. */
export function cleaned(values: readonly number[], rows: readonly Row[]): number[] {
  const size = Math.max(0, ...rows.map((r) => Math.abs(r.right)))
  return values.map((v) => (Math.abs(v) <= ROUNDING * size ? 0 : v))
}

/** Everything that equilibrium gives under some actions; free strains and settlements have no part in it. */
export function equilibriumOf(s: Structure, actions: Actions): Statics {
  const { reactions, within, rows, endsFor } = systemOf(s, actions)
  const { determined, free } = reduce(rows, reactions.length + within.length)
  const values = cleaned(determined, rows)
  return {
    structure: s,
    actions,
    reactions,
    values: values.slice(0, reactions.length),
    ends: endsFor(values, true),
    isDeterminate: free.length === 0,
  }
}
