import { readThing, thing, type Problem, type ThingKey } from '@viga/core'

/** A text in a field that is not, or not yet, part of the problem. */
export interface Draft {
  text: string
  /** Why it cannot be read; without it, it waits to be finished. */
  message?: string
  /** The name of its field, as the page says it. */
  field?: string
}

/**
 * Texts by field. The key of a field of a thing says which thing that is, so that a text goes along when its
 * thing is renamed or moves up in a list.
 */
export type Drafts = Readonly<Record<string, Draft>>

/** Parts the thing of a field from what the field is of it. */
const BETWEEN = '\n'

/** The key of a field's draft: by its thing and its role there, else by its name. */
export const draftKey = (name: string, of?: { thing: ThingKey; label: string }): string =>
  of ? `${of.thing}${BETWEEN}${name.endsWith(of.label) ? name.slice(0, -of.label.length) : name}` : name

/** The thing whose field a draft stands in. */
export const thingOfDraft = (key: string): ThingKey | undefined =>
  key.includes(BETWEEN) ? key.slice(0, key.indexOf(BETWEEN)) : undefined

/** What browsers kept before drafts had a sentence was their text alone. */
export function readDrafts(kept: unknown): Drafts {
  if (typeof kept !== 'object' || kept === null) return {}
  const out: Record<string, Draft> = {}
  for (const [key, value] of Object.entries(kept as Record<string, unknown>)) {
    if (typeof value === 'string') out[key] = { text: value }
    else if (typeof (value as Draft | null)?.text === 'string') out[key] = value as Draft
  }
  return out
}

/**
 * Drafts after an edit, each with the thing it was of: renamed with it, moved with its load, gone with it.
 */
export function carriedOver(drafts: Drafts, before: Problem, after: Problem): Drafts {
  const moved = Object.entries(drafts).map(([key, draft]): [string, Draft] | undefined => {
    const of = thingOfDraft(key)
    if (of === undefined) return [key, draft]
    const now = thingAfter(of, before, after)
    if (now === undefined) return undefined
    return [
      now + key.slice(of.length),
      now === of ? draft : renamed(draft, labelOfThing(of), labelOfThing(now)),
    ]
  })
  if (moved.every((m, i) => m?.[0] === Object.keys(drafts)[i])) return drafts
  return Object.fromEntries(moved.filter((m) => m !== undefined))
}

/** What names of fields of a thing end with. */
export function labelOfThing(key: ThingKey): string {
  const t = readThing(key)
  return t?.kind === 'load' ? `load ${t.index + 1} of ${t.caseId}` : t && 'id' in t ? t.id : ''
}

const renamed = (draft: Draft, from: string, to: string): Draft =>
  draft.field?.endsWith(from) ? { ...draft, field: draft.field.slice(0, -from.length) + to } : draft

/** Drafts that cannot be read, of things that are there: each with its key. */
export function unread(drafts: Drafts, p: Problem): (Required<Draft> & { key: string })[] {
  return Object.entries(drafts).flatMap(([key, { text, message, field }]) => {
    const of = thingOfDraft(key)
    const there = of === undefined || isThere(of, p)
    return message !== undefined && field !== undefined && there ? [{ key, text, message, field }] : []
  })
}

function isThere(key: ThingKey, p: Problem): boolean {
  const t = readThing(key)
  switch (t?.kind) {
    case 'node':
      return p.nodes.some((n) => n.id === t.id)
    case 'support':
      return p.supports?.some((s) => s.node === t.id) ?? false
    case 'member':
      return p.members.some((m) => m.id === t.id)
    case 'answer':
      return p.answers?.some((a) => a.id === t.id) ?? false
    case 'load':
      return loadsOf(p, t.caseId)[t.index] !== undefined
    default:
      return true
  }
}

function thingAfter(key: ThingKey, before: Problem, after: Problem): ThingKey | undefined {
  const t = readThing(key)
  switch (t?.kind) {
    case 'node':
      return thing.node(labelAfter(t.id, before.nodes, after.nodes))
    case 'support':
      return thing.support(labelAfter(t.id, before.nodes, after.nodes))
    case 'member':
      return thing.member(labelAfter(t.id, before.members, after.members))
    case 'answer':
      return thing.answer(labelAfter(t.id, before.answers ?? [], after.answers ?? []))
    case 'load': {
      const caseId = labelAfter(t.caseId, before.loadCases ?? [], after.loadCases ?? [])
      const index = placeAfter(t.index, loadsOf(before, t.caseId), loadsOf(after, caseId))
      return index === undefined ? undefined : thing.load(caseId, index)
    }
    default:
      return key
  }
}

const loadsOf = (p: Problem, caseId: string) => p.loadCases?.find((c) => c.id === caseId)?.loads ?? []

type Labelled = readonly { id: string }[]

/** A label after an edit: the one at its place, where that is new and the old one is gone. */
export function labelAfter(id: string, before: Labelled, after: Labelled): string {
  if (before === after || after.some((o) => o.id === id) || before.length !== after.length) return id
  const there = after[before.findIndex((o) => o.id === id)]?.id
  return there !== undefined && !before.some((o) => o.id === there) ? there : id
}

/** The place of an item after an edit; items that an edit leaves alone stay the same objects. */
function placeAfter<T>(i: number, before: readonly T[], after: readonly T[]): number | undefined {
  if (before === after || after[i] === before[i]) return i
  const found = after.indexOf(before[i])
  if (found >= 0) return found
  return before.length === after.length ? i : undefined
}
