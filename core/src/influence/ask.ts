import { checkProblem } from '../document/read.js'
import type { Asked, Problem, ProblemError } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import { lineRefusal } from './line.js'

const wrong = (path: string, message: string): ProblemError => ({ kind: 'invalid', path, message })

/**
 * The quantity of an influence line as it was asked for: an object with the keys of an answer.
 * @returns the quantity, or what is wrong with it
 */
export function readAsked(problem: Problem, asked: unknown): { ok: true; asked: Asked } | ProblemError {
  if (typeof asked !== 'object' || asked === null || Array.isArray(asked))
    return wrong('of', 'A quantity is an object with the keys of an answer.')
  const answer = { ...asked, id: 'asked', value: 0 }
  const read = checkProblem({ ...problem, answers: [answer] })
  if (!read.ok) {
    const [error] = read.errors
    return { ...error, path: error.path.replace('answers[0]', 'of') }
  }
  const { id, value, ...kept } = read.problem.answers![0]
  void [id, value]
  const why = lineRefusal(kept) ?? missing(problem, kept)
  return why ? wrong('of', why) : { ok: true, asked: asked as Asked }
}

/** Why a quantity cannot be asked for: its joint, its member or its support is not there. */
function missing({ nodes, members, supports }: Problem, a: Asked): string | undefined {
  if (a.node !== undefined && !nodes.some((n) => n.id === a.node)) return `There is no joint ${a.node}.`
  if (a.member !== undefined && !members.some((m) => m.id === a.member))
    return `There is no member ${a.member}.`
  if (a.quantity === 'reaction' && !(supports ?? []).some((p) => p.node === a.node))
    return `${a.node ?? 'The joint'} has no support, so no reaction.`
  return undefined
}

/**
 * The members of a path by their labels, parted by spaces or commas.
 * @returns their places in the structure, or the label that no member has
 */
export function readAlong(s: Structure, text: string): number[] | { unknown: string } {
  const at = (label: string) => s.members.findIndex((m) => m.id === label)
  const labels = text
    .split(/\s*,\s*/)
    // a label may hold spaces: those of one piece are tried as a whole first
    .flatMap((piece) => (at(piece) >= 0 ? [piece] : piece.split(/\s+/)))
    .filter(Boolean)
  const unknown = labels.find((label) => at(label) < 0)
  return unknown === undefined ? [...new Set(labels.map(at))] : { unknown }
}
