import { findJoint, findMember, pairsOf, membersMeant } from './names.js'
import type { Problem } from './types.js'

/** A joint or a member that a load stands on. */
export type On = { node: string } | { member: string }

/** More places than this are not named in one line. */
const MOST = 2000

const WORD = /^(joints?|nodes?|points?|supports?|members?|bars?|beams?|columns?)\s+/i
const isMemberWord = (word: string) => /^(member|bar|beam|column)/i.test(word)
const RANGE = /^(.+?)\s*(?:\.{2,3}|…)\s*(.+)$/
const APART = /\s*(?:[,;&]|\band\b)\s*/i

/** One way of reading a text: the places it names, all there. */
export interface PlacesReading {
  places: On[]
  /** The places in words: "the joints B and C", "the member 1–2". */
  words: string
}

const labelled = (on: On) => ('node' in on ? on.node : on.member)

function inWords(places: readonly On[]): string {
  const kind = places.every((o) => 'node' in o) ? 'joint' : 'member'
  const names = places.map(labelled)
  const last = names.length > 1 ? ` and ${names[names.length - 1]}` : ''
  return `the ${kind}${last ? 's' : ''} ${names.slice(0, Math.max(1, names.length - 1)).join(', ')}${last}`
}

type Kind = 'node' | 'member'

/** What one name may stand for, of one kind; a range `B..F` stands for all from B to F in their order. */
function namedOf(p: Problem, text: string, kind: Kind): On[] | undefined {
  const range = RANGE.exec(text)
  if (range) {
    const [from, to] = [namedOf(p, range[1], kind), namedOf(p, range[2], kind)]
    if (from?.length !== 1 || to?.length !== 1) return undefined
    const ids = (kind === 'node' ? p.nodes : p.members).map((o) => o.id)
    const [a, b] = [ids.indexOf(labelled(from[0])), ids.indexOf(labelled(to[0]))]
    return ids
      .slice(Math.min(a, b), Math.max(a, b) + 1)
      .map((id): On => (kind === 'node' ? { node: id } : { member: id }))
  }
  if (kind === 'node') {
    const node = findJoint(p, text)
    return node === undefined ? undefined : [{ node }]
  }
  const members = membersMeant(p, text)
  return members.length === 1 ? [{ member: members[0] }] : undefined
}

/**
 * All ways of reading a text as places: a joint, a member, a list (`B, C, D`, `B and C`), a range (`B..F`,
 * `AB..DE`), each with or without the word `joint` or `member` before it.
 */
export function placesMeant(p: Problem, text: string): PlacesReading[] {
  const word = WORD.exec(text.trim())?.[1]
  const bare = text.trim().replace(WORD, '')
  const kinds: Kind[] = word === undefined ? ['node', 'member'] : [isMemberWord(word) ? 'member' : 'node']
  const found: On[][] = []
  for (const kind of kinds) {
    const whole = namedOf(p, bare, kind)
    if (whole) found.push(whole)
  }
  const parts = bare.split(APART).filter(Boolean)
  if (parts.length > 1) {
    for (const kind of kinds) {
      const each = parts.map((part) => namedOf(p, part, kind))
      if (each.every((o) => o !== undefined)) found.push(each.flat())
    }
    // joints and members in one list, where each name stands for one thing only
    const each = parts.map((part) => kinds.flatMap((kind) => namedOf(p, part, kind) ?? []))
    const mixed = each.every((o) => o.length === 1) ? each.flat() : []
    if (mixed.some((o) => 'node' in o) && mixed.some((o) => 'member' in o)) found.push(mixed)
  }
  return found.filter((places) => places.length <= MOST).map((places) => ({ places, words: inWords(places) }))
}

/** Why a text names no place, as a sentence. */
export function noPlace(p: Problem, text: string): string {
  const t = text.trim()
  const word = WORD.exec(t)?.[1]
  const bare = t.replace(WORD, '')
  const parts = bare.split(APART).filter(Boolean)
  const missing =
    parts.length > 1
      ? parts.find((part) => placesMeant(p, word ? `${word} ${part}` : part).length === 0)
      : bare
  const name = missing ?? bare
  if (word !== undefined && !isMemberWord(word)) return `There is no joint ${name}.`
  if (word !== undefined || pairsOf(p, name).length > 0) {
    const named = findMember(p, name)
    if (!named.ok) return named.message
  }
  return `There is no joint or member ${name}.`
}
