import * as D from '../../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import { thing, type ThingKey } from '../../document/thing.js'
import type { ActionSolution } from '../../analysis/solve.js'
import { addressOf } from '../address.js'
import { minus, number, over, sum, times, type Formula, type LetterName } from '../expression.js'
import type { Notes } from '../notes.js'
import type { Found } from './bodies.js'
import type { Passing } from './order.js'
import type { Truss } from './truss.js'

/** The address of a force: of a bar, or of a reaction. */
export function forceAt(t: Truss, unknown: number): string {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return u.bar === undefined
    ? addressOf('reaction', nodes[u.on[0].node].id, u.component!)
    : addressOf('bar', members[u.bar].id)
}

export const solverAt = (id: string): string => addressOf('solver-bar', id)

function nameOf(t: Truss, unknown: number): LetterName {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return u.bar === undefined
    ? { letter: nodes[u.on[0].node].id, sub: u.component }
    : { letter: 'N', sub: members[u.bar].id }
}

function belongs(t: Truss, unknown: number): ThingKey[] {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return [u.bar === undefined ? thing.support(nodes[u.on[0].node].id) : thing.member(members[u.bar].id)]
}

/** Two sines or cosines that multiply to one miss it by less than this. */
const ROUNDING_OF_ONE = 1e-12

/** A factor that is one but for rounding is one, and need not be written. */
const unity = (k: number): number => (Math.abs(Math.abs(k) - 1) < ROUNDING_OF_ONE ? Math.sign(k) : k)

/** A factor before a force; its sign stands before the product. */
const weighted = (k: number, f: Formula): Formula =>
  k < 0 ? minus(times(number(-k), f)) : times(number(k), f)

/** Notes every force by the equation it was found from. */
export function noteForces(notes: Notes, t: Truss, order: readonly Passing[], units: ProblemUnits): void {
  const coherent = (si: number, d: D.Dimension) => si / siPerCoherent(units, d)
  const put = (unknown: number, si: number, from: Parameters<Notes['put']>[1]['from']) => {
    const u = t.unknowns[unknown]
    const name =
      u.bar === undefined
        ? ['reaction', t.structure.nodes[u.on[0].node].id, u.component!]
        : ['bar', t.structure.members[u.bar].id]
    notes.put(name, { symbol: nameOf(t, unknown), si, dimension: D.force, from, of: belongs(t, unknown) })
  }
  for (const p of order) {
    if (p.kind === 'together')
      for (const f of p.found)
        put(f.unknown, f.value, 'The equations of the remaining joints together give it.')
    else {
      const isMoment = (p.kind === 'cut' && p.about !== undefined) || p.kind === 'whole'
      for (const f of p.kind === 'cut' ? [p.found] : p.found)
        put(f.unknown, f.value, (l) => solvedFor(t, f, isMoment, l, coherent))
    }
  }
}

function solvedFor(
  t: Truss,
  f: Found,
  isMoment: boolean,
  l: (address: string) => Formula,
  coherent: (si: number, d: D.Dimension) => number,
): Formula {
  const factor = (v: number) => unity(isMoment ? coherent(v, D.length) : v)
  const parts = f.parts.map((p) => weighted(factor(p.factor), l(forceAt(t, p.unknown))))
  const loads = f.loads === 0 ? [] : [number(coherent(f.loads, isMoment ? D.moment : D.force))]
  const all = sum(...parts, ...loads)
  const own = factor(f.own)
  return own === 1 ? minus(all) : own === -1 ? all : minus(over(all, number(own)))
}

/** Notes the bar forces that the stiffness method finds, for the comparison alone. */
export function noteSolver(notes: Notes, t: Truss, action: ActionSolution): void {
  t.structure.members.forEach((m, i) =>
    notes.put(['solver-bar', m.id], {
      symbol: { letter: 'N', sub: m.id },
      si: (action.forces[6 * i + 3] - action.forces[6 * i]) / 2,
      dimension: D.force,
      from: 'The stiffness method finds this.',
      of: [thing.member(m.id)],
    }),
  )
}
