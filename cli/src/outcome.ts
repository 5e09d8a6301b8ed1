import { readFile } from 'node:fs/promises'
import { text } from 'node:stream/consumers'
import type { ProblemError, SolveError } from '@viga/core'

export interface ErrorDocument {
  format: 'viga-error'
  kind: string
  message: string
  path?: string
  nodes?: string[]
  members?: string[]
}

export type Failure = { status: 1 | 2; document: ErrorDocument }
/** The outcome of a command: a document to print, or an error with its exit status. */
export type Answer = { status: 0; document: object } | Failure

/** The answer to a file or a call that is not valid: exit status 2. */
export const invalid = (errors: readonly ProblemError[]): Failure => ({
  status: 2,
  document: { format: 'viga-error', kind: 'invalid', message: errors[0].message, path: errors[0].path },
})

/** The answer to a problem that was read and cannot be solved: exit status 1. */
export function unsolved({ kind, message, path, nodes, members }: SolveError): Failure {
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

/** The text of a file, or of standard input for `-`; a sentence that says why it cannot be read. */
export async function sourceOf(file: string): Promise<string | Failure> {
  try {
    return file === '-' ? await text(process.stdin) : await readFile(file, 'utf8')
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code
    const message = code === 'ENOENT' ? `There is no file ${file}.` : `${file} cannot be read (${code}).`
    return invalid([{ kind: 'invalid', path: '$', message }])
  }
}

/** Prints an outcome, the sentence of an error to standard error, and returns the exit status. */
export function print(answer: Answer): number {
  process.stdout.write(`${JSON.stringify(answer.document)}\n`)
  if (answer.status !== 0) process.stderr.write(`${answer.document.message}\n`)
  return answer.status
}

/** The answer to something that cannot be written: exit status 2. */
export const notWritten = (path: string, error: unknown): Failure =>
  invalid([
    {
      kind: 'invalid',
      path: '$',
      message: `${path} cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}).`,
    },
  ])
