/**
 * The field equations of a member on its bent shape, for small rotations, between two places where nothing
 * begins, ends or stands:
 *
 *   V′ = q,  M′ = V + N·v′ − c,  slope′ = M/EI + κ,  v′ = slope − (V + N·v′)/(G·As).
 *
 * V is the sum of the forces left of the cut square to the undeformed axis, so that M′ + c = V + N·v′ is the
 * shear force square to the bent axis; it is that one which deforms the member in shear (Engesser's
 * assumption). Source: Timoshenko & Gere, Theory of Elastic Stability, ch. 1, and §2.17 for the shear
 * deformation.
 */
export interface Piece {
  /** Length, m. */
  h: number
  /** Bending rigidity, N·m². */
  EI: number
  /** 1/(G·As), 1/N; 0 where the member does not deform in shear. */
  perGAs: number
  /** Axial force (tension positive) in powers of the distance from the start of the piece, N, N/m, N/m². */
  N: readonly [number, number, number]
}

/** What acts on a piece: q and c in powers of the distance, N/m and N·m/m, and the free curvature, 1/m. */
export interface PieceLoad {
  q: readonly [number, number]
  c: readonly [number, number]
  curvature: number
}

/**
 * Displacement, slope, moment and shear force as power series in the distance from the start of the piece.
 */
export interface Series {
  v: number[]
  slope: number[]
  M: number[]
  V: number[]
}

export interface FieldState {
  v: number
  slope: number
  M: number
  V: number
}

export const AT_REST: FieldState = { v: 0, slope: 0, M: 0, V: 0 }
const NO_LOAD: PieceLoad = { q: [0, 0], c: [0, 0], curvature: 0 }

/** More terms than this no piece needs: pieces are short against their waves. */
const MOST_TERMS = 48
/** A term below this share of the largest adds nothing to a double any more. */
const NEGLIGIBLE = 1e-19

/**
 * The solution of the field equations from a start state, by power series. It has no special case where the
 * axial force passes through zero, and none where the force varies along the piece.
 */
export function fieldSeries(p: Piece, start: FieldState, load: PieceLoad = NO_LOAD): Series {
  const { h, EI, perGAs, N } = p
  const { q, c, curvature } = load
  const V = [start.V, q[0], q[1] / 2]
  const M = [start.M]
  const slope = [start.slope]
  const v = [start.v]
  const w: number[] = []
  const divisor = 1 + perGAs * N[0]
  // the largest contribution of each series at the end of the piece, to tell when the rest adds nothing
  let power = 1
  let [mostM, mostSlope, mostV] = [Math.abs(start.M), Math.abs(start.slope), Math.abs(start.v)]
  let quiet = 0
  for (let k = 0; k < MOST_TERMS && quiet < 3; k++) {
    const shear = V[k] ?? 0
    let bent = 0
    for (let j = 1; j <= 2 && j <= k; j++) bent += N[j] * w[k - j]
    w[k] = (slope[k] - perGAs * (shear + bent)) / divisor
    M[k + 1] = (shear + N[0] * w[k] + bent - (c[k] ?? 0)) / (k + 1)
    slope[k + 1] = (M[k] / EI + (k === 0 ? curvature : 0)) / (k + 1)
    v[k + 1] = w[k] / (k + 1)
    power *= h
    const sizes = [M[k + 1], slope[k + 1], v[k + 1]].map((a) => Math.abs(a) * power)
    const small =
      sizes[0] <= NEGLIGIBLE * mostM && sizes[1] <= NEGLIGIBLE * mostSlope && sizes[2] <= NEGLIGIBLE * mostV
    mostM = Math.max(mostM, sizes[0])
    mostSlope = Math.max(mostSlope, sizes[1])
    mostV = Math.max(mostV, sizes[2])
    quiet = small && k >= 3 ? quiet + 1 : 0
  }
  return { v, slope, M, V }
}

const sum = (a: readonly number[], x: number): number => {
  let out = 0
  for (let i = a.length - 1; i >= 0; i--) out = out * x + a[i]
  return out
}

/** The state that series have at a distance x from the start of the piece. */
export const stateOf = ({ v, slope, M, V }: Series, x: number): FieldState => ({
  v: sum(v, x),
  slope: sum(slope, x),
  M: sum(M, x),
  V: sum(V, x),
})

/**
 * What the end of a piece has of unit slope, moment and shear force at its start: the columns of the transfer
 * matrix; a unit displacement goes along as it is.
 */
export interface Transfer {
  slope: FieldState
  M: FieldState
  V: FieldState
}

export function transferOf(p: Piece): Transfer {
  if (p.N[1] === 0 && p.N[2] === 0) return uniformTransfer(p)
  const unit = (key: 'slope' | 'M' | 'V') => stateOf(fieldSeries(p, { ...AT_REST, [key]: 1 }), p.h)
  return { slope: unit('slope'), M: unit('M'), V: unit('V') }
}

/**
 * The same under a constant axial force. With z = N·h²/EI (over 1 + N/(G·As)) and φₙ = Σ zᵏ/(2k + n)!, these
 * are the cosine and sine of compression, their hyperbolic kin of tension, and plain powers without an axial
 * force.
 */
function uniformTransfer({ h, EI, perGAs, N: [N] }: Piece): Transfer {
  const a = 1 / (1 + perGAs * N)
  const z = (a * N * h * h) / EI
  const [f0, f1, f2, f3] = phi(z)
  const k = h / EI
  return {
    slope: { v: a * h * f1, slope: f0, M: a * N * h * f1, V: 0 },
    M: { v: a * h * k * f2, slope: k * f1, M: f0, V: 0 },
    V: { v: a * a * h * h * k * f3 - a * perGAs * h, slope: a * h * k * f2, M: a * h * f1, V: 1 },
  }
}

const FACTORIALS = Array.from({ length: 60 }).reduce<number[]>(
  (out, _, i) => [...out, i === 0 ? 1 : out[i - 1] * i],
  [],
)

/** φ₀ to φ₃ of z: φₙ = Σ zᵏ/(2k + n)!. */
export function phi(z: number): [number, number, number, number] {
  const out: [number, number, number, number] = [0, 0, 0, 0]
  let power = 1
  for (let k = 0; k < 28; k++) {
    for (let n = 0; n < 4; n++) out[n] += power / FACTORIALS[2 * k + n]
    power *= z
    if (Math.abs(power) < 1e-18 * FACTORIALS[2 * k + 2]) break
  }
  return out
}
