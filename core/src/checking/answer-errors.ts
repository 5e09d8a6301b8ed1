import type { Problem, ProblemError } from '../document/types.js'
import { answerDimension } from '../kinds/answers/index.js'
import { makeReader } from '../quantity/reader.js'
import { allowedDifference } from './tolerance.js'

/** Whether every answer's value and tolerance can be read; part of checking a document. */
export function answerErrors(problem: Problem): ProblemError[] {
  const { reader } = makeReader(problem.units, problem.symbols)
  return (problem.answers ?? []).flatMap((a, i) => {
    const out: ProblemError[] = []
    const value = reader.read(a.value, answerDimension(a))
    if (!value.ok) out.push({ kind: 'invalid', path: `answers[${i}].value`, message: value.message })
    const allowed = allowedDifference(a, answerDimension(a), reader, 0)
    if (typeof allowed === 'object')
      out.push({ kind: 'invalid', path: `answers[${i}].tolerance`, message: allowed.message })
    return out
  })
}
