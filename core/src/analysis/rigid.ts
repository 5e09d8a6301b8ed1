import { listed } from '../structure/listed.js'
import type { SolveError, Structure } from '../structure/types.js'
import type { Actions } from '../structure/actions.js'
import { springs } from './assemble.js'
import type { Dofs } from './dofs.js'
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
   * The order in which axial forces are found: that of a member from the equilibrium of a joint along a degree
   * of freedom, where it is the only unknown (`alone`) or is found together with others.
   */
  from: readonly { member: number; dof: number; alone: boolean }[]
}

/**
 * Axially rigid members as exact constraints: the displacement of the end minus that of the start, both along
 * the member, equals the imposed elongation. Dependent degrees of freedom are eliminated before the solve
 * (D = T·y + d₀, Kₘ = TᵀKT); the axial forces are the Lagrange multipliers of the constraints, found from the
 * equilibrium of the joints afterwards.
 * Source: Weaver & Gere, Matrix Analysis of Framed Structures, ch. 6 (constraints); Przemieniecki §6.
 */
export interface RigidSystem extends Ties {
  matrix: SparseSymmetric
  /**
   * Displacements of all free degrees of freedom from a right-hand side over them, by way of `solve` on the
   * reduced system.
   */
  reduced(residual: Float64Array, solve: (b: Float64Array) => Float64Array): Float64Array
  /** A motion of the reduced unknowns over all free degrees of freedom. */
  expand(y: Float64Array): Float64Array
  /**
   * The constants of the dependent degrees of freedom over all free ones (m, zero at the others), or the error
   * of a change of length that a member held at both ends cannot take.
   * @param D over all degrees of freedom, with the settlements of the supports
   */
  impose(actions: Actions, D: Float64Array): Float64Array | SolveError
  /** Tension in each rigid member from what the joints lack; NaN where equilibrium leaves it open. */
  tensions(lacking: Float64Array): { member: number; N: number }[]
  /**
   * Adds the pull of the tensions to sums over degrees of freedom; NaN reaches the reactions that stay open.
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

type Row = Map<number, number>

interface Expression {
  terms: Row
}

/** Coefficients below this share of the largest of their row are cancellation. */
const CANCELLED = 1e-9

const addTo = (row: Row, key: number, v: number) => row.set(key, (row.get(key) ?? 0) + v)

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
  const all = members.map((i) => {
    const e = elements[i]
    const row: Row = new Map()
    for (let j = 0; j < 6; j++) {
      const c = e.T[18 + j] - e.T[j]
      if (e.dofs[j] >= 0 && Math.abs(c) > 1e-14) addTo(row, e.dofs[j], c)
    }
    return row
  })
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
      for (const r of redundant) {
        let rest = lengths[r]
        let size = sizes[r]
        for (const [d, c] of all[r]) {
          if (d >= dofs.free) continue
          rest -= c * out[d]
          size = Math.max(size, Math.abs(c * out[d]))
        }
        if (Math.abs(rest) > 1e-9 * size) return cannotChange(s.members[members[r]].id)
      }
      return out
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

const cannotChange = (id: string): SolveError => ({
  kind: 'indeterminate',
  message:
    `${id} is axially rigid and held at both ends of its chain, so it cannot take the change of length that ` +
    'is imposed on it.',
  members: [id],
})

/**
 * The right-hand side of each constraint, m: the elongation imposed on the member less what the settlements of
 * its ends take up of it; `sizes` are the largest terms that enter, for weighing a difference.
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

/**
 * Gauss–Jordan elimination on the constraints: each takes the degree of freedom with its largest coefficient
 * as the dependent one.
 */
function eliminate(dofs: Dofs, all: readonly Row[]) {
  const expressions = new Map<number, Expression>()
  const usedBy = new Map<number, Set<number>>()
  const redundant: number[] = []
  const pivots = new Map<number, number>()
  all.forEach((full, r) => {
    const row = substituted(full, dofs.free, expressions)
    let pivot = -1
    let best = CANCELLED
    for (const [d, c] of row) if (Math.abs(c) > best) [pivot, best] = [d, Math.abs(c)]
    if (pivot < 0) {
      redundant.push(r)
      return
    }
    const kp = row.get(pivot)!
    row.delete(pivot)
    const terms: Row = new Map(
      [...row].filter(([, c]) => Math.abs(c) > CANCELLED * best).map(([d, c]) => [d, -c / kp]),
    )
    replaceIn(expressions, usedBy, pivot, terms)
    expressions.set(pivot, { terms })
    pivots.set(r, pivot)
    for (const d of terms.keys()) note(usedBy, d, pivot)
  })
  return { expressions, redundant, pivots }
}

/** A constraint over independent degrees of freedom: known dependent ones replaced, held ones left out. */
function substituted(full: Row, free: number, expressions: ReadonlyMap<number, Expression>): Row {
  const row: Row = new Map()
  for (const [d, c] of full) {
    if (d >= free) continue
    const known = expressions.get(d)
    if (!known) addTo(row, d, c)
    else for (const [k, v] of known.terms) addTo(row, k, c * v)
  }
  return row
}

/** Replaces a degree of freedom that has become dependent in the expressions that use it. */
function replaceIn(
  expressions: ReadonlyMap<number, Expression>,
  usedBy: Map<number, Set<number>>,
  pivot: number,
  terms: Row,
) {
  for (const user of usedBy.get(pivot) ?? []) {
    const e = expressions.get(user)!
    const k = e.terms.get(pivot)
    if (k === undefined) continue
    e.terms.delete(pivot)
    for (const [d, v] of terms) {
      addTo(e.terms, d, k * v)
      if (Math.abs(e.terms.get(d)!) < CANCELLED * Math.abs(k * v)) e.terms.delete(d)
      else note(usedBy, d, user)
    }
  }
}

function note(usedBy: Map<number, Set<number>>, d: number, user: number) {
  const set = usedBy.get(d)
  if (set) set.add(user)
  else usedBy.set(d, new Set([user]))
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
   * Both halves of K are gone through, so each pair comes up twice: its lower place is the one that counts.
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

/**
 * Multipliers from the equilibrium at the eliminated degrees of freedom: joints with one unknown force first,
 * as in the
 * method of joints, then what is left by elimination.
 */
function multiplierSolver(all: Row[], pivots: Map<number, number>) {
  const at = new Map<number, number[]>()
  for (const p of pivots.values()) at.set(p, [])
  for (const r of pivots.keys()) for (const d of all[r].keys()) at.get(d)?.push(r)
  const solved = new Set<number>()
  const done = new Set<number>()
  const steps: { dof: number; row: number }[] = []
  let queue = [...at.keys()]
  while (queue.length) {
    const next: number[] = []
    for (const dof of queue) {
      if (done.has(dof)) continue
      const unknown = at.get(dof)!.filter((r) => !solved.has(r))
      if (unknown.length !== 1) continue
      const [r] = unknown
      solved.add(r)
      done.add(dof)
      steps.push({ dof, row: r })
      for (const d of all[r].keys()) if (at.has(d)) next.push(d)
    }
    queue = next
  }
  const rest = [...pivots.keys()].filter((r) => !solved.has(r))
  const restDofs = [...at.keys()].filter((d) => !done.has(d))
  const together = rest.map((row) => ({
    row,
    dof: restDofs.find((d) => Math.abs(all[row].get(d) ?? 0) > CANCELLED) ?? pivots.get(row)!,
    alone: false,
  }))
  const order = [...steps.map((s) => ({ ...s, alone: true })), ...together]
  const multipliers = (lacking: { readonly [dof: number]: number }): Map<number, number> => {
    const N = new Map<number, number>()
    const known = (dof: number) =>
      at.get(dof)!.reduce((sum, r) => sum + (N.has(r) ? all[r].get(dof)! * N.get(r)! : 0), 0)
    for (const { dof, row } of steps) N.set(row, ((lacking[dof] ?? 0) - known(dof)) / all[row].get(dof)!)
    if (rest.length)
      gauss(
        restDofs.map((d) => rest.map((r) => all[r].get(d) ?? 0)),
        restDofs.map((d) => (lacking[d] ?? 0) - known(d)),
      ).forEach((v, i) => N.set(rest[i], v))
    return N
  }
  /**
   * The dependent degrees of freedom while the independent ones rest. The matrix is that of the multipliers,
   * transposed, so the steps are taken back from the last to the first.
   */
  const constants = (lengths: Float64Array, free: number): Float64Array => {
    const out = new Float64Array(free)
    if (lengths.every((v) => v === 0)) return out
    if (rest.length)
      gauss(
        rest.map((r) => restDofs.map((d) => all[r].get(d) ?? 0)),
        rest.map((r) => lengths[r]),
      ).forEach((v, i) => (out[restDofs[i]] = v))
    for (const { dof, row } of [...steps].reverse()) {
      let left = lengths[row]
      for (const [d, c] of all[row]) if (d !== dof && at.has(d)) left -= c * out[d]
      out[dof] = left / all[row].get(dof)!
    }
    return out
  }
  return { multipliers, constants, order }
}

/** Solves a small dense system by elimination with row exchange. */
function gauss(A: number[][], b: number[]): number[] {
  const n = b.length
  for (let c = 0; c < n; c++) {
    let p = c
    for (let i = c + 1; i < n; i++) if (Math.abs(A[i][c]) > Math.abs(A[p][c])) p = i
    ;[A[c], A[p]] = [A[p], A[c]]
    ;[b[c], b[p]] = [b[p], b[c]]
    for (let i = c + 1; i < n; i++) {
      const k = A[i][c] / A[c][c]
      if (k === 0) continue
      for (let j = c; j < n; j++) A[i][j] -= k * A[c][j]
      b[i] -= k * b[c]
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) b[i] -= A[i][j] * b[j]
    b[i] /= A[i][i]
  }
  return b
}

/** Members and reactions that a self-equilibrated set of tensions can change at will. */
function leftOpen(
  all: Row[],
  members: number[],
  redundant: number[],
  multipliers: ReturnType<typeof multiplierSolver>['multipliers'],
  dofs: Dofs,
) {
  const openMembers = new Set<number>()
  const openDofs = new Set<number>()
  for (const r of redundant) {
    const set = multipliers(Object.fromEntries(all[r]))
    const state = new Map([[r, 1]])
    for (const [i, v] of set) if (Math.abs(v) > CANCELLED) state.set(i, -v)
    const reaction: Row = new Map()
    for (const [i, v] of state) {
      openMembers.add(members[i])
      for (const [d, c] of all[i]) if (d >= dofs.free) addTo(reaction, d, c * v)
    }
    for (const [d, v] of reaction) if (Math.abs(v) > CANCELLED) openDofs.add(d)
  }
  return { openMembers: [...openMembers].sort((a, b) => a - b), openDofs: [...openDofs] }
}

/** A notice that names the members whose axial force stays open. */
export const openNotice = (s: Structure, open: readonly number[]): string | undefined =>
  open.length
    ? `Equilibrium leaves the axial force of ${listed(open.map((i) => s.members[i].id))} ` +
      'undetermined: rigid members held at both ends.'
    : undefined
