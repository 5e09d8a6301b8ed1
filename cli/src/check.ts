import { checkDocument } from '@viga/core'
import { print, sourceOf, type Answer } from './outcome.js'
import { solvedProblem } from './solved.js'

/** The text of a problem file → the document that `viga check` prints, and the exit status. */
export function checkOf(source: string): Answer {
  const of = solvedProblem(source)
  return 'status' in of ? of : { status: 0, document: checkDocument(of.problem, of.solved) }
}

/** Checks one file (or standard input for `-`) and prints; returns the exit status. */
export async function checkFile(file: string): Promise<number> {
  const source = await sourceOf(file)
  return print(typeof source === 'string' ? checkOf(source) : source)
}
