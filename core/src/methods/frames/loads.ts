import type { MemberActions } from '../../structure/actions.js'
import type { StructureMember } from '../../structure/types.js'

/** The resultant of the loads on a member in its own axes, N, and their moment about its start, N·m. */
export interface Resultant {
  along: number
  across: number
  moment: number
}

export function resultantOf(actions: MemberActions | undefined): Resultant {
  const out = { along: 0, across: 0, moment: 0 }
  for (const { a, b, p, q, c } of actions?.spans ?? []) {
    const h = b - a
    out.along += ((p[0] + p[1]) / 2) * h
    out.across += ((q[0] + q[1]) / 2) * h
    out.moment += ((c[0] + c[1]) / 2) * h
    // the moment of a trapezoid about the start of the member
    out.moment += ((q[0] + q[1]) / 2) * h * a + ((q[0] + 2 * q[1]) / 6) * h * h
  }
  for (const { x, fx, fy, m } of actions?.points ?? []) {
    out.along += fx
    out.across += fy
    out.moment += m + fy * x
  }
  return out
}

/** The length by which a member is longer than stated, from temperature or misfit, m. */
export const elongationOf = (m: StructureMember, actions: MemberActions | undefined): number =>
  (actions?.axialStrain ?? 0) * m.length
