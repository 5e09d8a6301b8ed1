/**
 * Dense panels of a factorisation: the arithmetic of a supernode, in tiles of four by four. A panel stands in
 * L from `at`, row by row, `s` wide: its square first, then the rows below; G = L·D is scratch space.
 */

/** Row i of the square at the head of a panel: G = L·D of the row, then L; returns the pivot. */
export function pivotRow(
  L: Float64Array,
  at: number,
  s: number,
  i: number,
  G: Float64Array,
  inverse: Float64Array,
  from: number,
): number {
  const row = at + i * s
  const g = i * s
  let d = L[row + i]
  for (let j = 0; j < i; j++) {
    let sum = L[row + j]
    const other = at + j * s
    for (let k = 0; k < j; k++) sum -= G[g + k] * L[other + k]
    G[g + j] = sum
  }
  for (let k = 0; k < i; k++) {
    const l = G[g + k] * inverse[from + k]
    d -= G[g + k] * l
    L[row + k] = l
  }
  return d
}

/** The rows below the square: G = L·D by columns in fours, what earlier columns take off in tiles; then L. */
export function panelBelow(
  L: Float64Array,
  at: number,
  s: number,
  f: number,
  G: Float64Array,
  inverse: Float64Array,
  from: number,
) {
  let i = s
  for (; i + 3 < f; i += 4) {
    let j = 0
    for (; j + 3 < s; j += 4) {
      negativeTile(G, i * s, L, at + j * s, s, j, sums, 0, 4)
      for (let r = 0; r < 4; r++) {
        const g = (i + r) * s + j
        const g0 = L[at + g] + sums[4 * r]
        const l1 = at + (j + 1) * s + j
        const l2 = l1 + s
        const l3 = l2 + s
        const g1 = L[at + g + 1] + sums[4 * r + 1] - g0 * L[l1]
        const g2 = L[at + g + 2] + sums[4 * r + 2] - g0 * L[l2] - g1 * L[l2 + 1]
        G[g] = g0
        G[g + 1] = g1
        G[g + 2] = g2
        G[g + 3] = L[at + g + 3] + sums[4 * r + 3] - g0 * L[l3] - g1 * L[l3 + 1] - g2 * L[l3 + 2]
      }
    }
    for (let r = i; r < i + 4; r++) rowBelow(L, at, s, r, j, G)
  }
  for (; i < f; i++) rowBelow(L, at, s, i, 0, G)
  for (let r = s; r < f; r++) for (let k = 0; k < s; k++) L[at + r * s + k] = G[r * s + k] * inverse[from + k]
}

/** G of row i from column j on. */
function rowBelow(L: Float64Array, at: number, s: number, i: number, j: number, G: Float64Array) {
  const g = i * s
  for (; j < s; j++) {
    let sum = L[at + g + j]
    const other = at + j * s
    for (let k = 0; k < j; k++) sum -= G[g + k] * L[other + k]
    G[g + j] = sum
  }
}

const sums = new Float64Array(16)

/**
 * U = −L·Gᵀ, lower triangle, in tiles of four by four; rows of L and G begin at `l` and `g` and are s long.
 */
export function negativeProduct(
  U: Float64Array,
  u: number,
  L: Float64Array,
  l: number,
  G: Float64Array,
  g: number,
  s: number,
) {
  let i = 0
  for (; i + 3 < u; i += 4)
    for (let j = 0; j <= i; j += 4) negativeTile(L, l + i * s, G, g + j * s, s, s, U, i * u + j, u)
  for (; i < u; i++)
    for (let j = 0; j <= i; j++) {
      let sum = 0
      for (let k = 0; k < s; k++) sum += L[l + i * s + k] * G[g + j * s + k]
      U[i * u + j] = -sum
    }
}

/**
 * Minus sixteen dot products: four rows of A from a0 with four rows of B from b0, both `stride` apart and n
 * long, to out[at + r·width + c]. On the diagonal of U the upper half is written too, and never read.
 */
// eslint-disable-next-line max-lines-per-function -- sixteen sums unrolled: solving spends its time here
function negativeTile(
  A: Float64Array,
  a0: number,
  B: Float64Array,
  b0: number,
  stride: number,
  n: number,
  out: Float64Array,
  at: number,
  width: number,
) {
  const a1 = a0 + stride
  const a2 = a1 + stride
  const a3 = a2 + stride
  const b1 = b0 + stride
  const b2 = b1 + stride
  const b3 = b2 + stride
  let s00 = 0,
    s01 = 0,
    s02 = 0,
    s03 = 0
  let s10 = 0,
    s11 = 0,
    s12 = 0,
    s13 = 0
  let s20 = 0,
    s21 = 0,
    s22 = 0,
    s23 = 0
  let s30 = 0,
    s31 = 0,
    s32 = 0,
    s33 = 0
  for (let k = 0; k < n; k++) {
    const w = B[b0 + k]
    const x = B[b1 + k]
    const y = B[b2 + k]
    const z = B[b3 + k]
    const p = A[a0 + k]
    s00 += p * w
    s01 += p * x
    s02 += p * y
    s03 += p * z
    const q = A[a1 + k]
    s10 += q * w
    s11 += q * x
    s12 += q * y
    s13 += q * z
    const r = A[a2 + k]
    s20 += r * w
    s21 += r * x
    s22 += r * y
    s23 += r * z
    const t = A[a3 + k]
    s30 += t * w
    s31 += t * x
    s32 += t * y
    s33 += t * z
  }
  out[at] = -s00
  out[at + 1] = -s01
  out[at + 2] = -s02
  out[at + 3] = -s03
  at += width
  out[at] = -s10
  out[at + 1] = -s11
  out[at + 2] = -s12
  out[at + 3] = -s13
  at += width
  out[at] = -s20
  out[at + 1] = -s21
  out[at + 2] = -s22
  out[at + 3] = -s23
  at += width
  out[at] = -s30
  out[at + 1] = -s31
  out[at + 2] = -s32
  out[at + 3] = -s33
}
