import * as D from '../../../quantity/dimension.js'
import { minus, number, over, power, root, sum, times, type Formula } from '../../expression.js'
import { toMember } from './belongs.js'
import { courseIn } from './diagrams.js'
import { formula, index, kinds, type Context, type Kind } from './kind.js'

/** The places where the shear is zero between the ends of a stretch, and the moments there. */

/** A root nearer to an end of its stretch than this fraction of it is that end. */
const AT_END = 1e-9
/** A coefficient whose part of the shear is below this fraction of the largest is rounding error. */
const ROUNDING = 1e-12

/** The places of zero shear within a stretch, m from its start, ascending. */
export function zerosOfShear(c: Context, member: number, s: number): number[] {
  const g = courseIn(c, member).stretches[s]
  if (!g || c.solution.structure.members[member].bar) return []
  const h = g.x1 - g.x0
  const [v0, v1 = 0, v2 = 0] = g.coefficients.V
  const size = Math.max(Math.abs(v0), Math.abs(v1) * h, Math.abs(v2) * h * h)
  if (size === 0) return []
  const isLinear = Math.abs(v2) * h * h <= ROUNDING * size
  return (isLinear ? rootsOfLine(v0, v1 * h, size, h) : rootsOfParabola(v0, v1, v2))
    .filter((t) => t > AT_END * h && t < (1 - AT_END) * h)
    .sort((a, b) => a - b)
}

const rootsOfLine = (v0: number, rise: number, size: number, h: number): number[] =>
  Math.abs(rise) <= ROUNDING * size ? [] : [(-v0 / rise) * h]

function rootsOfParabola(v0: number, v1: number, v2: number): number[] {
  const square = v1 * v1 - 4 * v2 * v0
  if (square < 0) return []
  return [-1, 1].map((sign) => (-v1 + sign * Math.sqrt(square)) / (2 * v2))
}

const stretch = (c: Context, id: string, s: string, n: string) => {
  const member = c.member(id)
  const t = member < 0 ? undefined : zerosOfShear(c, member, index(s))[index(n)]
  return t === undefined ? undefined : { g: courseIn(c, member).stretches[index(s)], t }
}

/** The place of zero shear by the coefficients of V: −V₀/V₁ of a line, the root of a parabola. */
function zeroFormula(c: Context, id: string, s: number, t: number): Formula {
  const g = courseIn(c, c.member(id)).stretches[s]
  const V = (k: number) => c.letter('diagram', id, s, 'V', k)
  const [v0, v1 = 0, v2 = 0] = g.coefficients.V
  const h = g.x1 - g.x0
  const size = Math.max(Math.abs(v0), Math.abs(v1) * h, Math.abs(v2) * h * h)
  if (Math.abs(v2) * h * h <= ROUNDING * size) return minus(over(V(0), V(1)))
  const square = root(sum(power(V(1), 2), minus(times(number(4), V(2), V(0)))))
  const isUpper = Math.abs(2 * v2 * t + v1 - Math.sqrt(v1 * v1 - 4 * v2 * v0)) <= 1e-6 * size
  return over(sum(minus(V(1)), isUpper ? square : minus(square)), times(number(2), V(2)))
}

/** The peak of the moment: its polynomial at the place of zero shear. */
function peakFormula(c: Context, id: string, s: number, n: number): Formula {
  const { coefficients } = courseIn(c, c.member(id)).stretches[s]
  const t = c.letter('zero-shear', id, s, n)
  const terms = coefficients.M.flatMap((v, k): Formula[] =>
    v === 0 && k > 0
      ? []
      : [
          k === 0
            ? c.letter('diagram', id, s, 'M', 0)
            : times(c.letter('diagram', id, s, 'M', k), k === 1 ? t : power(t, k)),
        ],
  )
  return sum(...terms)
}

export const PEAKS: Record<string, Kind> = kinds(toMember, {
  'zero-shear': (c, id, s, n) => {
    const it = stretch(c, id, s, n)
    return (
      it && {
        symbol: { letter: 't', sub: `0,${index(n) + 1}`, of: `${id}, ${index(s) + 1}` },
        si: it.t,
        dimension: D.length,
        origin: () => formula(zeroFormula(c, id, index(s), it.t), 'Where the shear V(t) is zero.')(),
      }
    )
  },
  'peak-moment': (c, id, s, n) => {
    const it = stretch(c, id, s, n)
    return (
      it && {
        symbol: { letter: 'M', sub: 'peak', of: `${id}, ${index(s) + 1}` },
        si: it.g.coefficients.M.reduce((sum_, v, k) => sum_ + v * it.t ** k, 0),
        dimension: D.moment,
        origin: () =>
          formula(peakFormula(c, id, index(s), index(n)), 'M′ = V = 0: the moment has a peak there.')(),
      }
    )
  },
})
