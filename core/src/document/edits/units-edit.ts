import { produce } from 'immer'
import { loadQuantities } from '../../kinds/loads/index.js'
import * as D from '../../quantity/dimension.js'
import type { Problem } from '../types.js'

/**
 * Changes a problem's units. Plain numbers were typed in the old ones: with `keep` they are given their old
 * unit in
 * writing, so that the structure stays what it was; without it they are read anew in the new units.
 * @param length,force names of the new units
 */
export function setUnits(p: Problem, length: string, force: string, keep: boolean): Problem {
  if (p.units.length === length && p.units.force === force) return p
  return produce(p, (d) => {
    if (keep) writeUnits(d)
    d.units.length = length
    d.units.force = force
  })
}

/** A dimension in the problem's two units; empty for what does not depend on them. */
function unitText(d: D.Dimension, L: string, F: string): string {
  if (D.equal(d, D.length)) return L
  if (D.equal(d, D.force)) return F
  if (D.equal(d, D.moment)) return `${F}*${L}`
  return D.equal(d, D.forcePerLength) ? `${F}/${L}` : ''
}

function writeUnits(d: Problem) {
  const { length: L, force: F } = d.units
  const stress = `${F}/${L}^2`
  const write = (o: object | undefined, keys: readonly string[], unit: string) => {
    if (!o) return
    const r = o as Record<string, unknown>
    for (const k of keys) if (typeof r[k] === 'number' && r[k] !== 0) r[k] = `${r[k]} ${unit}`
  }
  d.materials?.forEach((m) => {
    write(m, ['E', 'G', 'yield'], stress)
    write(m, ['unitWeight'], `${F}/${L}^3`)
  })
  d.sections?.forEach((s) => {
    write(s, ['A', 'shearArea'], `${L}^2`)
    write(s, ['I'], `${L}^4`)
    write(s, ['depth', 'yTop', 'yBottom'], L)
    if (s.shape) write(s.shape, Object.keys(s.shape), L)
  })
  d.nodes.forEach((n) => write(n, ['x', 'y'], L))
  d.members.forEach((m) => {
    for (const end of [m.releases?.start, m.releases?.end]) {
      write(end, ['N', 'V'], `${F}/${L}`)
      write(end, ['M'], `${F}*${L}`)
    }
  })
  d.supports?.forEach((s) => {
    write(s.restrain, ['x', 'y'], `${F}/${L}`)
    write(s.restrain, ['rotation'], `${F}*${L}`)
    write(s.settlement, ['x', 'y'], L)
  })
  for (const c of d.loadCases ?? [])
    for (const l of c.loads) {
      for (const [key, dimension] of Object.entries(loadQuantities(l.type))) {
        const unit = unitText(dimension, L, F)
        if (!unit) continue
        write(l, [key], unit)
        if ('points' in l) l.points?.forEach((q) => write(q, [key], unit))
      }
    }
  for (const a of d.answers ?? []) {
    const turns = [a.row, a.column].filter((r) =>
      typeof r === 'number' ? r % 3 === 0 : r?.component === 'rotation',
    ).length
    const rotation = a.component === 'rotation'
    const unit =
      a.quantity === 'moment' ||
      a.of === 'moment' ||
      (a.quantity === 'reaction' && rotation) ||
      (a.quantity === 'stiffness' && turns === 2)
        ? `${F}*${L}`
        : a.quantity === 'deflection' || a.of === 'deflection' || (a.quantity === 'displacement' && !rotation)
          ? L
          : a.quantity === 'stiffness' && turns === 0
            ? `${F}/${L}`
            : a.quantity === 'load-factor' || a.quantity === 'displacement'
              ? ''
              : F
    if (unit) write(a, ['value', 'tolerance'], unit)
    write(a, ['at'], L)
  }
}
