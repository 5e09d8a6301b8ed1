import { wrap, type Remote } from 'comlink'
import type { SolverWorker } from './solver.worker'

/**
 * Asks a worker of its own, for what may take long and is given up by ending the worker.
 * @param done receives the answer, unless it was given up
 * @param failed is told when no answer will come: the script did not arrive, or it threw
 * @returns a function that gives it up
 */
export function inOwnWorker<T>(
  ask: (worker: Remote<SolverWorker>) => Promise<T>,
  done: (answer: T) => void,
  failed: () => void = () => {},
): () => void {
  const worker = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' })
  let over = false
  const end = (tell: () => void) => {
    if (!over) tell()
    over = true
    worker.terminate()
  }
  ask(wrap<SolverWorker>(worker)).then(
    (answer) => end(() => done(answer)),
    () => end(failed),
  )
  // a script that does not arrive answers nothing at all
  worker.addEventListener('error', () => end(failed))
  return () => end(() => {})
}
