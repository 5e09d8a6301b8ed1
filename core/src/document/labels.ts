import { findJoint, runsOfJoints } from './names.js'
import type { Problem } from './types.js'

/**
 * Next free joint label in the manner of those present: numbers go on as numbers, letters as A … Z, A1, B1 …
 */
export function nextNodeLabel(problem: Problem): string {
  const used = new Set(problem.nodes.map((n) => n.id))
  const numeric = problem.nodes.length > 0 && problem.nodes.every((n) => /^\d+$/.test(n.id))
  for (let i = 0; ; i++) {
    const label = numeric ? String(i + 1) : letterLabel(i)
    if (!used.has(label)) return label
  }
}

/** The i-th label by letters, from 0: A … Z, A1 … Z1, A2 … */
export const letterLabel = (i: number) =>
  'ABCDEFGHIJKLMNOPQRSTUVWXYZ'[i % 26] + (i < 26 ? '' : String(Math.floor(i / 26)))

/** The label of a member after its joints: "AB" for A and B, "1–2" for numbers. */
export function labelOfMember(start: string, end: string): string {
  const plain = /^\p{L}['′]*$/u.test(start) && /^\p{L}['′]*$/u.test(end)
  return [...(plain ? start + end : `${start}–${end}`)].slice(0, 20).join('')
}

/** The label of a new member between two joints, with a prime where it is taken. */
export function memberLabel(problem: Problem, start: string, end: string): string {
  const used = new Set(problem.members.map((m) => m.id))
  let label = labelOfMember(start, end)
  while (used.has(label)) label += "'"
  return label
}

/** The first of `stem`1, `stem`2, … that is not taken. */
export function freeId(taken: Iterable<string>, stem: string): string {
  const used = new Set(taken)
  for (let i = 1; ; i++) if (!used.has(`${stem}${i}`)) return `${stem}${i}`
}

/**
 * Joints named one after another in a chain: "A B C", "A-B", or "ABC" and "123" where that can be cut into
 * labels in one way only.
 * @returns the joints, or a sentence on what is not understood
 */
export function readChain(problem: Problem, text: string): string[] | { message: string } {
  const spaced = text
    .trim()
    .split(/[\s,–—-]+/)
    .filter(Boolean)
  if (spaced.length === 1) {
    const runs = runsOfJoints(problem, spaced[0]).filter((r) => r.length > 1)
    if (runs.length === 1) return runs[0]
    if (runs.length > 1)
      return {
        message:
          `${spaced[0]} may be ${runs.map((r) => r.join(' ')).join(' or ')}: write the joints with ` +
          'spaces between them.',
      }
  }
  const found = spaced.map((l) => findJoint(problem, l))
  const missing = found.findIndex((l) => l === undefined)
  if (missing < 0) return found as string[]
  const named = spaced.length === 1 ? (spaced[0].match(JOINT_NAMES) ?? []) : spaced
  const absent = named.filter((l) => findJoint(problem, l) === undefined)
  if (named.join('').length !== spaced.join('').length || absent.length < 2)
    return { message: `There is no joint ${spaced[missing]}.` }
  return {
    message:
      `There are no joints ${absent.slice(0, -1).join(', ')} and ${absent[absent.length - 1]} yet: place ` +
      'them under Joints, and this line connects them.',
  }
}

/** Labels of joints that do not exist yet, in a chain such as ABC or A1B'C. */
const JOINT_NAMES = /\p{Lu}\d*['′]*/gu
