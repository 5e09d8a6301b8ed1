import * as D from '../../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import { thing } from '../../document/thing.js'
import type { Actions, MemberActions } from '../../structure/actions.js'
import { minus, number, over, power, sum, times, type Formula, type Letter } from '../expression.js'
import type { Notes } from '../notes.js'
import type { Beam, RigidFrame } from './model.js'
import { at, endLetters, ENDS } from './names.js'

type Letters = (address: string) => Letter

/** A load of the tables: over the whole length evenly, or at a point across the member. */
type TableLoad = { q: number } | { force: number; a: number }

/** The loads of a member as the tables have them; undefined where one of them is not in the tables. */
function tableLoads(actions: MemberActions, L: number): TableLoad[] | undefined {
  if (actions.curvature !== 0 || actions.jumps.length > 0) return undefined
  const out: TableLoad[] = []
  for (const { a, b, q, c } of actions.spans) {
    if (c[0] !== 0 || c[1] !== 0) return undefined
    if (q[0] === 0 && q[1] === 0) continue
    if (q[0] !== q[1] || a > 1e-9 * L || b < L * (1 - 1e-9)) return undefined
    out.push({ q: q[0] })
  }
  for (const { x, fy, m } of actions.points) {
    if (m !== 0) return undefined
    if (fy !== 0) out.push({ force: fy, a: x })
  }
  return out
}

/** One load in the tables: wL²/12, Pab²/L². Counter-clockwise on the member positive. */
function tableMoment(load: TableLoad, e: 0 | 1, L: Formula, length: number, units: ProblemUnits): Formula {
  const coherent = (si: number, d: D.Dimension) => si / siPerCoherent(units, d)
  const sign = (v: number) => (e === 0 ? -v : v)
  const signed = (v: number, f: Formula) => (v < 0 ? minus(f) : f)
  if ('q' in load) {
    const w = number(Math.abs(coherent(load.q, D.forcePerLength)))
    return signed(sign(load.q), over(times(w, power(L, 2)), number(12)))
  }
  const P = number(Math.abs(coherent(load.force, D.force)))
  const [a, b] = [load.a, length - load.a].map((v) => number(coherent(v, D.length)))
  const above = e === 0 ? times(P, a, power(b, 2)) : times(P, power(a, 2), b)
  return signed(sign(load.force), over(above, power(L, 2)))
}

/**
 * Notes the fixed-end moments of every loaded beam, both ends held, and those with a known moment at one
 * end.
 */
export function noteFixedMoments(notes: Notes, f: RigidFrame, actions: Actions, units: ProblemUnits): void {
  for (const b of f.beams) {
    const m = f.structure.members[b.member]
    const acting = actions.members.get(b.member)
    const loads = acting && tableLoads(acting, m.length)
    const of = [thing.member(m.id)]
    for (const e of [0, 1] as const) {
      const symbol = { letter: 'FEM', sub: endLetters(f.structure, b.member, e) }
      const from = loads
        ? (l: Letters) => sum(...loads.map((p) => tableMoment(p, e, l(at.length(m.id)), m.length, units)))
        : 'From the tables of fixed-end moments, each of its loads by itself, then added.'
      notes.put(['fixed', m.id, ENDS[e]], { symbol, si: b.heldBoth[e], dimension: D.moment, from, of })
    }
    for (const e of [0, 1] as const) noteModified(notes, f, b, e)
  }
}

/**
 * The fixed-end moment where the other end has a known moment M, FEM + (M − FEM of that end)/2, or where
 * springs at the ends give way; with the stiffness of such springs.
 */
function noteModified(notes: Notes, f: RigidFrame, b: Beam, e: 0 | 1): void {
  const m = f.structure.members[b.member]
  const other = e === 0 ? 1 : 0
  const known = b.ends[other].known
  if (b.ends[e].known !== undefined || (known === undefined && !b.sprung)) return
  const of = [thing.member(m.id)]
  const sub = endLetters(f.structure, b.member, e)
  notes.put(['fixed-modified', m.id, ENDS[e]], {
    symbol: { letter: 'FEM′', sub },
    si: b.fixed[e],
    dimension: D.moment,
    of,
    from: b.sprung
      ? 'With the springs at its ends giving way.'
      : (l) => {
          const released = minus(l(at.fixed(m.id, other)))
          const change = known === 0 ? released : sum(l(at.moment(m.id, other)), released)
          return sum(l(at.fixed(m.id, e)), over(change, number(2)))
        },
    ...(b.sprung
      ? {}
      : { words: 'The other end follows freely: half of what is released there is carried over.' }),
  })
  if (b.sprung)
    for (const to of [e, other] as const)
      notes.put(['sprung', m.id, e, to], {
        symbol: { letter: 'k', sub: e === to ? sub : `${sub}′` },
        si: b.stiffness[e][to],
        dimension: D.moment,
        of,
        from:
          'The moment at that end for a turn of 1 of the joint, with the springs at the ends of ' +
          'the member.',
      })
}
