import type { Chain, Four, Jump, Link } from './chain.js'

/** k·d for a 4 × 4 matrix. */
const times = (k: Float64Array, d: readonly number[]): number[] =>
  [0, 1, 2, 3].map((i) => k[4 * i] * d[0] + k[4 * i + 1] * d[1] + k[4 * i + 2] * d[2] + k[4 * i + 3] * d[3])

/** What an inner place is, from the start of the member and the next place: u = −(A·u₀ + B·u₊ + r). */
interface Inner {
  A: [number, number, number, number]
  B: [number, number, number, number]
  r: [number, number]
}

/**
 * The chain of some pieces, its inner places eliminated from the start to the end.
 * @param jumps what stands at each place, the ends included
 */
export function eliminated(links: Link[], jumps: Jump[]): Chain {
  let k = Float64Array.from(links[0].k)
  let f = startForces(links[0], jumps[0])
  const inner: Inner[] = []
  let negative = 0
  let logDeterminant = 0
  for (let i = 1; i < links.length; i++) {
    const next = links[i]
    const joint = jumps[i]
    const g = withJump(next, joint)
    const S = [k[10] + next.k[0], k[11] + next.k[1], k[15] + next.k[5]] as const
    const r = [f[2] + g[0] - joint.V, f[3] + g[1] - joint.m]
    const d2 = S[2] - (S[1] * S[1]) / S[0]
    const det = S[0] * d2
    negative += Number(S[0] < 0) + Number(d2 < 0)
    logDeterminant += Math.log(Math.abs(det))
    const inverse = (a: number, b: number): [number, number] => [
      (S[2] * a - S[1] * b) / det,
      (S[0] * b - S[1] * a) / det,
    ]
    const a0 = inverse(k[8], k[12])
    const a1 = inverse(k[9], k[13])
    const b0 = inverse(next.k[2], next.k[6])
    const b1 = inverse(next.k[3], next.k[7])
    const u = inverse(r[0], r[1])
    inner.push({ A: [a0[0], a1[0], a0[1], a1[1]], B: [b0[0], b1[0], b0[1], b1[1]], r: u })
    ;({ k, f } = condensed(k, f, next, g, { a0, a1, b0, b1, u }))
  }
  const last = jumps[jumps.length - 1]
  // the end of the member is right of what stands there
  const g = times(k, [0, 0, last.v, last.slope])
  const held = Float64Array.from(f, (v, i) => v - g[i])
  held[2] -= last.V
  held[3] -= last.m
  return {
    links,
    jumps,
    k,
    f: held,
    negative,
    logDeterminant,
    places: (ends) => recovered(inner, last, ends),
  }
}

/** The end forces of the first piece, seen from outside of what stands at the start. */
function startForces(first: Link, jump: Jump): Four {
  const g = withJump(first, jump)
  g[0] -= jump.V
  g[1] -= jump.m
  return g
}

/** The held forces of a piece whose start stands off its place by a jump. */
function withJump(next: Link, { v, slope }: Jump): Four {
  if (v === 0 && slope === 0) return Float64Array.from(next.f)
  const g = times(next.k, [v, slope, 0, 0])
  return Float64Array.from(next.f, (x, i) => x + g[i])
}

type Pair = [number, number]

function condensed(
  k: Float64Array,
  f: Four,
  next: Link,
  g: Four,
  { a0, a1, b0, b1, u }: { a0: Pair; a1: Pair; b0: Pair; b1: Pair; u: Pair },
) {
  const out = new Float64Array(16)
  const put = (i: number, j: number, v: number) => (out[4 * i + j] = out[4 * j + i] = v)
  const left = (i: number, w: Pair) => k[4 * i + 2] * w[0] + k[4 * i + 3] * w[1]
  const right = (i: number, w: Pair) => next.k[4 * i] * w[0] + next.k[4 * i + 1] * w[1]
  put(0, 0, k[0] - left(0, a0))
  put(0, 1, k[1] - left(0, a1))
  put(1, 1, k[5] - left(1, a1))
  put(0, 2, -left(0, b0))
  put(0, 3, -left(0, b1))
  put(1, 2, -left(1, b0))
  put(1, 3, -left(1, b1))
  put(2, 2, next.k[10] - right(2, b0))
  put(2, 3, next.k[11] - right(2, b1))
  put(3, 3, next.k[15] - right(3, b1))
  const forces = Float64Array.of(f[0] - left(0, u), f[1] - left(1, u), g[2] - right(2, u), g[3] - right(3, u))
  return { k: out, f: forces }
}

function recovered(inner: readonly Inner[], last: Jump, ends: ArrayLike<number>): [number, number][] {
  const out: [number, number][] = new Array<[number, number]>(inner.length + 2)
  out[0] = [ends[0], ends[1]]
  out[inner.length + 1] = [ends[2] - last.v, ends[3] - last.slope]
  for (let i = inner.length - 1; i >= 0; i--) {
    const { A, B, r } = inner[i]
    const [next, slope] = out[i + 2]
    out[i + 1] = [
      -(A[0] * ends[0] + A[1] * ends[1] + B[0] * next + B[1] * slope + r[0]),
      -(A[2] * ends[0] + A[3] * ends[1] + B[2] * next + B[3] * slope + r[1]),
    ]
  }
  return out
}
