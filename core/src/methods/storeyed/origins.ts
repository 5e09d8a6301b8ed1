import * as D from '../../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import type { Structure } from '../../structure/types.js'
import { minus, number, over, sum, times, type Formula } from '../expression.js'
import { areasOf, centroidOf, levelLoads } from './forces.js'
import type { StoreyGrid } from './grid.js'
import { at, type From, type Letters, type Origins } from './notes.js'

/** A frame whose numbers are given their formulas. */
export interface Storeyed {
  s: Structure
  g: StoreyGrid
  nodal: Float64Array
  units: ProblemUnits
}

type Place = { line: number; level: number }

const coherent = (w: Storeyed, si: number, d: D.Dimension) => si / siPerCoherent(w.units, d)
const idOf = ({ s }: Storeyed, member: number) => s.members[member].id

/** The line and storey of a column, from 0; undefined for a beam. */
function columnAt({ g }: Storeyed, member: number): Place | undefined {
  for (const [line, of] of g.columns.entries()) {
    const level = of.indexOf(member)
    if (level >= 0) return { line, level }
  }
  return undefined
}

/** The bay of a beam, by the line at its left, and its level. */
function beamAt({ g }: Storeyed, member: number): Place {
  const line = g.beams.findIndex((of) => of.includes(member))
  return { line, level: g.beams[line].indexOf(member) }
}

const isFoot = (w: Storeyed, p: Place, member: number, e: 0 | 1) => {
  const m = w.s.members[member]
  return w.g.pinned && p.level === 0 && (e === 0 ? m.start : m.end) === w.g.joints[p.line][0]
}

/** The moment address of a member at a joint. */
function momentAt(w: Storeyed, member: number, node: number): string {
  return at.moment(idOf(w, member), w.s.members[member].start === node ? 0 : 1)
}

/** The moments of the columns at a joint, as letters. */
function columnsAt(w: Storeyed, line: number, level: number, l: Letters): Formula[] {
  const { columns, joints } = w.g
  const of = [columns[line][level - 1], ...(level < columns[line].length ? [columns[line][level]] : [])]
  return of.map((member) => l(momentAt(w, member, joints[line][level])))
}

const optional = <T>(there: boolean, make: () => T): T[] => (there ? [make()] : [])

/**
 * The axial force of a beam: that of the one before it, the shears of the columns and the load at the
 * joint.
 */
const beamAxial =
  (w: Storeyed, { line, level }: Place): From =>
  (l) => {
    const { columns, beams } = w.g
    const load = coherent(w, levelLoads(w.g, w.nodal)[line][level], D.force)
    return sum(
      ...optional(line > 0, () => l(at.axial(idOf(w, beams[line - 1][level])))),
      l(at.shear(idOf(w, columns[line][level - 1]))),
      ...optional(level < columns[line].length, () => minus(l(at.shear(idOf(w, columns[line][level]))))),
      ...optional(load !== 0, () => number(-load)),
    )
  }

/** Where the numbers of the portal method come from. */
export const portalOrigins = (w: Storeyed): Origins => ({
  shear: (member) => (l) => {
    const c = columnAt(w, member)
    const id = idOf(w, member)
    if (!c) return over(times(number(2), l(at.moment(id, 0))), l(at.length(id)))
    const share = c.line === 0 || c.line === w.g.beams.length ? 1 : 2
    return over(times(number(share), l(at.storey(c.level))), number(2 * w.g.beams.length))
  },
  moment: (member, e) => {
    const c = columnAt(w, member)
    const id = idOf(w, member)
    if (c && isFoot(w, c, member, e)) return 'The foot is pinned.'
    if (c)
      return (l) => {
        const whole = times(l(at.shear(id)), l(at.length(id)))
        return w.g.pinned && c.level === 0 ? whole : over(whole, number(2))
      }
    const { line, level } = beamAt(w, member)
    return (l) => {
      const before = optional(line > 0, () => minus(l(at.moment(idOf(w, w.g.beams[line - 1][level]), 0))))
      return sum(...columnsAt(w, line, level, l).map(minus), ...before)
    }
  },
  axial: (member) => {
    const c = columnAt(w, member)
    if (!c) return beamAxial(w, beamAt(w, member))
    const { columns, beams } = w.g
    const level = c.level + 1
    return (l) =>
      sum(
        ...optional(level < columns[c.line].length, () => l(at.axial(idOf(w, columns[c.line][level])))),
        ...optional(c.line > 0, () => l(at.shear(idOf(w, beams[c.line - 1][level])))),
        ...optional(c.line < beams.length, () => minus(l(at.shear(idOf(w, beams[c.line][level]))))),
      )
  },
})

/** Where the numbers of the cantilever method come from. */
export const cantileverOrigins = (w: Storeyed): Origins => ({
  axial: (member) => {
    const c = columnAt(w, member)
    if (!c) return beamAxial(w, beamAt(w, member))
    const areas = areasOf(w.s, w.g, c.level)
    const centroid = centroidOf(w.s, w.g, c.level)
    const second = areas.reduce((t, A, i) => t + A * (w.g.x[i] - centroid) ** 2, 0)
    // so many for a length: the share of the column in the moment
    const share = 1 / coherent(w, second / (areas[c.line] * (centroid - w.g.x[c.line])), D.length)
    return (l) => times(number(Number.isFinite(share) ? share : 0), l(at.overturning(c.level)))
  },
  shear: (member) => {
    const c = columnAt(w, member)
    const id = idOf(w, member)
    if (c) return (l) => over(sum(l(at.moment(id, 0)), l(at.moment(id, 1))), l(at.length(id)))
    const { columns, beams } = w.g
    const { line, level } = beamAt(w, member)
    return (l) =>
      sum(
        ...optional(line > 0, () => l(at.shear(idOf(w, beams[line - 1][level])))),
        ...optional(level < columns[line].length, () => l(at.axial(idOf(w, columns[line][level])))),
        minus(l(at.axial(idOf(w, columns[line][level - 1])))),
      )
  },
  moment: (member, e) => {
    const c = columnAt(w, member)
    const id = idOf(w, member)
    if (!c) return (l) => over(times(l(at.shear(id)), l(at.length(id))), number(2))
    if (isFoot(w, c, member, e)) return 'The foot is pinned.'
    const { columns, beams, joints } = w.g
    const level = c.level + 1
    const node = joints[c.line][level]
    return (l) =>
      sum(
        ...optional(c.line > 0, () => minus(l(momentAt(w, beams[c.line - 1][level], node)))),
        ...optional(c.line < beams.length, () => minus(l(momentAt(w, beams[c.line][level], node)))),
        ...optional(level < columns[c.line].length, () =>
          minus(l(momentAt(w, columns[c.line][level], node))),
        ),
      )
  },
})
