import { createSolver, resolve, type Outcome, type Problem, type Solution } from '@viga/core'
import type { Remote } from 'comlink'
import type { SolverWorker } from './solver.worker'

let worker: Remote<SolverWorker> | undefined
let running: Worker | undefined
/** Rejects what waits for an answer of a worker that has failed. */
let giveUp: (reason: Error) => void = () => {}
let failed: Promise<never> | undefined

/** Ends a worker that has failed: the next problem is solved in a new one. */
function endWorker(reason: Error) {
  running?.terminate()
  running = worker = undefined
  giveUp(reason)
}

/**
 * The worker that solves large problems. What speaks with it is fetched with it: most problems are solved on
 * the page itself.
 */
export async function solverWorker(): Promise<Remote<SolverWorker>> {
  const { wrap } = await import('comlink')
  if (worker) return worker
  running = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' })
  failed = new Promise<never>((_, reject) => (giveUp = reject))
  failed.catch(() => {})
  running.addEventListener('error', (e) => endWorker(new Error(e.message || 'The solver has failed.')))
  return (worker = wrap<SolverWorker>(running))
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
function solverElsewhere(): (problem: Problem) => Promise<Outcome> {
  if (typeof Worker === 'undefined') {
    const solve = createSolver()
    return (problem) => Promise.resolve(solve(problem))
  }
  return async (problem) => {
    const number = ++given
    const remote = await solverWorker()
    const outcome = await Promise.race([remote.solve(problem, number), failed!])
    if (outcome.stage === 'solved') numberOf(outcome.solution, number)
    return outcome
  }
}

/** A problem is given to so many workers before it counts as one that cannot be solved. */
const MOST_TRIES = 3

/** What is said of a problem that no worker could solve. */
function failedOutcome(problem: Problem, error: unknown): Outcome {
  const message =
    'This problem could not be solved in this browser: ' +
    (error instanceof Error ? error.message : String(error))
  const resolved = resolve(problem)
  if (!resolved.ok) return { stage: 'invalid', errors: resolved.errors }
  const { structure, obstacles, notices } = resolved
  return { stage: 'unsolved', error: { kind: 'diverged', message }, structure, obstacles, notices }
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
  let tries = 0
  const next = async () => {
    if (busy) return
    busy = true
    while (waiting) {
      const problem = waiting
      waiting = undefined
      try {
        done(problem, await (solve ??= solverElsewhere())(problem))
        tries = 0
      } catch (error) {
        // the worker failed: the problem is given to a new one, unless it is what makes them fail
        if (++tries < MOST_TRIES) waiting ??= problem
        else done(problem, failedOutcome(problem, error))
      }
    }
    busy = false
  }
  return (problem) => {
    waiting = problem
    void next()
  }
}
