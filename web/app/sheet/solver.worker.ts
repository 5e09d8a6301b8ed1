import {
  checkDocument,
  createSolver,
  sweep as sweepThrough,
  workWithSystem,
  type Problem,
  type Solution,
  type SweepInput,
} from '@viga/core'
import { expose } from 'comlink'
import { lettersOf } from './in-letters'
import { doJob, type EnvelopeJob, type JobInput } from './envelope-jobs'

/**
 * Judges the hand values of a problem and looks for the slip behind them; nothing while it has no solution.
 * @param onTried hears how many of all slips have been tried
 */
function check(problem: Problem, onTried: (done: number, all: number) => void) {
  const { solved } = workWithSystem(problem)
  return solved && checkDocument(problem, solved, onTried)
}

/** Runs a sweep and tells of its progress; it is given up by ending the worker. */
const sweep = (input: SweepInput, onStep: (done: number) => void) =>
  sweepThrough(input, (done) => {
    onStep(done)
    return true
  })

const solveNext = createSolver()
/** The last solution that was made here, by the number that the page knows it by. */
let held: { number: number; solution: Solution | undefined } | undefined

function solve(problem: Problem, number: number) {
  const outcome = solveNext(problem)
  held = { number, solution: outcome.stage === 'solved' ? outcome.solution : undefined }
  return outcome
}

/** Solves a problem that the page has solved itself: that is less than to send its solution here. */
function hold(problem: Problem, number: number) {
  if (held?.number !== number) solve(problem, number)
}

/** What is made of many cases of a solution, by its number; null when another one is held. */
function envelope<K extends EnvelopeJob>(number: number, name: K, ids: string[], input: JobInput<K>) {
  if (held?.number !== number || !held.solution) return null
  const { solution } = held
  const all = [...solution.cases, ...solution.combinations]
  return doJob(
    name,
    solution,
    all.filter((a) => ids.includes(a.id)),
    input,
  )
}

const api = { sweep, solve, hold, envelope, check, letters: lettersOf }
export type SolverWorker = typeof api

expose(api)
