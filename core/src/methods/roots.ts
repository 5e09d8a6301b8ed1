import { minus, number, over, root, type Formula } from './expression.js'

/** A factor of geometry equals a root or a fraction where they differ by less than this part of it. */
const SAME = 1e-13
/** Numbers under a root and under a fraction go up to this. */
const MOST_UNDER = 400
/** A decimal of so many digits behind the point is written as it is. */
const DECIMALS = 4

/** The largest whole number whose square divides n. */
function squareIn(n: number): number {
  let best = 1
  for (let k = 2; k * k <= n; k++) if (n % (k * k) === 0) best = k
  return best
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))

/** The square root of a whole number in letters: 2√5. */
function rootOf(n: number): Formula {
  const out = squareIn(n)
  const rest = n / (out * out)
  if (rest === 1) return number(out)
  return out === 1 ? root(number(rest)) : { t: 'product', factors: [number(out), root(number(rest))] }
}

/** A positive number as the root of a fraction of small whole numbers; undefined where it is none. */
function asRoot(k: number): Formula | undefined {
  const square = k * k
  for (let under = 1; under <= MOST_UNDER; under++) {
    const above = Math.round(square * under)
    if (above < 1 || above > MOST_UNDER * MOST_UNDER) continue
    if (Math.abs(above - square * under) > 2 * SAME * square * under) continue
    const common = divisor(above, under)
    const [p, q] = [above / common, under / common]
    return q === 1 ? rootOf(p) : over(rootOf(p), rootOf(q))
  }
  return undefined
}

/**
 * A factor that geometry brings, as a book writes it: 3, 0.75, 3/7, 2/√5; a plain number where it is none of
 * these. A number that is one but for rounding is one.
 */
export function exactFactor(k: number): Formula {
  if (k < 0) return minus(exactFactor(-k))
  const whole = Math.round(k)
  if (whole > 0 && Math.abs(k - whole) <= SAME * whole) return number(whole)
  const short = Number(k.toFixed(DECIMALS))
  if (Math.abs(k - short) <= SAME * k) return number(short)
  return asRoot(k) ?? number(k)
}
