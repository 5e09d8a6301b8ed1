import { checkDocument, readProblem, workWithSystem } from '@viga/core'
import { invalid, print, sourceOf, unsolved, type Answer } from './outcome.js'

/** The text of a problem file → the document that `viga check` prints, and the exit status. */
export function checkOf(source: string): Answer {
  const read = readProblem(source)
  if (!read.ok) return invalid(read.errors)
  const { outcome, solved } = workWithSystem(read.problem)
  if (outcome.stage === 'invalid') return invalid(outcome.errors)
  if (outcome.stage === 'unsolved' || !solved)
    return unsolved(
      outcome.stage === 'unsolved' ? outcome.error : { kind: 'missing', message: 'Not solved.' },
    )
  return { status: 0, document: checkDocument(read.problem, solved) }
}

/** Checks one file (or standard input for `-`) and prints; returns the exit status. */
export async function checkFile(file: string): Promise<number> {
  const source = await sourceOf(file)
  return print(typeof source === 'string' ? checkOf(source) : source)
}
