import type { ActionSolution, Problem, Solution } from '@viga/core'
import { doJob, type EnvelopeJob, type JobAnswer, type JobInput } from './envelope-jobs'
import { numberOf, solverWorker } from './solver'

/**
 * What is made of many cases of a large problem, made in the worker that solves; without workers, in this
 * thread.
 * @param solution the solution of the problem on this page
 * @param actions the cases and combinations it is made of; at least one
 */
export async function envelopeLater<K extends EnvelopeJob>(
  problem: Problem,
  solution: Solution,
  name: K,
  actions: readonly ActionSolution[],
  input: JobInput<K>,
): Promise<JobAnswer<K>> {
  const here = () => doJob(name, solution, actions, input)
  if (typeof Worker === 'undefined') return here()
  const number = numberOf(solution)
  const ids = actions.map((a) => a.id)
  try {
    const worker = await solverWorker()
    const ask = () => worker.envelope(number, name, ids, input) as Promise<JobAnswer<K> | null>
    const made = await ask()
    if (made) return made
    await worker.hold(problem, number)
    return (await ask()) ?? here()
  } catch {
    // a worker that cannot be started is no reason to show nothing
    return here()
  }
}
