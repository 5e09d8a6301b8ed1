import { readProblem, workWithSystem, type Problem, type Solved } from '@viga/core'
import { invalid, unsolved, type Failure } from './outcome.js'

/** A problem's text read and solved with its system, or what is wrong with it. */
export function solvedProblem(source: string): { problem: Problem; solved: Solved } | Failure {
  const read = readProblem(source)
  if (!read.ok) return invalid(read.errors)
  const { problem } = read
  const { outcome, solved } = workWithSystem(problem)
  if (outcome.stage === 'invalid') return invalid(outcome.errors)
  if (outcome.stage === 'unsolved') return unsolved(outcome.error)
  return solved ? { problem, solved } : unsolved({ kind: 'missing', message: 'Not solved.' })
}
