import { labelOfMember } from '../labels.js'
import { rename } from '../references.js'
import type { Member, Problem } from '../types.js'

/**
 * Gives members the labels of their joints again after an edit has changed these joints, where they were
 * named after them before. Where another member has that label already, the old label stays.
 * @param before the problem before the edit, with the members in the same order
 * @param concerns whether a member, as it was before, has joints that the edit changed
 */
export function membersRenamed(before: Problem, after: Problem, concerns: (m: Member) => boolean): Problem {
  const was = new Map(before.members.map((m) => [m.id, m]))
  const changing = after.members.filter((m) => {
    const old = was.get(m.id)
    return old !== undefined && concerns(old) && isNamedAfterJoints(old)
  })
  const staying = new Set(after.members.map((m) => m.id))
  for (const m of changing) staying.delete(m.id)
  const names = new Map<string, string>()
  for (const m of changing) {
    let label = labelOfMember(m.start, m.end)
    while (staying.has(label)) label += "'"
    staying.add(label)
    names.set(m.id, label)
  }
  return rename(after, 'member', names)
}

/**
 * Whether a member's label is that of its joints: "AB", "1–2"; primes tell members of the same joints apart.
 */
export const isNamedAfterJoints = (m: Member): boolean =>
  m.id.replace(/'+$/, '') === labelOfMember(m.start, m.end).replace(/'+$/, '')
