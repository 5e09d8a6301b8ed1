import type { Problem } from './types.js'

const AND = new Intl.ListFormat('en-GB')

/** Names that are written out; more of a kind are counted. */
const MOST_NAMED = 3

/** What kinds of thing a removal takes along, in the order in which a sentence names them. */
const KINDS: readonly { one: string; many: string; of: (p: Problem) => string[]; unnamed?: boolean }[] = [
  { one: 'case', many: 'cases', of: (p) => (p.loadCases ?? []).map((c) => c.id) },
  { one: 'joint', many: 'joints', of: (p) => p.nodes.map((n) => n.id) },
  { one: 'member', many: 'members', of: (p) => p.members.map((m) => m.id) },
  { one: 'support', many: 'supports', of: (p) => (p.supports ?? []).map((s) => s.node), unnamed: true },
  {
    one: 'load',
    many: 'loads',
    of: (p) => (p.loadCases ?? []).flatMap((c) => c.loads.map((_, i) => `${c.id} ${i}`)),
    unnamed: true,
  },
  { one: 'hand value', many: 'hand values', of: (p) => (p.answers ?? []).map((a) => a.id), unnamed: true },
  { one: 'combination', many: 'combinations', of: (p) => (p.combinations ?? []).map((c) => c.id) },
]

/** How many of a kind are gone, and their names where ids are names. */
function gone(kind: (typeof KINDS)[number], before: Problem, after: Problem) {
  const [was, is] = [new Set(kind.of(before)), new Set(kind.of(after))]
  const ids = [...was].filter((id) => !is.has(id))
  const added = [...is].some((id) => !was.has(id))
  return { ids, count: was.size - is.size, added }
}

/** The sentence on hand values that lost their place, such as the stiffness of a member that was split. */
function valuesGone({ count, added }: ReturnType<typeof gone>): string | undefined {
  if (count <= 0 || added) return undefined
  return count === 1
    ? '1 hand value was removed: what it states does not exist any more.'
    : `${count} hand values were removed: what they state does not exist any more.`
}

/**
 * What a removal took along, as a sentence: "Joint C was removed, and with it the member BC and 2 loads."
 * Undefined where one thing alone went, nothing did, or something came in its place.
 */
export function goneWith(before: Problem, after: Problem): string | undefined {
  const lost = KINDS.map((kind) => ({ kind, ...gone(kind, before, after) }))
  if (lost.some((l) => l.added)) return valuesGone(lost.find((l) => l.kind.one === 'hand value')!)
  const [first, ...others] = lost.filter((l) => l.count > 0)
  if (!first || first.kind.unnamed || others.length === 0) return undefined
  const several = first.ids.length > 1
  const said = (l: (typeof lost)[number], article: string) =>
    l.kind.unnamed || l.ids.length > MOST_NAMED
      ? `${l.count} ${l.count === 1 ? l.kind.one : l.kind.many}`
      : `${article}${l.count === 1 ? l.kind.one : l.kind.many} ${AND.format(l.ids)}`
  const subject = said(first, '')
  return (
    `${subject[0].toUpperCase()}${subject.slice(1)} ${several ? 'were' : 'was'} removed, and with ` +
    `${several ? 'them' : 'it'} ${AND.format(others.map((l) => said(l, 'the ')))}.`
  )
}
