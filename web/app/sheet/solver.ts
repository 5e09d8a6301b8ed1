import { createSolver, type Outcome, type Problem, type Solution } from '@viga/core'
import type { Remote } from 'comlink'
import type { SolverWorker } from './solver.worker'

let worker: Remote<SolverWorker> | undefined

/**
 * The worker that solves large problems. What speaks with it is fetched with it: most problems are solved on
 * the page itself.
 */
export async function solverWorker(): Promise<Remote<SolverWorker>> {
  const { wrap } = await import('comlink')
  return (worker ??= wrap<SolverWorker>(
    new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }),
  ))
}

/** Numbers by which page and worker mean the same solution. */
const numbers = new WeakMap<Solution, number>()
let given = 0

/** The number of a solution of this page, given to it when it is first asked for. */
export function numberOf(solution: Solution, number = numbers.get(solution) ?? ++given): number {
  numbers.set(solution, number)
  return number
}

/** The solver in a worker; where there are no workers (tests), one in this thread. */
async function solverElsewhere(): Promise<(problem: Problem) => Promise<Outcome>> {
  if (typeof Worker === 'undefined') {
    const solve = createSolver()
    return (problem) => Promise.resolve(solve(problem))
  }
  const remote = await solverWorker()
  return async (problem) => {
    const number = ++given
    const outcome = await remote.solve(problem, number)
    if (outcome.stage === 'solved') numberOf(outcome.solution, number)
    return outcome
  }
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
