import * as D from '../../../quantity/dimension.js'
import type { PolynomialCourse, PolynomialStretch } from '../../../analysis/polynomial-course.js'
import { courseOf } from '../../../results/courses.js'
import { minus, number, over, power, sum, times, type Formula } from '../../expression.js'
import { intensityFormula, jumpFormula, type Way } from './acting.js'
import { formula, index, type Context, type Origin, type Kind, kinds } from './kind.js'
import { toMember } from './belongs.js'

/** The course of internal forces along a member, whose polynomials the diagrams write out. */
/** The Working is of first order, whose courses are polynomials. */
export const courseIn = (c: Context, i: number) => courseOf(c.solution, c.action, i) as PolynomialCourse

type Force = 'N' | 'V' | 'M'

const HOW: Record<Force, string> = {
  N: 'N = −q₁ at the start: tension pulls the start back.',
  V: 'V = q₂ at the start.',
  M: 'M = −q₃ at the start: positive with the −y side in tension.',
}

/**
 * What acts at the places of load between segments, and the intensities within them, as the solver takes
 * them, SI.
 */
function jumpAt(c: Context, i: number, x: number, force: Force): number {
  const a = c.action.actions.members.get(i)
  const near = (y: number) => Math.abs(x - y) <= 1e-10 * c.solution.structure.members[i].length
  const key = { N: 'fx', V: 'fy', M: 'm' }[force] as 'fx' | 'fy' | 'm'
  const sign = force === 'V' ? 1 : -1
  return (a?.points ?? []).reduce((v, p) => (near(p.x) ? v + sign * p[key] : v), 0)
}

const WAYS: Record<string, Way> = { p: 'along', q: 'across', c: 'couple' }

/**
 * Coefficients of N(t), V(t), M(t) of a segment, t from its own start; from end forces, jumps and
 * intensities.
 */
function coefficient(c: Context, id: string, s: number, force: Force, p: number): Origin {
  const i = c.member(id)
  const { stretches } = courseIn(c, i)
  const before = stretches[s - 1]
  if (p === 0) {
    if (s === 0) {
      const q = c.letter('q', id, { N: 1, V: 2, M: 3 }[force])
      const jump = jumpAt(c, i, 0, force)
      return formula(
        sum(force === 'V' ? q : minus(q), ...(jump === 0 ? [] : [c.letter('jump', id, s, force)])),
        HOW[force],
      )()
    }
    const h = c.letter('span', id, s - 1)
    const end = before.coefficients[force].flatMap((_, k): Formula[] =>
      at(before, force, k) === 0 && k > 0
        ? []
        : [
            k === 0
              ? c.letter('diagram', id, s - 1, force, 0)
              : times(c.letter('diagram', id, s - 1, force, k), k === 1 ? h : power(h, k)),
          ],
    )
    return formula(
      sum(...end, ...(jumpAt(c, i, stretches[s].x0, force) === 0 ? [] : [c.letter('jump', id, s, force)])),
      'Its value at the end of the stretch before, and what acts at the place between them.',
    )()
  }
  const whole = (letter: Formula, by: number) => (by === 1 ? letter : over(letter, number(by)))
  if (force === 'M') {
    const couple = p > 2 ? 0 : intensityAt(stretches[s], p - 1)
    return formula(
      whole(
        sum(
          c.letter('diagram', id, s, 'V', p - 1),
          ...(couple === 0 ? [] : [minus(c.letter('intensity', id, s, 'c', p - 1))]),
        ),
        p,
      ),
      'M′ = V, less the couple per length where one acts.',
    )()
  }
  const q = c.letter('intensity', id, s, force === 'V' ? 'q' : 'p', p - 1)
  return formula(
    force === 'V' ? whole(q, p) : minus(whole(q, p)),
    force === 'V'
      ? 'V′ = q, the load across the member, upward positive.'
      : 'N′ = −p, the load along the member.',
  )()
}

const at = (s: PolynomialStretch, force: Force, k: number) => s.coefficients[force][k] ?? 0

/** The coefficient of tᵏ of the distributed couple: what V has over M′. */
const intensityAt = (s: PolynomialStretch, k: number) => at(s, 'V', k) - (k + 1) * at(s, 'M', k + 1)

