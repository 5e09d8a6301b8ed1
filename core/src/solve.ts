import { solve, type Solution } from './analysis/solve.js'
import { answerErrors } from './checking/answers.js'
import { checkProblem, readProblem, type ReadResult } from './document/read.js'
import type { Notice, Problem, ProblemError } from './document/types.js'
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

/** Problem → what can be made of it: the road from statement to solution in one pure call. */
export function work(problem: Problem): Outcome {
  const resolved = resolve(problem)
  if (!resolved.ok) return { stage: 'invalid', errors: resolved.errors }
  const answers = answerErrors(problem)
  if (answers.length) return { stage: 'invalid', errors: answers }
  const { structure, obstacles, notices } = resolved
  if (obstacles.length) return { stage: 'unsolved', error: obstacles[0], structure, obstacles, notices }
  const result = solve(structure)
  if (!result.ok) return { stage: 'unsolved', error: result.error, structure, obstacles, notices }
  const { solution } = result
  return { stage: 'solved', solution, structure, obstacles, notices }
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
