import { produce } from 'immer'
import type { Answer } from '../../kinds/answers/form.js'
import { reversedLoad } from '../../kinds/loads/index.js'
import { fromOtherEnd } from '../../kinds/loads/kind.js'
import { measure, scaled, type Measure } from '../measure.js'
import { keptPlaces, type KeptPlace } from '../kept-places.js'
import type { Member, Problem } from '../types.js'
import { membersRenamed } from './member-labels.js'

/**
 * Lets a member's start and end change places. The structure stays what it was: releases stay at their
 * joints, loads and hand answers are measured from the new start and stated in the turned axes of the member.
 * A member that is named after its joints is named anew.
 */
export function reverseMember(p: Problem, id: string): Problem {
  const index = p.members.findIndex((m) => m.id === id)
  if (index < 0) return p
  const member = p.members[index]
  const m = measure(p)
  const L = m.length(member.start, member.end)
  const after = produce(p, (d) => {
    d.members[index] = reversed(member)
    for (const c of d.loadCases ?? [])
      c.loads = c.loads.map((l) => (l.type !== 'nodal' && l.member === id ? reversedLoad(l, m, L) : l))
    if (d.answers) d.answers = d.answers.map((a) => (a.member === id ? reversedAnswer(a, m, L) : a))
    if (d.view?.readings) d.view.readings = reversedReadings(p, id, m, L)
  })
  return membersRenamed(p, after, (o) => o.id === id)
}

/** The places at which values are read along a member, measured from its other end. */
const reversedReadings = (p: Problem, id: string, m: Measure, L: number): KeptPlace[] =>
  keptPlaces(p).map((r) => (r.member === id ? { ...r, at: fromOtherEnd(r.at, m, L) } : r))

function reversed({ releases, ...rest }: Member): Member {
  const turned: Member = { ...rest, start: rest.end, end: rest.start }
  if (releases)
    turned.releases = {
      ...(releases.end ? { start: releases.end } : {}),
      ...(releases.start ? { end: releases.start } : {}),
    }
  return turned
}

/**
 * What a hand answer reads when the axes of its member have turned by half a circle: moments and deflections
 * change sign, axial and shear forces keep theirs.
 */
function reversedAnswer(a: Answer, m: Measure, L: number): Answer {
  const out = { ...a }
  if (a.at !== undefined) out.at = fromOtherEnd(a.at, m, L)
  if (a.side) out.side = a.side === 'left' ? 'right' : 'left'
  if (a.quantity === 'fixed-end')
    return {
      ...out,
      end: a.end === 'end' ? 'start' : 'end',
      // forces in member axes turn with them, a moment stays
      ...(a.component === 'rotation' ? {} : { value: scaled(a.value, -1) }),
    }
  if (a.quantity === 'stiffness') return { ...out, ...reversedEntry(a) }
  const of = a.of ?? a.quantity
  if (of !== 'moment' && of !== 'deflection') return out
  if (a.quantity === 'maximum') out.quantity = 'minimum'
  if (a.quantity === 'minimum') out.quantity = 'maximum'
  out.value = scaled(a.value, -1)
  return out
}

/** An entry of the member's own matrix: start and end change places; in member axes u and v turn, too. */
function reversedEntry(a: Answer): Partial<Answer> {
  const { row, column } = a
  if (typeof row !== 'number' || typeof column !== 'number') return {}
  const other = (i: number) => (((i + 2) % 6) + 1) as typeof row
  const turns = a.axes === 'member' && (row % 3 === 0) !== (column % 3 === 0)
  return { row: other(row), column: other(column), ...(turns ? { value: scaled(a.value, -1) } : {}) }
}
