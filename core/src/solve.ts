import type { Solution, Solved } from './analysis/solve.js'
import { answerErrors } from './checking/answer-errors.js'
import { checkProblem, readProblem, type ReadResult } from './document/read.js'
import type { Notice, Problem, ProblemError } from './document/types.js'
import { solve } from './stability/second-order.js'
import { resolve, type Resolved } from './structure/resolve.js'
import type { SolveError } from './structure/types.js'

export type Outcome =
  | ({ stage: 'solved'; solution: Solution } & Resolved)
  /**
   * Well formed, drawn, but without a solution: a mechanism, something missing, something this version does
   * not do.
   */
  | ({ stage: 'unsolved'; error: SolveError } & Resolved)
  | { stage: 'invalid'; errors: ProblemError[] }

/** Problem → Outcome: what can be made of a problem, from its statement to its solution, in one pure call. */
export const work = (problem: Problem): Outcome => outcomeOf(problem).outcome

/**
 * A solver for one problem after another, as they follow from edits: it keeps the last solution with its
 * factorisation, so that an edit of a load factors nothing and one that changes no mechanics solves nothing.
 * The outcomes are those of `work`.
 */
export function createSolver(): (problem: Problem) => Outcome {
  let last: Solved | undefined
  return (problem) => {
    const { outcome, solved } = outcomeOf(problem, last)
    last = solved ?? last
    return outcome
  }
}

function outcomeOf(problem: Problem, before?: Solved): { outcome: Outcome; solved?: Solved } {
  const resolved = resolve(problem)
  if (!resolved.ok) return { outcome: { stage: 'invalid', errors: resolved.errors } }
  const answers = answerErrors(problem)
  if (answers.length) return { outcome: { stage: 'invalid', errors: answers } }
  const { structure, obstacles, notices } = resolved
  const unsolved = (error: SolveError): { outcome: Outcome } => ({
    outcome: { stage: 'unsolved', error, structure, obstacles, notices },
  })
  if (obstacles.length) return unsolved(obstacles[0])
  const result = solve(structure, before)
  if (!result.ok) return unsolved(result.error)
  const { solution } = result
  return { outcome: { stage: 'solved', solution, structure, obstacles, notices }, solved: result }
}

/** A problem solved with the system it came from, so that changed problems can be solved from there. */
export function workWithSystem(problem: Problem): { outcome: Outcome; solved?: Solved } {
  return outcomeOf(problem)
}

/** What is wrong with a document, in form or in meaning; nothing when it may be kept. */
export function problemErrors(value: unknown): ProblemError[] {
  const read = checkProblem(value)
  if (!read.ok) return read.errors
  const resolved = resolve(read.problem)
  return resolved.ok ? answerErrors(read.problem) : resolved.errors
}

/** Reads a file's text and checks form and meaning. */
export function openProblem(source: string): ReadResult {
  const read = readProblem(source)
  if (!read.ok) return read
  const errors = problemErrors(read.problem)
  return errors.length ? { ok: false, errors } : read
}

export type { Notice }
