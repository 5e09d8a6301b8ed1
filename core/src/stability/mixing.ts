import { dot } from './vectors.js'

/** Number of earlier rounds from which the next estimate is formed. */
const MEMORY = 6
/**
 * Relative tolerance: a direction that is linearly dependent on the others to within this fraction is left
 * out.
 */
const DEPENDENT = 1e-10

/**
 * The next guess of a fixed point x = G(x) from the rounds so far: the mixture of them whose residual G(x) −
 * x is smallest. It closes in on a point that plain repetition runs away from, or creeps towards. Source:
 * Anderson, Iterative procedures for nonlinear integral equations, 1965.
 */
export class Mixing {
  private readonly guesses: Float64Array[] = []
  private readonly residuals: Float64Array[] = []

  /** @param x a guess; @param g what G makes of it. @returns the next guess */
  next(x: Float64Array, g: Float64Array): Float64Array {
    const r = g.map((v, i) => v - x[i])
    this.guesses.push(x)
    this.residuals.push(r)
    if (this.guesses.length > MEMORY) {
      this.guesses.shift()
      this.residuals.shift()
    }
    const out = g.slice()
    // differences of the residuals, made square to each other as they come (Gram–Schmidt)
    const basis: { r: Float64Array; step: Float64Array }[] = []
    for (let k = this.residuals.length - 2; k >= 0; k--) {
      const dr = r.map((v, i) => v - this.residuals[k][i])
      const step = g.map((v, i) => v - this.guesses[k][i] - this.residuals[k][i])
      const size = norm(dr)
      for (const b of basis) {
        const share = dot(dr, b.r)
        for (let i = 0; i < dr.length; i++) {
          dr[i] -= share * b.r[i]
          step[i] -= share * b.step[i]
        }
      }
      const left = norm(dr)
      if (!(left > DEPENDENT * size)) continue
      basis.push({ r: dr.map((v) => v / left), step: step.map((v) => v / left) })
    }
    for (const b of basis) {
      const share = dot(r, b.r)
      for (let i = 0; i < out.length; i++) out[i] -= share * b.step[i]
    }
    return out
  }
}

const norm = (a: Float64Array) => Math.sqrt(dot(a, a))
