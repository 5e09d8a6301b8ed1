import { apply } from '../analysis/assemble.js'
import type { Solved } from '../analysis/solve.js'
import { nullSpace } from './null-space.js'

/**
 * A change of a state of loading that keeps some of its equations: over degrees of freedom and member ends as
 * in the state itself, SI.
 */
export interface Change {
  D: Float64Array
  ends: Float64Array
  forces: Float64Array
  reactions: Float64Array
}

const nothing = ({ solution: { dofs, structure: s } }: Solved): Change => ({
  D: new Float64Array(dofs.list.length),
  ends: new Float64Array(6 * s.members.length),
  forces: new Float64Array(6 * s.members.length),
  reactions: new Float64Array(dofs.list.length),
})

/** Stiffness of a spring support at a degree of freedom, or whether it is held, or neither. */
function holdsAt({ solution: { dofs } }: Solved): (number | boolean)[] {
  return dofs.list.map((d) => dofs.supportAt.get(d.node)?.hold[d.component] ?? false)
}

/**
 * One displacement is another one, and all end forces and reactions follow from it by the members' equations.
 * One change for each free degree of freedom, by 1 m or 1 rad; none where rigid members tie them.
 */
export function byDisplacement(solved: Solved): Change[] {
  const { dofs, elements, rigid } = solved.solution
  if (rigid) return []
  const holds = holdsAt(solved)
  const sums = new Float64Array(6)
  return dofs.list.slice(0, dofs.free).map((_, d) => {
    const out = nothing(solved)
    out.D[d] = 1
    elements.forEach((e, i) => {
      if (!e.dofs.includes(d)) return
      const u = Float64Array.from(e.dofs, (o) => (o === d ? 1 : 0))
      const own = new Float64Array(6)
      apply(e.T, u, false, own)
      const q = new Float64Array(6)
      for (let r = 0; r < 6; r++) for (let c = 0; c < 6; c++) q[r] += e.k[6 * r + c] * own[c]
      out.ends.set(own, 6 * i)
      out.forces.set(q, 6 * i)
      apply(e.T, q, true, sums)
      e.dofs.forEach((o, j) => {
        if (o >= 0 && holds[o] === true) out.reactions[o] += sums[j]
      })
    })
    const spring = holds[d]
    if (typeof spring === 'number') out.reactions[d] = -spring
    return out
  })
}

/** The forces that equilibrium speaks of: axial force and end moments of members, and reactions. */
interface Unknown {
  /** End forces of the member for the value 1. */
  forces?: { member: number; q: readonly number[] }
  /** The reaction by degree of freedom. */
  reaction?: number
}

/** The forces and reactions of a structure that are not zero by a hinge. */
function unknownsOf({ solution: { structure: s, dofs } }: Solved): Unknown[] {
  const out: Unknown[] = []
  s.members.forEach((m, member) => {
    const add = (...q: number[]) => out.push({ forces: { member, q } })
    if (m.releases[0] !== true && m.releases[3] !== true) add(-1, 0, 0, 1, 0, 0)
    if (m.bar) return
    const v = 1 / m.length
    if (m.releases[2] !== true) add(0, v, 1, 0, -v, 0)
    if (m.releases[5] !== true) add(0, v, 0, 0, -v, 1)
  })
  dofs.list.forEach((d, i) => {
    const hold = dofs.supportAt.get(d.node)?.hold[d.component]
    if (hold !== undefined && hold !== false) out.push({ reaction: i })
  })
  return out
}

/** The changes of forces that equilibrium leaves, with one equation of it left out or none. */
export interface EquilibriumChanges {
  /** The number of forces and reactions. */
  count: number
  /**
   * Changes as amounts of each of the forces and reactions.
   * @param without the degree of freedom whose equation is left out
   * @param kept rows of further conditions, over the forces and reactions, that the changes must fulfil
   */
  space(without: number | undefined, kept?: readonly (readonly number[])[]): Float64Array[]
  /** The change of a state by these amounts. */
  change(amounts: Float64Array): Change
  /** Rows that keep each end moment of the members as it is, by member and end. */
  momentRows: { member: number; end: 0 | 1; row: number[] }[]
}

/** The changes of end forces and reactions that are in equilibrium by themselves. */
export function byEquilibrium(solved: Solved): EquilibriumChanges {
  const { dofs, elements } = solved.solution
  const unknowns = unknownsOf(solved)
  const n = unknowns.length
  const equations = dofs.list.map(() => new Float64Array(n))
  const sums = new Float64Array(6)
  unknowns.forEach(({ forces, reaction }, u) => {
    if (reaction !== undefined) equations[reaction][u] = -1
    if (!forces) return
    const e = elements[forces.member]
    apply(e.T, Float64Array.from(forces.q), true, sums)
    e.dofs.forEach((d, j) => {
      if (d >= 0) equations[d][u] += sums[j]
    })
  })
  const change = (x: Float64Array): Change => {
    const out = nothing(solved)
    unknowns.forEach(({ forces, reaction }, u) => {
      if (reaction !== undefined) out.reactions[reaction] += x[u]
      forces?.q.forEach((v, j) => (out.forces[6 * forces.member + j] += x[u] * v))
    })
    return out
  }
  const momentRows = unknowns.flatMap(({ forces }, u): EquilibriumChanges['momentRows'] => {
    if (!forces || (forces.q[2] === 0 && forces.q[5] === 0)) return []
    const row = new Array<number>(n).fill(0)
    row[u] = 1
    return [{ member: forces.member, end: forces.q[2] !== 0 ? 0 : 1, row }]
  })
  return {
    count: n,
    momentRows,
    change,
    space: (without, kept = []) => nullSpace([...equations.filter((_, d) => d !== without), ...kept], n),
  }
}
