/**
 * A symmetric matrix kept by its profile: row i from its first non-zero column to the diagonal, one row after another.
 */
export interface Profile {
  n: number
  /** First column of each row. */
  first: Int32Array
  /** Where column 0 of row i would stand in `values`: entry (i, j) is values[base[i] + j]. */
  base: Int32Array
  values: Float64Array
}

export function profile(first: Int32Array): Profile {
  const n = first.length
  const base = new Int32Array(n)
  let size = 0
  for (let i = 0; i < n; i++) {
    base[i] = size - first[i]
    size += i - first[i] + 1
  }
  return { n, first, base, values: new Float64Array(size) }
}

/** A pivot at or below this share of its diagonal before elimination tells a mechanism. */
export const MECHANISM_PIVOT = 1e-10

/** Factorisation A = L·D·Lᵀ within the profile. Factor once, solve for every load case. */
export interface Factorisation {
  n: number
  /** Unknowns whose pivot vanished: each carries one mechanism. They are held at zero in `solve`. */
  singular: number[]
  /** Decimal digits lost at the worst pivot. */
  digitsLost: number
  /** Solves A·x = b in place. */
  solve(b: Float64Array): Float64Array
  /** The motion that belongs to a vanished pivot: A·x = 0 with x = 1 there. */
  motion(pivot: number): Float64Array
}

/**
 * Factors a positive semi-definite matrix in place, row by row, by dot products along the profile.
 * Source: Davis, Direct Methods for Sparse Linear Systems, ch. 4 (up-looking), for a profile instead of lists.
 */
export function factor(a: Profile): Factorisation {
  const { n, first, base, values } = a
  const pivot = new Float64Array(n)
  const inverse = new Float64Array(n)
  const singular: number[] = []
  let worst = 1
  for (let i = 0; i < n; i++) {
    const fi = first[i]
    const bi = base[i]
    // g = L·D of this row, column by column; four columns share each entry of the row that is fetched
    let j = fi + 1
    for (; j + 3 < i; j += 4) {
      const [b0, b1, b2, b3] = [base[j], base[j + 1], base[j + 2], base[j + 3]]
      const from = Math.max(fi, first[j], first[j + 1], first[j + 2], first[j + 3])
      // what reaches farther left than all four have in common
      let s0 = head(values, bi, b0, Math.max(fi, first[j]), Math.min(from, j))
      let s1 = head(values, bi, b1, Math.max(fi, first[j + 1]), Math.min(from, j))
      let s2 = head(values, bi, b2, Math.max(fi, first[j + 2]), Math.min(from, j))
      let s3 = head(values, bi, b3, Math.max(fi, first[j + 3]), Math.min(from, j))
      for (let k = from; k < j; k++) {
        const g = values[bi + k]
        s0 += g * values[b0 + k]
        s1 += g * values[b1 + k]
        s2 += g * values[b2 + k]
        s3 += g * values[b3 + k]
      }
      // the little triangle between the four
      const g0 = (values[bi + j] -= s0)
      if (first[j + 1] <= j) s1 += g0 * values[b1 + j]
      const g1 = (values[bi + j + 1] -= s1)
      if (first[j + 2] <= j) s2 += g0 * values[b2 + j]
      if (first[j + 2] <= j + 1) s2 += g1 * values[b2 + j + 1]
      const g2 = (values[bi + j + 2] -= s2)
      if (first[j + 3] <= j) s3 += g0 * values[b3 + j]
      if (first[j + 3] <= j + 1) s3 += g1 * values[b3 + j + 1]
      if (first[j + 3] <= j + 2) s3 += g2 * values[b3 + j + 2]
      values[bi + j + 3] -= s3
    }
    for (; j < i; j++) values[bi + j] -= head(values, bi, base[j], Math.max(fi, first[j]), j)
    const diagonal = values[bi + i]
    let d = diagonal
    for (let k = fi; k < i; k++) {
      const g = values[bi + k]
      const l = g * inverse[k]
      d -= g * l
      values[bi + k] = l
    }
    if (d <= MECHANISM_PIVOT * diagonal) {
      singular.push(i)
      pivot[i] = inverse[i] = 0
    } else {
      pivot[i] = d
      inverse[i] = 1 / d
      worst = Math.max(worst, diagonal / d)
    }
  }

  const back = (x: Float64Array) => {
    for (let i = n - 1; i >= 0; i--) {
      const xi = x[i]
      if (xi === 0) continue
      const bi = base[i]
      for (let k = first[i]; k < i; k++) x[k] -= values[bi + k] * xi
    }
    return x
  }

  return {
    n,
    singular,
    digitsLost: Math.log10(worst),
    solve(b) {
      for (let i = 0; i < n; i++) {
        const bi = base[i]
        let sum = b[i]
        for (let k = first[i]; k < i; k++) sum -= values[bi + k] * b[k]
        b[i] = inverse[i] === 0 ? 0 : sum
      }
      for (let i = 0; i < n; i++) b[i] *= inverse[i]
      return back(b)
    },
    motion(p) {
      const x = new Float64Array(n)
      x[p] = 1
      // other vanished unknowns stay at rest: their columns of L are zero
      return back(x)
    },
  }
}

/** Σ values[a + k]·values[b + k] for k from `from` up to `till`. */
function head(values: Float64Array, a: number, b: number, from: number, till: number): number {
  let sum = 0
  for (let k = from; k < till; k++) sum += values[a + k] * values[b + k]
  return sum
}
