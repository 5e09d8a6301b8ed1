import type { Field } from '../analysis/field.js'
import { derivative, evaluatePolynomial, rootsInside, type Polynomial } from '../analysis/polynomial.js'

export interface Extreme {
  value: number
  x: number
}

export interface Range {
  max: Extreme
  min: Extreme
}

export type ExtremeKey = 'N' | 'V' | 'M' | 'relative'

/**
 * Exact largest and smallest N, V, M and deflection from the chord along a member: the ends of every segment
 * and the
 * roots of the derivative inside it. Of equal values the first along the member is named.
 * Example: simply supported, 2 kN/m over 4 m: M max 4 kN·m at 2 m.
 */
export function extremes(field: Field, length: number): Record<ExtremeKey, Range> {
  const slope = (field.end.v - field.start.v) / length
  const base = field.start.v
  return {
    N: range(field, (s) => s.N, [field.start.N, field.end.N], length),
    V: range(field, (s) => s.V, [field.start.V, field.end.V], length),
    M: range(field, (s) => s.M, [field.start.M, field.end.M], length),
    relative: range(
      field,
      (s) => s.v.map((a, k) => (k === 0 ? a - base - slope * s.x0 : k === 1 ? a - slope : a)),
      [0, 0],
      length,
    ),
  }
}

function range(
  field: Field,
  pick: (s: Field['segments'][number]) => Polynomial,
  ends: [number, number],
  length: number,
): Range {
  const out: Range = { max: { value: ends[0], x: 0 }, min: { value: ends[0], x: 0 } }
  const look = (value: number, x: number) => {
    if (value > out.max.value) out.max = { value, x }
    if (value < out.min.value) out.min = { value, x }
  }
  for (const s of field.segments) {
    const p = pick(s)
    const h = s.x1 - s.x0
    look(evaluatePolynomial(p, 0), s.x0)
    for (const t of rootsInside(derivative(p), h)) look(evaluatePolynomial(p, t), s.x0 + t)
    look(evaluatePolynomial(p, h), s.x1)
  }
  look(ends[1], length)
  return out
}

/** Places inside the member where a quantity passes through zero, such as V = 0 at a greatest moment. */
export function zeros(field: Field, key: 'V' | 'M'): number[] {
  return field.segments.flatMap((s) => {
    const scale = Math.max(...s[key].map(Math.abs))
    return scale === 0 ? [] : rootsInside(s[key], s.x1 - s.x0).map((t) => s.x0 + t)
  })
}
