import type { Notice, ProblemError } from './types.js'

/**
 * Receives what is wrong (errors) and what is worth knowing (notices), each with its path in the document.
 */
export interface Report {
  error(path: string, message: string): void
  notice(path: string, message: string): void
}

/**
 * A report that keeps what it receives.
 * @param limit errors and notices beyond this number are dropped, since a damaged file has thousands alike
 */
export function collect(limit = 100): Report & { errors: ProblemError[]; notices: Notice[] } {
  const errors: ProblemError[] = []
  const notices: Notice[] = []
  return {
    errors,
    notices,
    error(path, message) {
      if (errors.length < limit) errors.push({ kind: 'invalid', path: path || '$', message })
    },
    notice(path, message) {
      if (notices.length < limit) notices.push({ path, message })
    },
  }
}

/** The path of a key below a path: `join('units', 'length')` is `units.length`. */
export const join = (path: string, key: string) => (path === '' || path === '$' ? key : `${path}.${key}`)

/** Whether a value is an object with keys, neither null nor a list. */
export const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v)
