import { integrate, type PolynomialCourse } from '../../analysis/polynomial-course.js'
import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { extremesOf } from '../../results/extremes.js'
import { addressOf } from '../address.js'
import { leftSide } from '../solved-for.js'
import type { Notes } from '../notes.js'
import type { Coherent } from '../noted-method.js'
import type { Statics } from './equilibrium.js'
import { loadsOn, partAtStart } from './free-bodies.js'
import { reactionAt } from './notes.js'

export const FORCES = ['N', 'V', 'M'] as const
export type Force = (typeof FORCES)[number]

const ofForce = (f: Force) => (f === 'M' ? D.moment : D.force)

/** Internal forces along a member, integrated from those at its start; undefined where they are open. */
export function courseOf(
  { structure: s, actions, ends }: Statics,
  member: number,
): PolynomialCourse | undefined {
  const [n, v, m] = ends.subarray(6 * member, 6 * member + 3)
  if ([n, v, m].some(Number.isNaN)) return undefined
  const start = { N: 0 - n, V: v, M: 0 - m, slope: 0, v: 0, u: 0 }
  return integrate(s.members[member], actions.members.get(member), start)
}

export const startAt = (id: string, f: Force): string => addressOf('start', id, f)
export const coefficientAt = (id: string, f: Force, stretch: number, k: number): string =>
  addressOf('course', id, f, stretch, k)
export const extremeAt = (id: string, f: 'V' | 'M', side: 'max' | 'min'): string =>
  addressOf(`${side}-${f}`, id)

/** Notes the forces of a member: at its start, stretch by stretch, and their extremes. */
export function noteSections(
  notes: Notes,
  st: Statics,
  member: number,
  coherent: Coherent,
  lengthUnit: string,
): void {
  const course = courseOf(st, member)
  if (!course) return
  const { id } = st.structure.members[member]
  const of = [thing.member(id)]
  for (const f of FORCES) {
    const start = course.start[f]
    notes.put(['start', id, f], {
      symbol: { letter: f, sub: '0', of: id },
      si: start,
      dimension: ofForce(f),
      of,
      from: startFrom(st, member, f, coherent),
    })
    course.stretches.forEach((stretch, i) =>
      stretch.coefficients[f].forEach((c, k) => {
        const isStart = i === 0 && k === 0 && c === start
        let dimension: D.Dimension = ofForce(f)
        for (let p = 0; p < k; p++) dimension = D.divide(dimension, D.length)
        notes.put(['course', id, f, i, k], {
          symbol: { letter: f.toLowerCase(), sub: String(k), of: id },
          si: c,
          dimension,
          of,
          from: isStart ? (letter) => letter(startAt(id, f)) : coefficientFrom(f, k),
        })
      }),
    )
  }
  for (const f of ['V', 'M'] as const)
    for (const side of ['max', 'min'] as const) {
      const { value, x } = extremesOf(course, f)[side]
      const at = coherent(x, D.length)
      notes.put([`${side}-${f}`, id], {
        symbol: { letter: f, sub: side, of: id },
        si: value,
        dimension: ofForce(f),
        of,
        from: `At ${Number(at.toPrecision(6))} ${lengthUnit} from the start of ${id}.`,
      })
    }
}

/** The origin of a coefficient: the value at the beginning of its stretch, or the load on it. */
const coefficientFrom = (f: Force, k: number): string =>
  k === 0
    ? `The value of ${f} where the stretch begins: that at the end of the one before, and what stands there.`
    : f === 'M' && k === 1
      ? 'The slope of M is V: the shear at the beginning of the stretch, less the couples along it.'
      : f === 'M'
        ? 'The slope of M is V, whose slope is the load.'
        : 'The slope is the load on the stretch.'

/** The force at the start of a member: what acts on the part there, turned to the axes of the member. */
function startFrom(
  st: Statics,
  member: number,
  f: Force,
  coherent: Coherent,
): Parameters<Notes['put']>[1]['from'] {
  const { structure: s } = st
  const m = s.members[member]
  const part = partAtStart(s, member)
  if (!part) return 'The equations of the joints together give it: a cut here does not part the structure.'
  const here = s.nodes[m.start]
  const loads = loadsOn(st, part, here)
  const [x, y] = f === 'N' ? [-m.cos, -m.sin] : [-m.sin, m.cos]
  const terms = st.reactions.flatMap((r, i) => {
    if (!part.nodes.has(r.node)) return []
    const at = s.nodes[r.node]
    const arm = (at.x - here.x) * r.y - (at.y - here.y) * r.x
    const isMoment = r.component === 'rotation'
    const factor = f !== 'M' ? r.x * x + r.y * y : isMoment ? -1 : -coherent(arm, D.length)
    return Math.abs(factor) > 1e-12 && !(f !== 'M' && isMoment) ? [{ at: reactionAt(st, i), factor }] : []
  })
  const sum = f === 'M' ? coherent(-loads.moment, D.moment) : coherent(loads.x * x + loads.y * y, D.force)
  return (letter) => leftSide({ terms, loads: sum }, letter)
}
