import type { Member, Problem } from './types.js'

/** The joints a member joins, `A–B`; undefined where its label says them already, as `AB` or `A-B` does. */
export function joinsWords(label: string, start: string, end: string): string | undefined {
  const plain = (text: string) => text.replace(/[\s,;–-]/g, '')
  const said = [plain(start + end), plain(end + start)].includes(plain(label))
  return said ? undefined : `${start}–${end}`
}

/** Members by their label, found once for a list of members. */
const found = new WeakMap<readonly Member[], ReadonlyMap<string, Member>>()

/** The joints that the member of a label joins, where its label does not say them. */
export function joinsOf({ members }: Pick<Problem, 'members'>, label: string): string | undefined {
  const byLabel = found.get(members) ?? new Map(members.map((m) => [m.id, m]))
  found.set(members, byLabel)
  const m = byLabel.get(label)
  return m && joinsWords(label, m.start, m.end)
}

/** A member as a heading names it: `AB`, or `3 (A–B)` where its label does not say what it joins. */
export function memberTitle(label: string, start: string, end: string): string {
  const joins = joinsWords(label, start, end)
  return joins ? `${label} (${joins})` : label
}
