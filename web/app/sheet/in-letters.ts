import { resultsInLetters, workWithSystem, type InLetters, type Problem } from '@viga/core'
import { inOwnWorker } from './own-worker'

/** The results of a problem in letters; nothing while it has no solution. */
export function lettersOf(problem: Problem): InLetters | undefined {
  const { outcome } = workWithSystem(problem)
  return outcome.stage === 'solved' ? resultsInLetters(problem, outcome.solution) : undefined
}

/**
 * Solves a problem in letters in a worker of its own, which the next edit ends.
 * @param done receives the results; nothing where there are none, or when the worker failed
 * @returns a function that gives it up
 */
export function lettersLater(problem: Problem, done: (found: InLetters | undefined) => void): () => void {
  if (typeof Worker === 'undefined') {
    done(lettersOf(problem))
    return () => {}
  }
  return inOwnWorker(
    (worker) => worker.letters(problem),
    done,
    () => done(undefined),
  )
}
