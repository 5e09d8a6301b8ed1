import { checkDocument, workWithSystem, type Problem } from '@viga/core'
import { proxy } from 'comlink'
import { inOwnWorker } from './own-worker'
import type { Checked } from './results-view'

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
  return inOwnWorker(
    (worker) => worker.check(problem, proxy(onTried)),
    done,
    () => done(undefined),
  )
}
