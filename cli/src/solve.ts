import { readFile } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import type { Readable, Writable } from 'node:stream'
import { text } from 'node:stream/consumers'
import { MAX_BYTES, readProblem, resultsDocument, work, type ProblemError, type SolveError } from '@viga/core'

export interface SolveOptions {
  stations: number
  matrices?: boolean
}

interface ErrorDocument {
  format: 'viga-error'
  kind: string
  message: string
  path?: string
  nodes?: string[]
  members?: string[]
}

type Answer = { status: 0; document: object } | { status: 1 | 2; document: ErrorDocument }

const invalid = (errors: readonly ProblemError[]): Answer => ({
  status: 2,
  document: { format: 'viga-error', kind: 'invalid', message: errors[0].message, path: errors[0].path },
})

function unsolved({ kind, message, path, nodes, members }: SolveError): Answer {
  return {
    status: 1,
    document: {
      format: 'viga-error',
      kind,
      message,
      ...(path && { path }),
      ...(nodes && { nodes }),
      ...(members && { members }),
    },
  }
}

/** The text of a problem file → the document to print and the exit status. */
export function answerTo(source: string, options: SolveOptions): Answer {
  const read = readProblem(source)
  if (!read.ok) return invalid(read.errors)
  const outcome = work(read.problem)
  if (outcome.stage === 'invalid') return invalid(outcome.errors)
  if (outcome.stage === 'unsolved') return unsolved(outcome.error)
  const notices = [...read.notices, ...outcome.notices].map((n) =>
    n.path ? `${n.path}: ${n.message}` : n.message,
  )
  return { status: 0, document: resultsDocument(read.problem, outcome.solution, notices, options) }
}

/** Solves one file (or standard input for `-`) and prints; returns the exit status. */
export async function solveFile(file: string, options: SolveOptions): Promise<number> {
  let source: string
  try {
    source = file === '-' ? await text(process.stdin) : await readFile(file, 'utf8')
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code
    return print(
      invalid([
        {
          kind: 'invalid',
          path: '$',
          message: code === 'ENOENT' ? `There is no file ${file}.` : `${file} cannot be read (${code}).`,
        },
      ]),
    )
  }
  return print(answerTo(source, options))
}

function print(answer: Answer): number {
  process.stdout.write(`${JSON.stringify(answer.document)}\n`)
  if (answer.status !== 0) process.stderr.write(`${answer.document.message}\n`)
  return answer.status
}

/** One problem a line in, one document a line out, in order and as they come. Empty lines are passed over. */
export async function solveLines(input: Readable, output: Writable, options: SolveOptions): Promise<void> {
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const answer =
      line.length > MAX_BYTES
        ? invalid([{ kind: 'invalid', path: '$', message: `The line is longer than ${MAX_BYTES / 1e6} MB.` }])
        : answerTo(line, options)
    if (!output.write(`${JSON.stringify(answer.document)}\n`))
      await new Promise((resolve) => output.once('drain', resolve))
  }
}