const place = (c: Context, id: string, s: string) => {
  const i = c.member(id)
  const segment = i < 0 ? undefined : courseIn(c, i).stretches[index(s)]
  return segment && { i, segment }
}

const perLength = (d: D.Dimension, n: number) => (n === 0 ? d : D.divide(d, D.power(D.length, n)))

/**
 * Diagrams as polynomials: their coefficients, the lengths of their stretches, jumps between them and loads
 * along them.
 */
export const DIAGRAM: Record<string, Kind> = {
  ...kinds(toMember, {
    diagram: (c, id, s, force, p) => {
      const it = place(c, id, s)
      const k = index(p)
      if (!it || !['N', 'V', 'M'].includes(force)) return undefined
      const f = force as Force
      if (k < 0 || k > (f === 'M' ? 3 : 2)) return undefined
      return {
        symbol: { letter: f, sub: String(k), of: `${id}, ${index(s) + 1}` },
        si: at(it.segment, f, k),
        dimension: perLength(f === 'M' ? D.moment : D.force, k),
        origin: () => coefficient(c, id, index(s), f, k),
      }
    },
    /** The length of a stretch. */
    span: (c, id, s) => {
      const it = place(c, id, s)
      return (
        it && {
          symbol: { letter: 'h', sub: String(index(s) + 1), of: id },
          si: it.segment.x1 - it.segment.x0,
          dimension: D.length,
          origin: () => ({
            kind: 'stated',
            words:
              `From x = ${c.coherent(it.segment.x0, D.length)} to ` +
              `${c.coherent(it.segment.x1, D.length)} along ${id}: between two places where a load ` +
              'begins, ends or stands.',
          }),
        }
      )
    },
    /** Where a stretch begins, from the start of the member. */
    begin: (c, id, s) => {
      const it = place(c, id, s)
      return (
        it && {
          symbol: { letter: 'x', sub: `0,${index(s) + 1}`, of: id },
          si: it.segment.x0,
          dimension: D.length,
          origin: () => ({
            kind: 'stated',
            words:
              `Where stretch ${index(s) + 1} of ${id} begins: ` +
              `${index(s) === 0 ? 'at its start' : 'a load begins, ends or stands there'}.`,
          }),
        }
      )
    },
    /** What acts at the place before a stretch: N, V or M jumps by it. */
    jump: (c, id, s, force) => {
      const it = place(c, id, s)
      if (!it || !['N', 'V', 'M'].includes(force)) return undefined
      const f = force as Force
      return {
        symbol: { letter: `Δ${f}`, sub: String(index(s) + 1), of: id },
        si: jumpAt(c, it.i, it.segment.x0, f),
        dimension: f === 'M' ? D.moment : D.force,
        origin: () =>
          formula(
            jumpFormula(c, it.i, it.segment.x0, f),
            {
              N: 'The force along the member at this place, reversed.',
              V: 'The force across the member at this place.',
              M: 'The moment at this place, reversed.',
            }[f],
          )(),
      }
    },
    /** The intensity along a stretch, as a polynomial: p along, q across, c couples. */
    intensity: (c, id, s, which, p) => {
      const it = place(c, id, s)
      const k = index(p)
      if (!it || !['p', 'q', 'c'].includes(which) || k < 0 || k > 1) return undefined
      const { segment: g } = it
      const si =
        which === 'p'
          ? -(k + 1) * at(g, 'N', k + 1)
          : which === 'q'
            ? (k + 1) * at(g, 'V', k + 1)
            : intensityAt(g, k)
      return {
        symbol: { letter: which, sub: String(k), of: `${id}, ${index(s) + 1}` },
        si,
        dimension: perLength(which === 'c' ? D.force : D.forcePerLength, k),
        origin: () =>
          formula(
            intensityFormula(c, it.i, c.letter('begin', id, s), c.coherent(g.x1, D.length), WAYS[which], k),
            k === 0 ? 'Where the stretch begins.' : 'How fast it grows along the stretch.',
          )(),
      }
    },
  }),
}
