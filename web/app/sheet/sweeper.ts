import { sweep, type SweepInput, type SweepResult } from '@viga/core'
import { proxy } from 'comlink'
import { inOwnWorker } from './own-worker'

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
  return inOwnWorker((worker) => worker.sweep(input, proxy(onStep)), done)
}
