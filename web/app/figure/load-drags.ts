import {
  readThing,
  dimension,
  edit,
  siPerCoherent,
  type Problem,
  type Structure,
  type ThingKey,
} from '@viga/core'
import { lineOf, withLine } from '@viga/core/statement/load-sorts'
import type { Grip } from '@viga/drawing/loads'
import { dot, plus, type Vec } from '@viga/drawing/marks'
import { niceBelow } from '@viga/drawing/nice'
import { memberLine, type View } from '@viga/drawing/view'

/** A displacement of the pointer less than this across leaves a place as it is, px. */
const ACROSS = 9

const round = (v: number, step: number) => Number((Math.round(v / step) * step).toPrecision(12))

/** The case of a load or of a grip on it, its place in the case, and the point that is gripped. */
export function loadPlace(target: ThingKey): { caseId: string; index: number; point?: number } {
  const it = readThing(target)
  if (it?.kind === 'grip') return it
  return it?.kind === 'load' ? it : { caseId: '', index: -1 }
}

/** A load at a place of a member, moved along it to where the pointer is, in steps of the grid. */
export function dragAlong(
  p: Problem,
  s: Structure,
  view: View,
  target: string,
  at: Vec,
  step: number,
): Problem {
  const { caseId, index } = loadPlace(target)
  const load = p.loadCases?.find((c) => c.id === caseId)?.loads[index]
  if (load?.type !== 'point') return p
  const m = s.members.find((o) => o.id === load.member)
  if (!m) return p
  const l = memberLine(s, view, m)
  const si = siPerCoherent(p.units, dimension.length)
  const x = dot(plus(at, l.a, -1), l.dir) / view.scale / si
  const L = m.length / si
  return edit.setLoad(p, caseId, index, {
    ...load,
    at: Math.min(Math.max(0, round(x, step)), Number(L.toPrecision(12))),
  })
}

/**
 * One end or corner of a distributed load, pulled by its grip: away from the member for more, towards it for
 * less, along it for another place. A uniform load becomes one that varies.
 */
export function dragGrip(
  p: Problem,
  s: Structure,
  view: View,
  grip: Grip,
  from: Vec,
  to: Vec,
  step: number,
): Problem {
  const { caseId, index, point = 0 } = loadPlace(grip.target)
  const load = p.loadCases?.find((c) => c.id === caseId)?.loads[index]
  if (load?.type !== 'distributed') return p
  const m = s.members.find((o) => o.id === load.member)
  if (!m) return p
  const line = lineOf(load)
  const moved = plus(to, from, -1)
  const [away, along] = [dot(moved, grip.back), dot(moved, grip.along)]
  const force = siPerCoherent(p.units, dimension.forcePerLength)
  const length = siPerCoherent(p.units, dimension.length)
  const fine = niceBelow((grip.siPerPx * 4) / force)
  const value = round((grip.value + away * grip.siPerPx) / force, fine)
  const L = m.length / length
  const points = line.points.map((q, i) => {
    if (i !== point) return q
    const x = Math.min(Math.max(0, round((grip.x + along / view.scale) / length, step)), L)
    const place = Math.abs(along) < ACROSS ? q.at : Math.abs(x - L) < 1e-9 * L ? '100%' : x
    return { at: place, q: Math.abs(away) < 3 ? q.q : value }
  })
  return edit.setLoad(p, caseId, index, withLine(load, { ...line, points }))
}
