import type { Member, Problem } from './types.js'

/** How a person names a joint or a member, and what that may mean in a problem. */

/** What a name stands for, or why it stands for nothing. */
export type Named = { ok: true; node: string } | { ok: true; member: string } | { ok: false; message: string }
export type NamedMember = { ok: true; member: string } | { ok: false; message: string }

/** What parts two joints that are named one after the other. */
const BETWEEN = /\s*(?:[,–—-]|\bto\b|\s)\s*/

/** The joint of that label; a small letter will do where no other joint has it. */
export const findJoint = (p: Problem, text: string): string | undefined => findLabel(p.nodes, text.trim())

function findLabel(things: readonly { id: string }[], text: string): string | undefined {
  if (things.some((o) => o.id === text)) return text
  const alike = things.filter((o) => o.id.toLowerCase() === text.toLowerCase())
  return alike.length === 1 ? alike[0].id : undefined
}

/** All ways to read a text as joints one after another without anything between them. */
export function runsOfJoints(p: Problem, text: string, most = 3): string[][] {
  const out: string[][] = []
  const longest = Math.max(0, ...p.nodes.map((n) => n.id.length))
  const go = (at: number, so: string[]) => {
    if (out.length >= most) return
    if (at === text.length) return void out.push(so)
    for (let n = 1; n <= Math.min(longest, text.length - at); n++) {
      const joint = findJoint(p, text.slice(at, at + n))
      if (joint !== undefined) go(at + n, [...so, joint])
    }
  }
  go(0, [])
  return out
}

/** The pairs of joints that a text may name: `1-2`, `1 2`, `1 to 2`, or `12` in each way it can be cut. */
export function pairsOf(p: Problem, text: string): [string, string][] {
  const parts = text.trim().split(BETWEEN)
  if (parts.length === 2) {
    const [a, b] = parts.map((t) => findJoint(p, t))
    return a !== undefined && b !== undefined ? [[a, b]] : []
  }
  if (parts.length !== 1) return []
  const cuts = [...text.trim()].map((_, i) => [text.trim().slice(0, i), text.trim().slice(i)])
  return cuts.flatMap(([a, b]): [string, string][] => {
    const [start, end] = [a, b].map((t) => (t === '' ? undefined : findJoint(p, t)))
    return start !== undefined && end !== undefined ? [[start, end]] : []
  })
}

const between = (p: Problem, [a, b]: [string, string]): Member[] =>
  p.members.filter((m) => (m.start === a && m.end === b) || (m.start === b && m.end === a))

/** The members a text may mean: the one of that label alone, else those between joints it names. */
export function membersMeant(p: Problem, text: string): string[] {
  if (p.members.some((m) => m.id === text)) return [text]
  const joined = pairsOf(p, text).flatMap((pair) => between(p, pair).map((m) => m.id))
  if (joined.length) return [...new Set(joined)]
  const alike = findLabel(p.members, text)
  return alike === undefined ? [] : [alike]
}

const list = (ids: readonly string[]) => ids.join(' or ')

/**
 * The member a text names: by its label, or by its joints in either order, `1-2`, `12`, `1 2`, `2-1`. Where
 * several are meant, a sentence asks which.
 */
export function findMember(p: Problem, text: string): NamedMember {
  const t = bare(text, MEMBER_WORDS)
  const meant = membersMeant(p, t)
  if (meant.length === 1) return { ok: true, member: meant[0] }
  if (meant.length > 1)
    return {
      ok: false,
      message: `${t} may be ${list(meant)}: write the joints apart, or the member's own label.`,
    }
  const [pair] = pairsOf(p, t)
  return {
    ok: false,
    message: pair ? `No member joins ${pair[0]} and ${pair[1]}.` : `There is no member ${t}.`,
  }
}

const MEMBER_WORDS = /^(?:member|bar|beam|column)\s+/i
const JOINT_WORDS = /^(?:joint|node|point|support)\s+/i
const bare = (text: string, words: RegExp) => text.trim().replace(words, '')

/** The joint or the member a text names; `joint 12` and `member 12` say which is meant. */
export function findPlace(p: Problem, text: string): Named {
  const t = text.trim()
  if (MEMBER_WORDS.test(t)) return findMember(p, t)
  const joint = findJoint(p, bare(t, JOINT_WORDS))
  if (JOINT_WORDS.test(t))
    return joint === undefined
      ? { ok: false, message: `There is no joint ${bare(t, JOINT_WORDS)}.` }
      : { ok: true, node: joint }
  const meant = membersMeant(p, t)
  if (joint !== undefined && meant.length)
    return {
      ok: false,
      message:
        `${t} may be the joint ${joint} or the member ${list(meant)}: write joint ${t}, or the joints ` +
        `of the member apart, ${p.members.find((m) => m.id === meant[0])!.start} ` +
        `${p.members.find((m) => m.id === meant[0])!.end}.`,
    }
  if (joint !== undefined) return { ok: true, node: joint }
  if (meant.length || pairsOf(p, t).length) return findMember(p, t)
  return { ok: false, message: `There is no joint or member ${t}.` }
}
