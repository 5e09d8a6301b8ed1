import type { Readable, Writable } from 'node:stream'
import { createMarker, readAttempt } from '@viga/core'
import { invalid, print, sourceOf, type Answer, type Failure } from './outcome.js'
import { eachLine } from './solve.js'
import { solvedProblem } from './solved.js'

/** Marks one attempt, given as a line of text. */
type MarkLine = (source: string) => Answer

/** The marker of a key's text, or what is wrong with the key. */
export function markerOf(source: string): MarkLine | Failure {
  const key = solvedProblem(source)
  if ('status' in key) return key
  const mark = createMarker(key.problem, key.solved)
  return (line) => {
    const attempt = readAttempt(line)
    if (!attempt.ok) return invalid([{ kind: 'invalid', path: attempt.path, message: attempt.message }])
    return { status: 0, document: mark(attempt.attempt) }
  }
}

/** Marks the attempts on standard input against a key file, one a line; returns the exit status. */
export async function markLines(file: string, input: Readable, output: Writable): Promise<number> {
  const source = await sourceOf(file)
  if (typeof source !== 'string') return print(source)
  const mark = markerOf(source)
  if (typeof mark !== 'function') return print(mark)
  await eachLine(input, output, mark)
  return 0
}
