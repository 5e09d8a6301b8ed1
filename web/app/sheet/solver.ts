import { createSolver, type Outcome, type Problem } from '@viga/core'
import type { Remote } from 'comlink'
import type { SolverWorker } from './solver.worker'

let worker: Remote<SolverWorker> | undefined

/**
 * The solver in a worker; where there are no workers (tests), one in this thread. What speaks with the worker
 * is fetched with it: most problems are solved on the page itself.
 */
async function solverElsewhere(): Promise<(problem: Problem) => Promise<Outcome>> {
  if (typeof Worker === 'undefined') {
    const solve = createSolver()
    return (problem) => Promise.resolve(solve(problem))
  }
  const { wrap } = await import('comlink')
  const remote = (worker ??= wrap<SolverWorker>(
    new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }),
  ))
  return (problem) => remote.solve(problem)
}

/**
 * Solves the newest of the problems it is given, in a worker. A problem that is overtaken by a newer one
 * before its turn is dropped unsolved, so edits that follow fast never queue up.
 * @param done receives each problem that was solved, with its outcome
 */
export function solveNewest(done: (problem: Problem, outcome: Outcome) => void): (problem: Problem) => void {
  let solve: ((problem: Problem) => Promise<Outcome>) | undefined
  let waiting: Problem | undefined
  let busy = false
  const next = async () => {
    if (busy) return
    busy = true
    while (waiting) {
      const problem = waiting
      waiting = undefined
      done(problem, await (solve ??= await solverElsewhere())(problem))
    }
    busy = false
  }
  return (problem) => {
    waiting = problem
    void next()
  }
}
