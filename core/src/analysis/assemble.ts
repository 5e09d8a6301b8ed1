import type { Structure } from '../structure/types.js'
import { COMPONENTS, type Dofs } from './dofs.js'
import { single } from './slab.js'
import { add, sparse, type SparseSymmetric } from './sparse.js'
import { cancelled } from './true-zero.js'

/** The six degrees of freedom of a member, start then end; −1 where there is none. */
export function memberDofs(s: Structure, { of }: Dofs, member: number): number[] {
  const a = 3 * s.members[member].start
  const b = 3 * s.members[member].end
  return [of[a], of[a + 1], of[a + 2], of[b], of[b + 1], of[b + 2]]
}

/**
 * Transformation of a member, 6 × 6: node displacements, in the nodes' own axes, to member axes: d = T·D.
 * Where a support is turned, the node's axes are the support's.
 */
export function transformation(s: Structure, dofs: Dofs, member: number, take = single): Float64Array {
  const m = s.members[member]
  const T = take(36)
  for (const [block, node] of [
    [0, m.start],
    [3, m.end],
  ] as const) {
    const turn = dofs.angle[node]
    const [c, n] = turn === 0 ? [m.cos, m.sin] : turnedBack(m, turn)
    T[6 * block + block] = c
    T[6 * block + block + 1] = n
    T[6 * (block + 1) + block] = -n
    T[6 * (block + 1) + block + 1] = c
    T[6 * (block + 2) + block + 2] = 1
  }
  return T
}

/**
 * The direction of a member in axes turned by an angle; a support that slides along the member or across it
 * does so exactly, else a rounding error would hold what nothing holds.
 */
function turnedBack({ cos, sin }: { cos: number; sin: number }, turn: number): [cos: number, sin: number] {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const sum = (a: number, b: number) => cancelled(a + b, Math.abs(a) + Math.abs(b))
  return [sum(cos * c, sin * s), sum(sin * c, -cos * s)]
}

/**
 * Scratch space for the product k·T, reused for every member so that large structures do not allocate per
 * member.
 */
const scratch = new Float64Array(36)

/**
 * The stiffness Tᵀ·k·T of a member in the axes of its nodes, 36 numbers row by row, made exactly symmetric.
 */
export function globalStiffness(k: Float64Array, T: Float64Array, take = single): Float64Array {
  const kT = scratch
  const out = take(36)
  for (let i = 0; i < 6; i++)
    for (let j = 0; j < 6; j++) {
      const b = j < 3 ? 0 : 3 // T is two 3 × 3 blocks
      kT[6 * i + j] =
        k[6 * i + b] * T[6 * b + j] +
        k[6 * i + b + 1] * T[6 * (b + 1) + j] +
        k[6 * i + b + 2] * T[6 * (b + 2) + j]
    }
  for (let i = 0; i < 6; i++)
    for (let j = 0; j <= i; j++) {
      const b = i < 3 ? 0 : 3
      out[6 * i + j] = out[6 * j + i] =
        T[6 * b + i] * kT[6 * b + j] +
        T[6 * (b + 1) + i] * kT[6 * (b + 1) + j] +
        T[6 * (b + 2) + i] * kT[6 * (b + 2) + j]
    }
  return out
}

/**
 * Multiplies six end displacements or forces by T, or by its transpose. T has one 3 × 3 block for each end.
 * The result is written to `out` and returned.
 */
export function apply(
  T: Float64Array,
  v: ArrayLike<number>,
  transposed = false,
  out = new Float64Array(6),
): Float64Array {
  const [right, down] = transposed ? [6, 1] : [1, 6]
  for (let end = 0; end < 6; end += 3) {
    const [a, b, c] = [v[end], v[end + 1], v[end + 2]]
    for (let i = end, at = 7 * end; i < end + 3; i++, at += down)
      out[i] = T[at] * a + T[at + right] * b + T[at + 2 * right] * c
  }
  return out
}

/** Stiffnesses of the support springs, by degree of freedom. */
export function springs(dofs: Dofs): { dof: number; k: number }[] {
  const out: { dof: number; k: number }[] = []
  for (const [node, support] of dofs.supportAt)
    COMPONENTS.forEach((c, i) => {
      const k = support.hold[c]
      if (typeof k === 'number' && dofs.of[3 * node + i] >= 0) out.push({ dof: dofs.of[3 * node + i], k })
    })
  return out
}

/** K_ff, the stiffness of the free degrees of freedom as numbered; those of a joint share a site. */
export function assembleFree(
  s: Structure,
  dofs: Dofs,
  elements: readonly { global: Float64Array; dofs: number[] }[],
): SparseSymmetric {
  const site = Int32Array.from({ length: dofs.free }, (_, d) => dofs.list[d].node)
  const K = sparse(dofs.free, 21 * elements.length + dofs.free, site, s.nodes.length)
  for (const { global, dofs: at } of elements)
    for (let i = 0; i < 6; i++) {
      if (at[i] < 0 || at[i] >= dofs.free) continue
      for (let j = 0; j <= i; j++) {
        const v = global[6 * i + j]
        if (v !== 0 && at[j] >= 0 && at[j] < dofs.free) add(K, at[i], at[j], v)
      }
    }
  for (const { dof, k } of springs(dofs)) if (dof < dofs.free) add(K, dof, dof, k)
  return K
}

/**
 * The rows of the whole stiffness matrix K in the order of the degrees of freedom. Each row maps a column to
 * its entry and holds only the columns that a member or a spring reaches.
 */
export function stiffnessRows(
  dofs: Dofs,
  elements: readonly { global: Float64Array; dofs: number[] }[],
): Map<number, number>[] {
  const rows = dofs.list.map(() => new Map<number, number>())
  for (const e of elements)
    e.dofs.forEach((di, i) => {
      if (di < 0) return
      const row = rows[di]
      e.dofs.forEach((dj, j) => {
        if (dj >= 0) row.set(dj, (row.get(dj) ?? 0) + e.global[6 * i + j])
      })
    })
  for (const { dof, k } of springs(dofs)) rows[dof].set(dof, (rows[dof].get(dof) ?? 0) + k)
  return rows
}

/**
 * The whole stiffness matrix K in the order of the degrees of freedom, row by row. It is dense because it is
 * made to be shown.
 */
export function wholeStiffness(
  dofs: Dofs,
  elements: readonly { global: Float64Array; dofs: number[] }[],
): Float64Array[] {
  const K = dofs.list.map(() => new Float64Array(dofs.list.length))
  for (const e of elements)
    e.dofs.forEach((di, i) => {
      if (di < 0) return
      e.dofs.forEach((dj, j) => {
        if (dj >= 0) K[di][dj] += e.global[6 * i + j]
      })
    })
  for (const { dof, k } of springs(dofs)) K[dof][dof] += k
  return K
}
