import { sweep, type SweepInput, type SweepResult } from '@viga/core'
import { proxy, wrap } from 'comlink'
import type { SolverWorker } from './solver.worker'

export type Swept = SweepResult | { message: string }

/**
 * Runs a sweep in a worker of its own.
 * @param onStep hears how many steps are done
 * @returns a function that gives it up
 */
export function sweepLater(
  input: SweepInput,
  onStep: (done: number) => void,
  done: (result: Swept) => void,
): () => void {
  if (typeof Worker === 'undefined') {
    done(sweep(input))
    return () => {}
  }
  const worker = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' })
  let over = false
  void wrap<SolverWorker>(worker)
    .sweep(input, proxy(onStep))
    .then((result) => {
      if (!over) done(result)
      worker.terminate()
    })
    .catch(() => worker.terminate())
  return () => {
    over = true
    worker.terminate()
  }
}
