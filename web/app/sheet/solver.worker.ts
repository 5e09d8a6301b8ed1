import {
  checkDocument,
  createSolver,
  sweep as sweepThrough,
  workWithSystem,
  type Problem,
  type SweepInput,
} from '@viga/core'
import { expose } from 'comlink'

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

const api = { sweep, solve: createSolver(), check }
export type SolverWorker = typeof api

expose(api)
