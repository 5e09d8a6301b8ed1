import type { RigidFrame } from '../frames/model.js'

/** The end of a beam, by the place of the beam in the frame: `2 · beam + end`. */
export type EndIndex = number

/** A joint with the ends that turn with it, and its share of what is out of balance for each. */
export interface DistributionJoint {
  node: number
  ends: EndIndex[]
  factors: number[]
  /** The share of a rotational spring of its support. */
  spring: number
}

/** One round: all joints balanced at once, then half of it carried over. */
export interface Round {
  /** What is out of balance at each joint, N·m. */
  out: number[]
  balanced: Float64Array
  carried: Float64Array
}

/** The distribution of one set of fixed-end moments. */
export interface Distribution {
  fixed: Float64Array
  rounds: Round[]
  total: Float64Array
}

/** The joints that are balanced, in the order of the frame. */
export function distributionJoints(f: RigidFrame): DistributionJoint[] {
  return f.joints.map((node) => {
    const ends = f.beams.flatMap((b, i) =>
      ([0, 1] as const)
        .filter((e) => b.nodes[e] === node && b.ends[e].known === undefined)
        .map((e): EndIndex => 2 * i + e),
    )
    const own = ends.map((k) => f.beams[k >> 1].stiffness[k & 1][k & 1])
    const spring = f.springs.get(node) ?? 0
    const sum = own.reduce((t, v) => t + v, spring)
    return { node, ends, factors: own.map((v) => v / sum), spring: spring / sum }
  })
}

/**
 * The part of a moment at an end that arrives at the far end: 1/2; 0 where the far end has a known moment.
 */
export function carryOver(f: RigidFrame, end: EndIndex): number {
  const k = f.beams[end >> 1].stiffness
  const [e, far] = [end & 1, 1 - (end & 1)]
  return k[e][e] === 0 ? 0 : k[far][e] / k[e][e]
}

/** Rounds end where what is carried over is below this part of the largest moment. */
const DONE = 1e-15
const MOST_ROUNDS = 2000

/**
 * Balances the joints, all at once in each round, until nothing is left to carry over.
 * @param couples on the joints, N·m, in the order of the joints
 */
export function distribute(
  f: RigidFrame,
  joints: readonly DistributionJoint[],
  fixed: Float64Array,
  couples: readonly number[],
): Distribution {
  const total = Float64Array.from(fixed)
  const rounds: Round[] = []
  const most = Math.max(1e-30, ...fixed.map(Math.abs), ...couples.map(Math.abs))
  let out = joints.map((j, i) => couples[i] - j.ends.reduce((t, k) => t + fixed[k], 0))
  while (rounds.length < MOST_ROUNDS && out.some((v) => Math.abs(v) > DONE * most)) {
    const balanced = new Float64Array(total.length)
    const carried = new Float64Array(total.length)
    joints.forEach((j, i) => j.ends.forEach((k, n) => (balanced[k] = j.factors[n] * out[i])))
    balanced.forEach((v, k) => {
      if (v !== 0) carried[k ^ 1] += carryOver(f, k) * v
    })
    for (let k = 0; k < total.length; k++) total[k] += balanced[k] + carried[k]
    rounds.push({ out, balanced, carried })
    out = joints.map((j) => -j.ends.reduce((t, k) => t + carried[k], 0))
  }
  return { fixed, rounds, total }
}
