import { solveDense } from '../dense.js'
import type { Beam, RigidFrame } from './model.js'

/**
 * The equations of slope–deflection: joints in order, then sways; their unknowns are rotations, then sways.
 */
export interface FrameEquations {
  rows: number[][]
  right: number[]
}

/** Rotations of the joints by joint, rad, and the free sways in their order, m. */
export interface Moved {
  rotation: Map<number, number>
  sway: number[]
}

/** A moment at a member's end as a constant and factors on the unknowns. */
export interface EndMoment {
  constant: number
  factors: number[]
}

/** The moment at an end of a beam, in the unknowns of the frame. */
export function endMoment(f: RigidFrame, b: Beam, e: 0 | 1): EndMoment {
  const factors = new Array<number>(f.joints.length + f.sways.length).fill(0)
  let constant = b.fixed[e]
  const k = b.stiffness[e]
  b.nodes.forEach((node, j) => {
    const at = f.joints.indexOf(node)
    // an end of known moment has no stiffness, and its rotation is asked by nobody
    if (k[j] === 0) return
    if (at >= 0) factors[at] += k[j]
    else constant += k[j] * (f.held.get(node) ?? 0)
  })
  const turned = k[0] + k[1]
  constant -= turned * f.given[b.member]
  f.sways.forEach((s, t) => (factors[f.joints.length + t] -= turned * s.chords[b.member]))
  return { constant, factors }
}

/** Equilibrium of each joint against turning, then of each sway by virtual work. */
export function frameEquations(f: RigidFrame): FrameEquations {
  const n = f.joints.length + f.sways.length
  const rows = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const right = new Array<number>(n).fill(0)
  const add = (row: number, m: EndMoment, weight: number) => {
    m.factors.forEach((v, j) => (rows[row][j] += weight * v))
    right[row] -= weight * m.constant
  }
  f.joints.forEach((node, i) => {
    right[i] += f.couples[node]
    rows[i][i] += f.springs.get(node) ?? 0
  })
  for (const b of f.beams)
    for (const e of [0, 1] as const) {
      const m = endMoment(f, b, e)
      const at = f.joints.indexOf(b.nodes[e])
      if (at >= 0 && b.ends[e].known === undefined) add(at, m, 1)
      f.sways.forEach((s, t) => {
        const psi = s.chords[b.member]
        if (psi !== 0) add(f.joints.length + t, m, psi)
      })
    }
  f.sways.forEach((_, t) => {
    const row = f.joints.length + t
    right[row] -= f.work[t]
    f.springWork[t].forEach((v, u) => (rows[row][f.joints.length + u] -= v))
  })
  return { rows, right }
}

/** Rotations and sways that fulfil the equations; undefined where they do not determine them. */
export function movedOf(f: RigidFrame): Moved | undefined {
  const { rows, right } = frameEquations(f)
  const found = solveDense(scaled(rows), scaledRight(rows, right))
  if (!found) return undefined
  return {
    rotation: new Map(f.joints.map((node, i) => [node, found[i]])),
    sway: found.slice(f.joints.length),
  }
}

const most = (row: readonly number[]) => Math.max(...row.map(Math.abs)) || 1
const scaled = (rows: readonly number[][]) => rows.map((r) => r.map((v) => v / most(r)))
const scaledRight = (rows: readonly number[][], right: readonly number[]) =>
  right.map((v, i) => v / most(rows[i]))

/** Moments on both ends of every beam, by beam. */
export function momentsOf(f: RigidFrame, moved: Moved): [number, number][] {
  const values = [...f.joints.map((n) => moved.rotation.get(n)!), ...moved.sway]
  return f.beams.map((b) => {
    const at = (e: 0 | 1) => {
      const m = endMoment(f, b, e)
      return m.factors.reduce((t, v, j) => t + v * values[j], m.constant)
    }
    return [at(0), at(1)]
  })
}
