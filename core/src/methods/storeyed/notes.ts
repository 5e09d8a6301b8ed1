import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import type { ActionSolution } from '../../analysis/solve.js'
import type { Structure } from '../../structure/types.js'
import { addressOf } from '../address.js'
import type { Formula, Letter } from '../expression.js'
import { endLetters, ENDS } from '../frames/names.js'
import type { Notes } from '../notes.js'
import type { StoreyForces } from './forces.js'
import type { StoreyGrid } from './grid.js'

export type Letters = (address: string) => Letter
export type From = string | ((l: Letters) => Formula)

/** Addresses of the numbers of a storeyed frame. */
export const at = {
  storey: (k: number) => addressOf('storey', k + 1),
  overturning: (k: number) => addressOf('overturning', k + 1),
  length: (id: string) => addressOf('L', id),
  shear: (id: string) => addressOf('V', id),
  axial: (id: string) => addressOf('N', id),
  moment: (id: string, e: 0 | 1) => addressOf('M', id, ENDS[e]),
  solver: (id: string, e: 0 | 1) => addressOf('solver-moment', id, ENDS[e]),
}

/** Where each number of a member comes from. */
export interface Origins {
  shear: (member: number) => From
  axial: (member: number) => From
  moment: (member: number, e: 0 | 1) => From
}

/**
 * Notes lengths, storey shears and the forces of every member with their formulas, and the solver's
 * moments.
 */
export function noteStoreyed(
  notes: Notes,
  s: Structure,
  g: StoreyGrid,
  f: StoreyForces,
  from: Origins,
  action: ActionSolution,
): void {
  f.storey.forEach((si, k) =>
    notes.put(['storey', k + 1], {
      symbol: { letter: 'H', sub: String(k + 1) },
      si,
      dimension: D.force,
      from: `All level loads above the points of inflection of storey ${k + 1}.`,
    }),
  )
  for (const i of [...g.columns.flat(), ...g.beams.flatMap((b) => b.slice(1))]) {
    const m = s.members[i]
    const of = [thing.member(m.id)]
    const put = (kind: string, letter: string, si: number, dimension: D.Dimension, origin: From) =>
      notes.put([kind, m.id], { symbol: { letter, of: m.id }, si, dimension, from: origin, of })
    put('L', 'L', m.length, D.length, 'The length of the member.')
    put('V', 'V', f.shear[i], D.force, from.shear(i))
    put('N', 'N', f.axial[i], D.force, from.axial(i))
    for (const e of [0, 1] as const) {
      const symbol = { letter: 'M', sub: endLetters(s, i, e) }
      const si = e === 0 ? f.start[i] : f.end[i]
      notes.put(['M', m.id, ENDS[e]], { symbol, si, dimension: D.moment, from: from.moment(i, e), of })
      notes.put(['solver-moment', m.id, ENDS[e]], {
        symbol,
        si: action.forces[6 * i + 3 * e + 2],
        dimension: D.moment,
        from: 'The stiffness method finds this.',
        of,
      })
    }
  }
}
