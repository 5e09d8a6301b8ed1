import { rootsInside } from '../analysis/polynomial.js'
import { evaluateIn, type StateIn } from '../analysis/stretch-equations.js'
import type { Extreme, ExtremeKey } from '../results/extremes.js'
import type { ExactCourse, ExactStretch } from './exact-course.js'
import { isZero, NotInLetters, type Field, type Quotient } from './field.js'

/** An extreme with its place. */
export interface ExactExtreme {
  value: Quotient
  x: Quotient
}

/** An extreme in numbers, as the arithmetic samples them: the exact one is found by it. */
export interface Sample extends Extreme {
  key: ExtremeKey
}

/** Differences below this share count as none. */
const SAME = 1e-8

/**
 * An extreme that is known in numbers, exactly: the value at an end, at a place of load, or where the slope
 * is zero.
 * @throws NotInLetters where its place is a root of a higher degree
 */
export function exactExtreme(
  field: Field,
  course: ExactCourse,
  length: Quotient,
  { key, value, x }: Sample,
  size: number,
): ExactExtreme {
  const L = field.value(length)
  const chord = key === 'relative' ? chordOf(field, course, length) : undefined
  const quantity = key === 'relative' ? 'v' : key
  const less = (v: Quotient, at: Quotient) =>
    chord ? field.subtract(v, field.add(chord.start, field.multiply(chord.slope, at))) : v
  const nothing = field.of(0)
  const candidates: { value: () => Quotient; x: Quotient }[] = [
    { value: () => less(course.start[quantity], nothing), x: nothing },
    ...course.stretches.flatMap((s) =>
      [s.x0, s.x1].map((at) => ({ value: () => less(valueAt(field, s, quantity, at), at), x: at })),
    ),
    { value: () => less(course.end[quantity], length), x: length },
  ]
  for (const c of candidates) {
    if (Math.abs(field.value(c.x) - x) > SAME * L) continue
    const exact = c.value()
    if (Math.abs(field.value(exact) - value) <= SAME * size) return { value: exact, x: c.x }
  }
  const stretch = course.stretches.find((s) => field.value(s.x0) < x && x < field.value(s.x1))
  if (!stretch) throw new NotInLetters('The place of an extreme is not found.')
  const rate = stretch.polynomials[quantity].slice(1).map((c, k) => field.multiply(c, field.of(k + 1)))
  if (chord && rate.length > 0) rate[0] = field.subtract(rate[0], chord.slope)
  const t = rootNear(field, rate, x - field.value(stretch.x0), field.subtract(stretch.x1, stretch.x0))
  const at = field.add(stretch.x0, t)
  return { value: less(evaluateIn(field, stretch.polynomials[quantity], t), at), x: at }
}

const valueAt = (field: Field, s: ExactStretch, key: keyof StateIn<Quotient>, x: Quotient) =>
  evaluateIn(field, s.polynomials[key], field.subtract(x, s.x0))

const chordOf = (field: Field, { start, end }: ExactCourse, length: Quotient) => ({
  start: start.v,
  slope: field.divide(field.subtract(end.v, start.v), length),
})

/** Denominators of the shares of a stretch at which a root is looked for. */
const MOST_UNDER = 240

/**
 * The root of a polynomial near a number. Roots that are simple shares of the stretch are divided out, until
 * what remains is of the second degree.
 * @param h the length of the stretch
 * @throws NotInLetters where a factor of a higher degree remains
 */
function rootNear(field: Field, polynomial: readonly Quotient[], near: number, h: Quotient): Quotient {
  let p = trimmed(polynomial)
  const size = field.value(h)
  const isIt = (t: Quotient) => Math.abs(field.value(t) - near) <= SAME * size
  while (p.length > 3) {
    const share = sharesOf(field, p, size)
      .map((s) => field.multiply(s, h))
      .find((t) => isZero(evaluateIn(field, p, t)))
    if (!share) break
    if (isIt(share)) return share
    p = withoutRoot(field, p, share)
  }
  const found = rootsOf(field, p).find(isIt)
  if (!found) throw new NotInLetters('The place of an extreme is a root of a higher degree.')
  return found
}

/** The roots of a polynomial of the first or second degree; none of another. */
function rootsOf(field: Field, p: readonly Quotient[]): Quotient[] {
  if (p.length === 2) return [field.negate(field.divide(p[0], p[1]))]
  if (p.length !== 3) return []
  const half = field.divide(p[1], field.multiply(field.of(2), p[2]))
  const root = field.root(field.subtract(field.multiply(half, half), field.divide(p[0], p[2])))
  return [field.subtract(root, half), field.subtract(field.negate(root), half)]
}

function trimmed(p: readonly Quotient[]): Quotient[] {
  let n = p.length
  while (n > 0 && isZero(p[n - 1])) n--
  return p.slice(0, n)
}

/** The shares of the stretch at which a polynomial may have a root: its ends, and its roots in numbers. */
function sharesOf(field: Field, p: readonly Quotient[], size: number): Quotient[] {
  const numbers = p.map((c) => field.value(c))
  const roots = rootsInside(numbers, size).map((t) => t / size)
  const out = [field.of(0), field.of(1)]
  for (const share of roots)
    for (let under = 1; under <= MOST_UNDER; under++) {
      const over = Math.round(share * under)
      if (Math.abs(over / under - share) > 1e-9) continue
      out.push(field.divide(field.of(over), field.of(under)))
      break
    }
  return out
}

/** The polynomial divided by t − root. */
function withoutRoot(field: Field, p: readonly Quotient[], root: Quotient): Quotient[] {
  const out: Quotient[] = []
  let carried = field.of(0)
  for (let k = p.length - 1; k > 0; k--) {
    carried = field.add(p[k], field.multiply(carried, root))
    out.unshift(carried)
  }
  return out
}
