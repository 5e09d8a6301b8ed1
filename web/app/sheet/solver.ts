import { work, type Outcome, type Problem } from '@viga/core'
import { wrap, type Remote } from 'comlink'
import type { SolverWorker } from './solver.worker'

let worker: Remote<SolverWorker> | undefined

/** Solves in a worker, for structures too large for the time between two frames. */
export async function solveElsewhere(problem: Problem): Promise<Outcome> {
  if (typeof Worker === 'undefined') return work(problem)
  worker ??= wrap<SolverWorker>(
    new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' }),
  )
  return await worker.work(problem)
}
