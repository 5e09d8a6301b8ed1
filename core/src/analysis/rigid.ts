import { listed } from '../structure/listed.js'
import type { SolveError, Structure } from '../structure/types.js'
import type { Actions } from '../structure/actions.js'
import { springs } from './assemble.js'
import type { Dofs } from './dofs.js'
import { leftOpen, multiplierSolver } from './multipliers.js'
import { addTo, eliminate, type Row } from './rigid-elimination.js'
import { add, sparse, type SparseSymmetric } from './sparse.js'

/** Which degrees of freedom depend on which through axially rigid members. */
export interface Ties {
  /**
   * The dependent free degrees of freedom. Each is a linear combination of the independent ones (`terms`:
   * independent degree of freedom → factor) plus a constant that comes from imposed elongations and
   * settlements (`State.imposed`).
   */
  ties: ReadonlyMap<number, { readonly terms: ReadonlyMap<number, number> }>
  /**
   * The order in which axial forces are found: that of a member from the equilibrium of a joint along a
   * degree of freedom, where it is the only unknown (`alone`) or is found together with others.
   */
  from: readonly { member: number; dof: number; alone: boolean }[]
}

/**
 * Axially rigid members as exact constraints: the displacement of the end minus that of the start, both along
 * the member, equals the imposed elongation. Dependent degrees of freedom are eliminated before the solve (D
 * = T·y + d₀, Kₘ = TᵀKT); the axial forces are the Lagrange multipliers of the constraints, found from the
 * equilibrium of the joints afterwards. Source: Weaver & Gere, Matrix Analysis of Framed Structures, ch. 6
 * (constraints); Przemieniecki §6.
 */
export interface RigidSystem extends Ties {
  matrix: SparseSymmetric
  /**
   * Displacements of all free degrees of freedom for a right-hand side over them. `solve` solves the reduced
   * system.
   */
  reduced(residual: Float64Array, solve: (b: Float64Array) => Float64Array): Float64Array
  /** A motion of the reduced unknowns over all free degrees of freedom. */
  expand(y: Float64Array): Float64Array
  /**
   * The constants of the dependent degrees of freedom over all free ones (m, zero at the others), or the
   * error of a change of length that a member held at both ends cannot take.
   * @param D over all degrees of freedom, with the settlements of the supports
   */
  impose(actions: Actions, D: Float64Array): Float64Array | SolveError
  /**
   * Tension in each rigid member (N) from the unbalanced forces at the joints. NaN where equilibrium does not
   * determine it.
   */
  tensions(lacking: Float64Array): { member: number; N: number }[]
  /**
   * Adds the forces of the tensions to sums by degree of freedom. An undetermined tension (NaN) makes the
   * reactions that depend on it NaN as well.
   */
  pull(tensions: readonly { member: number; N: number }[], sums: Float64Array): void
  /** Members whose axial force equilibrium leaves undetermined. */
  open: number[]
}

interface ElementView {
  global: Float64Array
  dofs: number[]
  T: Float64Array
}

/** The constraint system of a structure with axially rigid members; undefined without such members. */
export function rigidSystem(
  s: Structure,
  dofs: Dofs,
  elements: readonly ElementView[],
): RigidSystem | undefined {
  const members = s.members.flatMap((m, i) =>
    m.axiallyRigid && m.releases[0] === false && m.releases[3] === false ? [i] : [],
  )
  if (members.length === 0) return undefined
  const all = members.map((i) => constraintOf(elements[i]))
  const { expressions, redundant, pivots } = eliminate(dofs, all)
  const independent = Array.from({ length: dofs.free }, (_, d) => d).filter((d) => !expressions.has(d))
  const index = new Map(independent.map((d, i) => [d, i]))
  const share: [number, number][][] = Array.from({ length: dofs.free }, (_, d) => {
    const e = expressions.get(d)
    return e ? [...e.terms].map(([k, v]): [number, number] => [index.get(k)!, v]) : [[index.get(d)!, 1]]
  })
  const matrix = assemble(dofs, elements, share, independent.length)
  const { multipliers, constants, order } = multiplierSolver(all, pivots)
  const { openMembers, openDofs } = leftOpen(all, members, redundant, multipliers, dofs)

  const expand = (y: Float64Array) => {
    const out = new Float64Array(dofs.free)
    share.forEach((terms, d) => terms.forEach(([i, k]) => (out[d] += k * y[i])))
    return out
  }

  return {
    matrix,
    expand,
    open: openMembers,
    ties: expressions,
    from: order.map(({ row, dof, alone }) => ({ member: members[row], dof, alone })),
    reduced(residual, solve) {
      const b = new Float64Array(independent.length)
      share.forEach((terms, d) => terms.forEach(([i, k]) => (b[i] += k * residual[d])))
      return expand(solve(b))
    },
    impose(actions, D) {
      const { lengths, sizes } = imposedLengths(s, dofs, members, all, actions, D)
      const out = constants(lengths, dofs.free)
      const broken = redundant.find((r) => !isMet(all[r], out, lengths[r], sizes[r]))
      return broken === undefined ? out : cannotChange(s.members[members[broken]].id)
    },
    tensions(lacking) {
      const N = multipliers(lacking)
      return members.map((member, i) => ({ member, N: openMembers.includes(member) ? NaN : (N.get(i) ?? 0) }))
    },
    pull(tensions, sums) {
      const open = new Set(openMembers)
      tensions.forEach(({ member, N }, i) => {
        if (!open.has(member)) for (const [d, c] of all[i]) sums[d] += c * N
      })
      for (const d of openDofs) sums[d] = NaN
    },
  }
}

