import { produce } from 'immer'
import { reversedAnswer } from '../../kinds/answers/index.js'
import { reversedLoad } from '../../kinds/loads/index.js'
import { measure } from '../measure.js'
import { signsOf } from '../signs.js'
import type { Member, Problem } from '../types.js'
import { membersRenamed } from './member-labels.js'
import { reversedView } from './view-of-member.js'

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
  const reversal = { m, L, endForces: signsOf(p).ends === 'member' }
  const after = produce(p, (d) => {
    d.members[index] = reversed(member)
    for (const c of d.loadCases ?? [])
      c.loads = c.loads.map((l) => (l.type !== 'nodal' && l.member === id ? reversedLoad(l, m, L) : l))
    if (d.answers) d.answers = d.answers.map((a) => (a.member === id ? reversedAnswer(a, reversal) : a))
    if (p.view) d.view = reversedView(p, id, m, L)
  })
  return membersRenamed(p, after, (o) => o.id === id)
}

function reversed({ releases, ...rest }: Member): Member {
  const turned: Member = { ...rest, start: rest.end, end: rest.start }
  if (releases)
    turned.releases = {
      ...(releases.end ? { start: releases.end } : {}),
      ...(releases.start ? { end: releases.start } : {}),
    }
  return turned
}
