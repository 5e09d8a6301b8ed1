import {
  fileName,
  MAX_NESTING,
  nestingOf,
  openProblem,
  problemErrors,
  writeProblem,
  type Problem,
  type ProblemError,
} from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { mixed, number, object, string, ValidationError } from 'yup'
import type { FileOut } from '../file-response.server'
import { cardOf, kindOf, wordsOf, type CardKind } from '../cards.server'
import { figureAs, markedSheet, resultsAs } from '../results-out.server'
import { workingAs, type WorkingAsked } from '../working-out.server'

/** What is kept of a problem: its document as text, and what the Shelf is searched by. */
export interface Written {
  title: string
  document: string
  words: string
  kind: CardKind
}

export const written = (problem: Problem): Written => ({
  title: problem.title,
  document: JSON.stringify(problem),
  words: wordsOf(problem),
  kind: kindOf(problem),
})

const NOT_A_SAVE = 'This is no problem with the revision it started from.'
const REVISION = 'A revision is a whole number from 1.'

/** A name that a browser makes: a random UUID. */
const UUID = /^[\da-f]{8}-[\da-f]{4}-4[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/

const envelope = object({
  revision: number()
    .integer(REVISION)
    .min(1, REVISION)
    .max(4_294_967_295, REVISION)
    .required('The revision it started from is missing.'),
  document: mixed().required('The problem is missing.'),
  /** The name of the copy, where the change makes one. */
  copy: string().matches(UUID, 'The name of the copy is not one.'),
})
  .noUnknown(NOT_A_SAVE)
  .typeError(NOT_A_SAVE)
  .nonNullable(NOT_A_SAVE)

type Checked =
  { ok: true; revision: number; written: Written; copy?: string } | { ok: false; errors: ProblemError[] }

const refuse = (path: string, message: string): { ok: false; errors: ProblemError[] } => ({
  ok: false,
  errors: [{ kind: 'invalid', path, message }],
})

/** Checks what a browser sends to be kept: the envelope, then the document's form and meaning. */
function check({ text }: { text: string }): Checked {
  // JSON.parse would exhaust the stack on it
  if (nestingOf(text) > MAX_NESTING) return refuse('$', 'This problem is nested too deeply to be kept.')
  let input
  try {
    input = envelope.validateSync(JSON.parse(text), { strict: true })
  } catch (error) {
    if (error instanceof ValidationError) return refuse(error.path || '$', error.errors[0])
    if (error instanceof SyntaxError) return refuse('$', 'This is not valid JSON.')
    throw error
  }
  const errors = problemErrors(input.document)
  if (errors.length) return { ok: false, errors }
  const { revision, copy } = input
  return { ok: true, revision, written: written(input.document as Problem), ...(copy ? { copy } : {}) }
}

/** Reads a problem file. */
function open({
  file,
}: {
  file: string
}): { ok: true; written: Written } | { ok: false; errors: ProblemError[] } {
  const read = openProblem(file)
  return read.ok
    ? { ok: true, written: written(carriedOver(read.problem)) }
    : { ok: false, errors: read.errors }
}

/** The problem as a file to keep. */
function file({ document }: { document: string }): FileOut {
  const problem = problemIn(document)
  return {
    body: Buffer.from(writeProblem(problem)),
    type: 'application/json; charset=utf-8',
    name: `${fileName(problem.title)}.viga.json`,
  }
}

const problemIn = (document: string) => carriedOver(JSON.parse(document) as Problem)

type Asked = Record<string, string>

/**
 * The jobs that take longer than a request may occupy the main thread. Arguments and results can be sent
 * between threads; a document is the text that the database keeps.
 */
export const jobs = {
  check,
  open,
  /** The same problem under another title. */
  retitle: ({ document, title }: { document: string; title: string }) =>
    written({ ...problemIn(document), title }),
  card: ({ document }: { document: string }) => JSON.stringify(cardOf(problemIn(document))),
  file,
  working: ({ document, ...asked }: { document: string } & WorkingAsked) =>
    workingAs(problemIn(document), asked),
  figure: ({ document, form, asked }: { document: string; form: string; asked: Asked }) =>
    figureAs(problemIn(document), form, asked),
  results: ({ document, form, asked }: { document: string; form: string; asked: Asked }) =>
    resultsAs(problemIn(document), form, asked),
  marked: ({ document }: { document: string }) => markedSheet(problemIn(document)),
}

export type JobName = keyof typeof jobs
export type Input<K extends JobName> = Parameters<(typeof jobs)[K]>[0]
export type Answer<K extends JobName> = Awaited<ReturnType<(typeof jobs)[K]>>