/** The constraint row of an axially rigid member: both ends have the same displacement along it. */
function constraintOf(e: ElementView): Row {
  const row: Row = new Map()
  for (let j = 0; j < 6; j++) {
    const c = e.T[18 + j] - e.T[j]
    if (e.dofs[j] >= 0 && Math.abs(c) > 1e-14) addTo(row, e.dofs[j], c)
  }
  return row
}

/** Whether displacements of the free unknowns satisfy a constraint, to rounding against its terms. */
function isMet(row: Row, free: Float64Array, length: number, termSize: number): boolean {
  let rest = length
  let size = termSize
  for (const [d, c] of row) {
    if (d >= free.length) continue
    rest -= c * free[d]
    size = Math.max(size, Math.abs(c * free[d]))
  }
  return !(Math.abs(rest) > 1e-9 * size)
}

const cannotChange = (id: string): SolveError => ({
  kind: 'indeterminate',
  message:
    `${id} is axially rigid and held at both ends of its chain, so it cannot take the change of length ` +
    'that ' +
    'is imposed on it.',
  members: [id],
})

/**
 * The right-hand side of each constraint, m: the elongation imposed on the member less what the settlements
 * of its ends take up of it; `sizes` are the largest terms that enter, for weighing a difference.
 */
function imposedLengths(
  s: Structure,
  dofs: Dofs,
  members: readonly number[],
  all: readonly Row[],
  actions: Actions,
  D: Float64Array,
) {
  const lengths = new Float64Array(members.length)
  const sizes = new Float64Array(members.length)
  all.forEach((row, r) => {
    const elongation = (actions.members.get(members[r])?.axialStrain ?? 0) * s.members[members[r]].length
    lengths[r] = elongation
    sizes[r] = Math.abs(elongation)
    for (const [d, c] of row) {
      if (d < dofs.free) continue
      lengths[r] -= c * D[d]
      sizes[r] = Math.max(sizes[r], Math.abs(c * D[d]))
    }
  })
  return { lengths, sizes }
}

/** TᵀKT over the independent unknowns. */
function assemble(
  dofs: Dofs,
  elements: readonly ElementView[],
  share: [number, number][][],
  n: number,
): SparseSymmetric {
  const K = sparse(n, 21 * elements.length + n)
  /**
   * Both triangles of K are visited, so each pair of unknowns occurs twice. Only the entry in the lower
   * triangle is added.
   */
  const spread = (di: number, dj: number, v: number) => {
    for (const [i, ki] of share[di]) for (const [j, kj] of share[dj]) if (j <= i) add(K, i, j, ki * v * kj)
  }
  for (const { global, dofs: at } of elements)
    for (let a = 0; a < 6; a++) {
      if (at[a] < 0 || at[a] >= dofs.free) continue
      for (let b = 0; b < 6; b++) {
        const v = global[6 * a + b]
        if (v !== 0 && at[b] >= 0 && at[b] < dofs.free) spread(at[a], at[b], v)
      }
    }
  for (const { dof, k } of springs(dofs)) if (dof < dofs.free) spread(dof, dof, k)
  return K
}

/** A notice that names the members whose axial force equilibrium does not determine. */
export const openNotice = (s: Structure, open: readonly number[]): string | undefined =>
  open.length
    ? `Equilibrium leaves the axial force of ${listed(open.map((i) => s.members[i].id))} ` +
      'undetermined: rigid members held at both ends.'
    : undefined
