import type { Thing } from './form.js'
import { document } from './schema.js'
import { REMOVED, transform } from './transform.js'
import type { Problem } from './types.js'

/**
 * What the document says about other parts of itself, found by its schema: loads, supports, answers, factors,
 * the numbering of unknowns and whatever refers to something later. An edit that renames, removes or merges
 * goes through here, so that a new key that refers to something is followed without a word here.
 */

/** The lists whose entries are referred to. */
const LISTS = {
  node: 'nodes',
  member: 'members',
  material: 'materials',
  section: 'sections',
  case: 'loadCases',
  combination: 'combinations',
} as const satisfies Record<Thing, keyof Problem>

const THINGS = Object.keys(LISTS) as Thing[]

/** All labels of a kind of thing. */
export const labelsOf = (p: Problem, thing: Thing): string[] => (p[LISTS[thing]] ?? []).map((o) => o.id)

/** Every reference to a thing of this kind under another label; the things themselves keep theirs. */
export const redirect = (p: Problem, thing: Thing, to: (label: string) => string): Problem =>
  transform(document, p, {
    reference: (label, form) => (form.to.includes(thing) ? to(label) : label),
  }) as Problem

/**
 * Renames things and all that refers to them at once, so that labels may change places.
 * @param names new label by old label
 */
export function rename(p: Problem, thing: Thing, names: ReadonlyMap<string, string>): Problem {
  const changing = new Map([...names].filter(([from, to]) => from !== to))
  if (changing.size === 0) return p
  const redirected = redirect(p, thing, (label) => changing.get(label) ?? label)
  const list = (redirected[LISTS[thing]] ?? []) as { id: string }[]
  return {
    ...redirected,
    [LISTS[thing]]: list.map((o) => (changing.has(o.id) ? { ...o, id: changing.get(o.id)! } : o)),
  }
}

/**
 * Takes things out with all that cannot do without them: the members of a joint, the loads and answers of a
 * member, and so on. References to labels that were never there are left as they are.
 */
export function remove(p: Problem, thing: Thing, labels: readonly string[]): Problem {
  const gone = Object.fromEntries(THINGS.map((t) => [t, new Set<string>()])) as Record<Thing, Set<string>>
  for (const label of labels) gone[thing].add(label)
  const list = (p[LISTS[thing]] ?? []) as { id: string }[]
  if (!list.some((o) => gone[thing].has(o.id))) return p
  let out: Problem = { ...p, [LISTS[thing]]: list.filter((o) => !gone[thing].has(o.id)) }
  // a member that goes with its joint takes its own loads along, so the search ends when nothing more goes
  for (let before: Problem | undefined; before !== out;) {
    before = out
    out = transform(document, out, {
      reference: (label, form) => (form.to.some((t) => gone[t].has(label)) ? REMOVED : label),
    }) as Problem
    for (const t of THINGS) {
      const left = new Set(labelsOf(out, t))
      for (const label of labelsOf(before, t)) if (!left.has(label)) gone[t].add(label)
    }
  }
  return out
}

/** Paths of the references that lead nowhere. */
export function danglingReferences(p: Problem): string[] {
  const present = presentIn(p)
  const out: string[] = []
  transform(document, p, {
    reference: (label, form, path) => {
      if (!form.to.some((t) => present[t].has(label))) out.push(path)
      return label
    },
  })
  return out
}

const presentIn = (p: Problem) =>
  Object.fromEntries(THINGS.map((t) => [t, new Set(labelsOf(p, t))])) as unknown as Record<Thing, Set<string>>
