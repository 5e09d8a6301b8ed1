import { checkDocument, createSolver, workWithSystem, type Problem } from '@viga/core'
import { expose } from 'comlink'

/** Judges the hand values of a problem and looks for the slip behind them; nothing while it has no solution. */
function check(problem: Problem) {
  const { solved } = workWithSystem(problem)
  return solved && checkDocument(problem, solved)
}

const api = { solve: createSolver(), check }
export type SolverWorker = typeof api

expose(api)
