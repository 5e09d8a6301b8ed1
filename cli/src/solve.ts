import { mkdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import type { Readable, Writable } from 'node:stream'
import {
  csvFiles,
  MAX_BYTES,
  readProblem,
  resultsDocument,
  work,
  type Problem,
  type Solution,
} from '@viga/core'
import { invalid, notWritten, print, sourceOf, unsolved, type Answer } from './outcome.js'

export interface SolveOptions {
  stations: number
  matrices?: boolean
  letters?: boolean
  /** A folder that the tables are written into besides, one CSV file each. */
  csv?: string
}

type Solved = { problem: Problem; solution: Solution }

function solved(source: string, options: SolveOptions): { answer: Answer; solved?: Solved } {
  const read = readProblem(source)
  if (!read.ok) return { answer: invalid(read.errors) }
  const outcome = work(read.problem)
  if (outcome.stage === 'invalid') return { answer: invalid(outcome.errors) }
  if (outcome.stage === 'unsolved') return { answer: unsolved(outcome.error) }
  const notices = [...read.notices, ...outcome.notices].map((n) =>
    n.path ? `${n.path}: ${n.message}` : n.message,
  )
  const { problem } = read
  const { solution } = outcome
  const document = resultsDocument(problem, solution, notices, options)
  return { answer: { status: 0, document }, solved: { problem, solution } }
}

/** The text of a problem file → the document to print and the exit status. */
export const answerTo = (source: string, options: SolveOptions): Answer => solved(source, options).answer

/**
 * Solves one file (or standard input for `-`), writes its tables if asked, and prints; returns the exit
 * status.
 */
export async function solveFile(file: string, options: SolveOptions): Promise<number> {
  const source = await sourceOf(file)
  if (typeof source !== 'string') return print(source)
  const result = solved(source, options)
  if (options.csv !== undefined && result.solved) {
    const { problem, solution } = result.solved
    try {
      await mkdir(options.csv, { recursive: true })
      for (const [name, content] of csvFiles(problem, solution, options.stations))
        await writeFile(join(options.csv, name), content)
    } catch (error) {
      return print(notWritten(options.csv, error))
    }
  }
  return print(result.answer)
}

/**
 * One problem a line in, one document a line out, in order and as they come. Empty lines are passed over.
 * @param answer what is made of the text of one problem
 */
export async function eachLine(
  input: Readable,
  output: Writable,
  answerOf: (source: string) => Answer,
): Promise<void> {
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const answer =
      line.length > MAX_BYTES
        ? invalid([{ kind: 'invalid', path: '$', message: `The line is longer than ${MAX_BYTES / 1e6} MB.` }])
        : answerOf(line)
    if (!output.write(`${JSON.stringify(answer.document)}\n`))
      await new Promise((resolve) => output.once('drain', resolve))
  }
}
