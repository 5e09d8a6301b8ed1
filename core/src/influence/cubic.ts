/** A polynomial of third degree, its coefficients by power. */
export type Cubic = readonly [number, number, number, number]

/** Where a cubic over 0 ≤ s ≤ 1 is sampled: inside, clear of what jumps at the ends. */
export const SAMPLES = [1 / 8, 3 / 8, 5 / 8, 7 / 8] as const

/** Coefficients smaller than this part of the largest value are rounding. */
const ROUNDING = 1e-12

/** The cubic through four values at the places of `SAMPLES`; exact for a polynomial of third degree. */
export function cubicThrough(values: readonly number[]): Cubic {
  // Newton's divided differences over places that are 1/4 apart
  const [a, b, c, d] = values
  const h = SAMPLES[1] - SAMPLES[0]
  const d1 = (b - a) / h
  const d2 = (c - 2 * b + a) / (2 * h * h)
  const d3 = (d - 3 * c + 3 * b - a) / (6 * h * h * h)
  const [p, q, r] = SAMPLES
  const out = [
    a - d1 * p + d2 * p * q - d3 * p * q * r,
    d1 - d2 * (p + q) + d3 * (p * q + p * r + q * r),
    d2 - d3 * (p + q + r),
    d3,
  ]
  const largest = Math.max(...values.map(Math.abs))
  // differences of nearly equal values lose digits: what they leave of a straight line is no curve
  const [k0, k1, k2, k3] = out.map((k) => (Math.abs(k) <= ROUNDING * largest ? 0 : k))
  return [k0, k1, k2, k3]
}

export const cubicAt = ([a, b, c, d]: Cubic, s: number): number => a + s * (b + s * (c + s * d))

/** Its integral from `from` to `to`. */
export function cubicArea([a, b, c, d]: Cubic, from: number, to: number): number {
  const at = (s: number) => s * (a + s * (b / 2 + s * (c / 3 + (s * d) / 4)))
  return at(to) - at(from)
}

/** The real roots of a·s² + b·s + c, without loss where one of them is small. */
function quadraticRoots(a: number, b: number, c: number): number[] {
  if (a === 0) return b === 0 ? [] : [-c / b]
  const discriminant = b * b - 4 * a * c
  if (discriminant < 0) return []
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(discriminant)) / 2
  return q === 0 ? [0] : [q / a, c / q]
}

/** Places strictly between 0 and 1 where a cubic is level. */
export const levelPlaces = ([, b, c, d]: Cubic): number[] =>
  quadraticRoots(3 * d, 2 * c, b)
    .filter((s) => s > 0 && s < 1)
    .sort((x, y) => x - y)

/** Places strictly between 0 and 1 where a cubic changes its sign, in their order. */
export function signChanges(k: Cubic): number[] {
  const ends = [0, ...levelPlaces(k), 1]
  return ends.slice(1).flatMap((hi, i) => {
    const lo = ends[i]
    const [u, v] = [cubicAt(k, lo), cubicAt(k, hi)]
    return u * v < 0 ? [crossing(k, lo, hi)] : []
  })
}

/** The root of a cubic between two places where its signs differ and it runs one way. */
function crossing(k: Cubic, from: number, to: number): number {
  let [lo, hi] = [from, to]
  const rising = cubicAt(k, hi) > 0
  for (let i = 0; i < 60; i++) {
    const mid = (lo + hi) / 2
    if (cubicAt(k, mid) > 0 === rising) hi = mid
    else lo = mid
  }
  return (lo + hi) / 2
}
