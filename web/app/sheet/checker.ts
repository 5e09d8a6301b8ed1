import { checkDocument, workWithSystem, type Problem } from '@viga/core'
import { proxy, wrap } from 'comlink'
import type { Checked } from './results-view'
import type { SolverWorker } from './solver.worker'

/**
 * Looks for the slip behind the hand values of a problem in a worker of its own, which is ended when the
 * search is given up: some slips take many solutions.
 * @param onTried hears how many of all slips have been tried
 * @param done receives what was found; nothing when the problem has no solution, or when the worker failed
 * @returns a function that gives the search up
 */
export function searchSlip(
  problem: Problem,
  onTried: (done: number, all: number) => void,
  done: (found: Checked | undefined) => void,
): () => void {
  if (typeof Worker === 'undefined') {
    const { solved } = workWithSystem(problem)
    done(solved && checkDocument(problem, solved, onTried))
    return () => {}
  }
  const worker = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' })
  let over = false
  const failed = () => {
    if (!over) done(undefined)
    over = true
    worker.terminate()
  }
  void wrap<SolverWorker>(worker)
    .check(problem, proxy(onTried))
    .then((found) => {
      if (!over) done(found)
      worker.terminate()
    })
    .catch(failed)
  // a script that does not arrive answers nothing at all
  worker.addEventListener('error', failed)
  return () => {
    over = true
    worker.terminate()
  }
}
