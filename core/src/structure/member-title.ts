import { memberTitle } from '../document/member-joins.js'
import type { Structure } from './types.js'

/** The name of a member in a heading, by its index: `AB`, or `3 (A–B)`. */
export function titleOfMember({ members, nodes }: Structure, index: number): string {
  const m = members[index]
  return memberTitle(m.id, nodes[m.start].id, nodes[m.end].id)
}
