import { MAX_BYTES, MAX_NESTING, nestingOf, problemErrors, type Problem, type ProblemError } from '@viga/core'
import { number, object, mixed, ValidationError } from 'yup'
import { saveProblem, type StoredProblem } from './problems.server'

const envelope = object({
  revision: number().integer().min(1).required('The revision it started from is missing.'),
  document: mixed().required('The problem is missing.'),
}).noUnknown()

export type SaveReply =
  | { status: 200; body: { revision: number } }
  | { status: 400; body: { errors: ProblemError[] } }
  | { status: 404; body: { errors: ProblemError[] } }
  | { status: 409; body: { newer: StoredProblem } }

const refuse = (path: string, message: string): SaveReply => ({
  status: 400,
  body: { errors: [{ kind: 'invalid', path, message }] },
})

/**
 * Checks and keeps what a browser sends: the envelope, the document's form and meaning, then the revision.
 */
export async function saveRequest(id: string, request: Request): Promise<SaveReply> {
  const text = await request.text()
  if (text.length > MAX_BYTES) return refuse('$', 'This problem is too large to keep.')
  // JSON.parse would exhaust the stack on it
  if (nestingOf(text) > MAX_NESTING) return refuse('$', 'This problem is nested too deeply to be kept.')
  let input
  try {
    input = await envelope.validate(JSON.parse(text), { strict: true })
  } catch (error) {
    if (error instanceof ValidationError) return refuse(error.path ?? '$', error.errors[0])
    if (error instanceof SyntaxError) return refuse('$', 'This is not valid JSON.')
    throw error
  }
  const errors = problemErrors(input.document)
  if (errors.length) return { status: 400, body: { errors } }
  const result = await saveProblem(id, input.revision, input.document as Problem)
  if (result.saved) return { status: 200, body: { revision: result.revision } }
  if (!result.newer)
    return {
      status: 404,
      body: { errors: [{ kind: 'invalid', path: '$', message: 'This problem is no longer on the Shelf.' }] },
    }
  return { status: 409, body: { newer: result.newer } }
}
