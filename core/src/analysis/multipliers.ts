import type { Dofs } from './dofs.js'
import { addTo, CANCELLED, type Row } from './rigid-elimination.js'

/**
 * Multipliers from the equilibrium at the eliminated degrees of freedom: joints with one unknown force first,
 * as in the method of joints, then what is left by elimination.
 */
export function multiplierSolver(all: Row[], pivots: Map<number, number>) {
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
   * The displacements of the dependent degrees of freedom while the independent ones are zero. The matrix is
   * that of the multipliers, transposed, so the steps are taken back from the last to the first.
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
export function leftOpen(
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
