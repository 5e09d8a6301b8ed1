import { SAME_PLACE } from '../../../analysis/polynomial-course.js'
import type { StatedLoad, StructureMember } from '../../../structure/types.js'
import { minus, number, over, sum, times, type Formula, type Letter } from '../../expression.js'
import { type Context } from './kind.js'

/**
 * What acts along a member and at its places, load by load: the terms that a diagram's polynomials grow by.
 * In a combination they are those of its cases, each times its factor.
 */

/** Which way a load acts on a member: along it, across it, or turning it. */
export type Way = 'along' | 'across' | 'couple'

/** A line of intensity between two points of a load. */
export interface Line {
  kind: Way
  from: Formula
  to: Formula
  first: Formula
  last: Formula
  uniform: boolean
  whole: boolean
}

type LetterOf = (...parts: (string | number)[]) => Letter

/** The lines of a load with points: those between points that stand apart. */
export function linesOf(
  letter: LetterOf,
  { id, length }: StructureMember,
  at: number,
  load: Extract<StatedLoad, { type: 'distributed' | 'couple' }>,
): Line[] {
  return load.points.flatMap((p, i) => {
    const before = load.points[i - 1]
    if (!before || !(p.at > before.at)) return []
    const near = (x: number, y: number) => Math.abs(x - y) <= SAME_PLACE * length
    const whole = near(before.at, 0) && near(p.at, length)
    const line = (kind: Way, address: string): Line => {
      const [first, last] = [letter(address, at, i - 1), letter(address, at, i)]
      return {
        kind,
        first,
        last,
        from: near(before.at, 0) ? number(0) : letter('load-at', at, i - 1),
        to: near(p.at, length) ? letter('L', id) : letter('load-at', at, i),
        uniform: before.q === p.q,
        whole,
      }
    }
    return load.type === 'couple'
      ? [line('couple', 'load-q')]
      : [line('along', 'load-along'), line('across', 'load-across')]
  })
}

/** The cases that make up what is shown, each with its factor and the letters of its numbers. */
function casesOf(
  c: Context,
): { factor: number; loads: readonly StatedLoad[]; selfWeight: number; letter: LetterOf }[] {
  const { cases, combinations } = c.solution.structure
  if (c.action.kind !== 'combination')
    return cases.flatMap((o) =>
      o.id === c.action.id ? [{ factor: 1, loads: o.loads, selfWeight: o.selfWeight, letter: c.letter }] : [],
    )
  const factors = combinations.find((o) => o.id === c.action.id)?.factors ?? []
  return cases.flatMap((o, i) =>
    factors[i]
      ? [
          {
            factor: factors[i],
            loads: o.loads,
            selfWeight: o.selfWeight,
            letter: (...parts: (string | number)[]) => c.letter('case', o.id, ...parts),
          },
        ]
      : [],
  )
}

const valueOf = (f: Formula): number => (f.t === 'number' || f.t === 'letter' ? f.value : NaN)

/**
 * The coefficient of tᵏ (k = 0, 1) of what acts one way along a stretch of member i, in coherent units.
 * @param begin the letters of where the stretch begins, `end` its other end, both from the member's start
 */
export function intensityFormula(
  c: Context,
  i: number,
  begin: Letter,
  end: number,
  way: Way,
  k: number,
): Formula {
  const m = c.solution.structure.members[i]
  const tolerance = SAME_PLACE * c.value('L', m.id)
  const terms = casesOf(c).flatMap(({ factor, loads, selfWeight, letter }): Formula[] => {
    const lines = loads.flatMap((load, n) =>
      (load.type === 'distributed' || load.type === 'couple') && load.member === i
        ? linesOf(letter, m, n, load)
        : [],
    )
    const acting = lines.filter(
      (l) =>
        l.kind === way &&
        valueOf(l.from) <= begin.value + tolerance &&
        valueOf(l.to) >= end - tolerance &&
        (valueOf(l.first) !== 0 || valueOf(l.last) !== 0),
    )
    const weight =
      k === 0 && selfWeight !== 0 && !m.bar && m.weight > 0 && way !== 'couple'
        ? [
            minus(
              times(number(selfWeight), letter('weight', m.id), letter(way === 'along' ? 's' : 'c', m.id)),
            ),
          ]
        : []
    return [...acting.flatMap((l) => coefficientOf(l, begin, k, tolerance)), ...weight].map((f) =>
      times(number(factor), f),
    )
  })
  return sum(...terms)
}

/** The coefficient of tᵏ of one line, with t from where a stretch begins. */
function coefficientOf(l: Line, begin: Letter, k: number, tolerance: number): Formula[] {
  const from = valueOf(l.from) === 0 ? [] : [minus(l.from)]
  const slope = over(sum(l.last, minus(l.first)), sum(l.to, ...from))
  if (k === 1) return l.uniform ? [] : [slope]
  return [
    l.uniform || Math.abs(begin.value - valueOf(l.from)) <= tolerance
      ? l.first
      : sum(l.first, times(slope, sum(begin, ...from))),
  ]
}

/** What the point loads at the place x (m) of member i make N, V or M jump by: −Fx, +Fy, −M. */
export function jumpFormula(c: Context, i: number, x: number, force: 'N' | 'V' | 'M'): Formula {
  const m = c.solution.structure.members[i]
  const terms = casesOf(c).flatMap(({ factor, loads, letter }) =>
    loads.flatMap((load, n): Formula[] => {
      if (load.type !== 'point' || load.member !== i || Math.abs(load.at - x) > SAME_PLACE * m.length)
        return []
      const part =
        force === 'M' ? letter('load', n, 'm') : letter(force === 'N' ? 'force-along' : 'force-across', n)
      return part.value === 0 ? [] : [times(number(factor), force === 'V' ? part : minus(part))]
    }),
  )
  return sum(...terms)
}
