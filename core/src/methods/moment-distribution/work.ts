import { solveDense } from '../dense.js'
import type { RigidFrame } from '../frames/model.js'
import { distribute, distributionJoints, type Distribution, type DistributionJoint } from './distribute.js'

/** A sway of 1 m times `scale`, distributed by itself. */
export interface SwayCase {
  scale: number
  /** −6EIψ/L of each end (−3EIψ/L modified). */
  distribution: Distribution
  /** Times it is added to the case held against sway. */
  factor: number
}

/** A frame worked out by moment distribution. */
export interface Distributed {
  joints: DistributionJoint[]
  /** The loads, with the joints held against sway. */
  held: Distribution
  sways: SwayCase[]
  /** Work of each sway with the loads and end moments of the held case, N·m for 1 m. */
  holding: number[]
  /** The same of each sway (row) with the end moments of each sway case (column). */
  resisting: number[][]
  /** The end moments in the end, by beam. */
  moments: [number, number][]
}

/** The largest fixed-end moment of a sway case, N·m, is this: any will do. */
const ASSUMED = 100_000

/** Fixed-end moments of chord rotations, by end. */
const ofChords = (f: RigidFrame, chords: ArrayLike<number>, scale = 1): Float64Array =>
  Float64Array.from({ length: 2 * f.beams.length }, (_, k) => {
    const b = f.beams[k >> 1]
    const [near, far] = b.stiffness[k & 1]
    return 0 - (near + far) * chords[b.member] * scale
  })

/** Fixed-end moments of the loads, of settlements and of prescribed turns of supports, by end. */
function heldMoments(f: RigidFrame): Float64Array {
  const out = ofChords(f, f.given)
  return out.map((v, k) => {
    const b = f.beams[k >> 1]
    const turned = b.nodes.reduce((t, n, j) => t + b.stiffness[k & 1][j] * (f.held.get(n) ?? 0), 0)
    return v + b.fixed[k & 1] + turned
  })
}

/** The work of end moments with the chord rotations of a sway. */
const workOf = (f: RigidFrame, total: Float64Array, chords: Float64Array): number =>
  f.beams.reduce((t, b, i) => t + (total[2 * i] + total[2 * i + 1]) * chords[b.member], 0)

/** Distributes the loads and each sway; undefined where the sways are not determined. */
export function distributed(f: RigidFrame): Distributed | undefined {
  const joints = distributionJoints(f)
  const couples = joints.map((j) => f.couples[j.node])
  const none = joints.map(() => 0)
  const held = distribute(f, joints, heldMoments(f), couples)
  const sways = f.sways.map(({ chords }): SwayCase => {
    const plain = ofChords(f, chords)
    const scale = ASSUMED / Math.max(1e-30, ...plain.map(Math.abs))
    return { scale, distribution: distribute(f, joints, ofChords(f, chords, scale), none), factor: 0 }
  })
  const holding = f.sways.map((s, t) => workOf(f, held.total, s.chords) + f.work[t])
  const resisting = f.sways.map((s, t) =>
    sways.map((c, u) => workOf(f, c.distribution.total, s.chords) - f.springWork[t][u] * c.scale),
  )
  const factors = solveDense(
    resisting,
    holding.map((v) => -v),
  )
  if (!factors) return undefined
  sways.forEach((c, t) => (c.factor = factors[t]))
  const end = (k: number) => sways.reduce((t, c) => t + c.factor * c.distribution.total[k], held.total[k])
  const moments = f.beams.map((_, i): [number, number] => [end(2 * i), end(2 * i + 1)])
  return { joints, held, sways, holding, resisting, moments }
}
