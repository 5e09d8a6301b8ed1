import type { ActionSolution, Problem, Solution } from '@viga/core'
import { doJob, type EnvelopeJob, type JobAnswer, type JobInput } from './envelope-jobs'
import { newestFirst } from './newest-first'
import { numberOf, solverWorker } from './solver'

/** What was asked for of a solution, by what was asked. */
const asked = new WeakMap<Solution, Map<string, Promise<unknown>>>()
/** The last of them are kept, since each is some megabytes of a large problem. */
const MOST_KEPT = 6

/** Curves are looked at first, so they are made first. */
const RANK: Record<EnvelopeJob, number> = { curves: 0, tables: 1 }
const inTurn = newestFirst()

/**
 * What is made of many cases of a large problem, made in the worker that solves; without workers, in this
 * thread. What has been asked for before is not made again.
 * @param solution the solution of the problem on this page
 * @param actions the cases and combinations it is made of; at least one
 */
export function envelopeLater<K extends EnvelopeJob>(
  problem: Problem,
  solution: Solution,
  name: K,
  actions: readonly ActionSolution[],
  input: JobInput<K>,
): Promise<JobAnswer<K>> {
  let kept = asked.get(solution)
  if (!kept) asked.set(solution, (kept = new Map<string, Promise<unknown>>()))
  const ids = actions.map((a) => a.id)
  const what = JSON.stringify([name, ids, input])
  const number = numberOf(solution)
  const make = async () =>
    (await inWorker(problem, number, name, ids, input)) ?? doJob(name, solution, actions, input)
  const made = (kept.get(what) as Promise<JobAnswer<K>> | undefined) ?? inTurn(RANK[name], make)
  // the newest stand last
  kept.delete(what)
  kept.set(what, made)
  for (const oldest of kept.keys()) if (kept.size > MOST_KEPT) kept.delete(oldest)
  return made
}

/** The same from the worker; null where there is none, or none can be started. */
async function inWorker<K extends EnvelopeJob>(
  problem: Problem,
  number: number,
  name: K,
  ids: string[],
  input: JobInput<K>,
): Promise<JobAnswer<K> | null> {
  if (typeof Worker === 'undefined') return null
  try {
    const worker = await solverWorker()
    const ask = () => worker.envelope(number, name, ids, input) as Promise<JobAnswer<K> | null>
    const made = await ask()
    if (made) return made
    await worker.hold(problem, number)
    return await ask()
  } catch {
    return null
  }
}
