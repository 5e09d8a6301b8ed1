import {
  openProblem,
  readRead,
  readVaried,
  sweep,
  sweepCsv,
  sweepDocument,
  sweepValues,
  type Problem,
  type Read,
  type SweepInput,
} from '@viga/core'
import { invalid, print, sourceOf, type Failure } from './outcome.js'

export interface SweepCall {
  vary: string
  from: string
  to: string
  steps: number
  values?: string
  read: string[]
  case?: string
  order?: '1' | '2' | 'both'
  format: 'csv' | 'json'
}

const refused = (message: string): Failure => invalid([{ kind: 'invalid', path: '$', message }])

/** The text of a problem file → the table of a sweep, or what is wrong. */
export function sweepOf(source: string, call: SweepCall): string | Failure {
  const read = openProblem(source)
  if (!read.ok) return invalid(read.errors)
  const { problem } = read
  const input = inputOf(problem, call)
  if ('status' in input) return input
  const result = sweep(input)
  if ('message' in result)
    return { status: 1, document: { format: 'viga-error', kind: 'missing', message: result.message } }
  return call.format === 'json'
    ? `${JSON.stringify(sweepDocument(problem, call.vary, result))}\n`
    : sweepCsv(problem, call.vary, result)
}

function inputOf(problem: Problem, call: SweepCall): SweepInput | Failure {
  const varied = readVaried(problem, call.vary)
  if (!varied.ok) return refused(varied.message)
  const values = sweepValues(problem, varied.varied, {
    from: call.from,
    to: call.to,
    steps: call.steps,
    list: call.values,
  })
  if (!values.ok) return refused(`--${values.field === 'list' ? 'values' : values.field}: ${values.message}`)
  const reads: Read[] = []
  for (const text of call.read) {
    const one = readRead(problem, text)
    if (!one.ok) return refused(one.message)
    reads.push(one.read)
  }
  if (reads.length === 0) return refused('Say what to read: --read displacement:C:x, several if you like.')
  const ids = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].map((c) => c.id)
  if (call.case !== undefined && !ids.includes(call.case))
    return refused(`There is no case or combination ${call.case}.`)
  const own = problem.analysis?.order === 2 ? ([2] as const) : ([1] as const)
  const orders =
    call.order === 'both'
      ? ([1, 2] as const)
      : call.order === undefined
        ? own
        : call.order === '2'
          ? ([2] as const)
          : ([1] as const)
  return { problem, varied: varied.varied, values: values.values, reads, action: call.case, orders }
}

/** Sweeps one file (or standard input for `-`) and prints the table; returns the exit status. */
export async function sweepFile(file: string, call: SweepCall): Promise<number> {
  const source = await sourceOf(file)
  if (typeof source !== 'string') return print(source)
  const table = sweepOf(source, call)
  if (typeof table !== 'string') return print(table)
  process.stdout.write(table)
  return 0
}
