import {
  methodsDocument,
  readAsked,
  readProblem,
  work,
  workDocument,
  working,
  type Asked,
  type Problem,
} from '@viga/core'
import { invalid, print, sourceOf, unsolved, type Answer, type Failure } from './outcome.js'

/** The forms in which a working is printed: JSON, Markdown, LaTeX. */
export const WORK_FORMS = ['json', 'md', 'tex'] as const

export interface WorkCall {
  /** The method by its key; the methods are listed where it is left out. */
  method?: string
  case?: string
  as: (typeof WORK_FORMS)[number]
  /** The displacement of the unit-load method, and the redundants of the force method, as JSON. */
  of?: string
  redundants?: string
  given?: 'results'
}

/** A working as the command prints it: a document, a text, or an error. */
type Worked = Answer | { status: 0; text: string }

/** The text of a problem file → its methods, or the problem worked out by one of them. */
export function workOf(source: string, call: WorkCall): Worked {
  const method = call.method === undefined ? undefined : working.methodOf(call.method)
  if (call.method !== undefined && !method) {
    const known = working.METHODS.map((m) => m.key).join(', ')
    return wrong(`There is no method ${call.method}; the methods are ${known}.`)
  }
  const read = readProblem(source)
  if (!read.ok) return invalid(read.errors)
  const { problem } = read
  const outcome = work(problem)
  if (outcome.stage === 'invalid') return invalid(outcome.errors)
  if (!method) return { status: 0, document: methodsDocument(problem, outcome.structure) }
  if (outcome.stage === 'unsolved') return unsolved(outcome.error)
  const { solution, structure } = outcome
  const options = optionsOf(problem, call)
  if ('status' in options) return options
  if (method.key === 'unit-load' && !options.of && !displacementAsked(problem))
    return wrong('The unit-load method needs a displacement: --of, or a displacement among the answers.')
  const fit = method.fits(problem, structure, options)
  if (!fit.fits) return unsolved({ kind: 'unsupported', message: fit.why })
  const actions = [...solution.cases, ...solution.combinations]
  const action = call.case === undefined ? actions[0] : actions.find((a) => a.id === call.case)
  if (!action)
    return wrong(
      call.case === undefined
        ? 'The problem has no load case to work out.'
        : `There is no case or combination ${call.case}.`,
    )
  const solved = () => ({ solution, action })
  const book = method.open({ problem, structure, action: action.id, options, solved })
  if (call.as === 'md') return { status: 0, text: working.workingMarkdown(book) }
  if (call.as === 'tex') return { status: 0, text: working.workingLatex(book) }
  return { status: 0, document: workDocument(method, book) }
}

const displacementAsked = ({ answers }: Problem) => answers?.some((a) => a.quantity === 'displacement')

/** The options that the call gives the method, read and checked. */
function optionsOf(problem: Problem, { of, redundants, given }: WorkCall): working.Options | Failure {
  const options: working.Options = { ...(given && { given }) }
  if (of !== undefined) {
    const read = quantities(problem, of, 'of')
    if (!Array.isArray(read)) return read
    if (read[0].quantity !== 'displacement') return wrong('The unit-load method finds a displacement.')
    options.of = read[0]
  }
  if (redundants !== undefined) {
    const read = quantities(problem, redundants, 'redundants')
    if (!Array.isArray(read)) return read
    options.redundants = read
  }
  return options
}

/** One quantity or a list of them from JSON. */
function quantities(problem: Problem, text: string, path: string): Asked[] | Failure {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return invalid([{ kind: 'invalid', path, message: `${text} is not valid JSON.` }])
  }
  const out: Asked[] = []
  for (const one of Array.isArray(value) ? (value as unknown[]) : [value]) {
    const read = readAsked(problem, one)
    if (!('ok' in read)) return invalid([{ ...read, path }])
    out.push(read.asked)
  }
  return out.length > 0 ? out : invalid([{ kind: 'invalid', path, message: 'No quantity is named.' }])
}

const wrong = (message: string) => invalid([{ kind: 'invalid', path: '$', message }])

/** One line of `--lines`: always a document. */
export const workLine = (source: string, call: WorkCall): Answer => {
  const out = workOf(source, { ...call, as: 'json' })
  return 'text' in out ? { status: 0, document: { text: out.text } } : out
}

/** Works one file (or standard input for `-`) out and prints; returns the exit status. */
export async function workFile(file: string, call: WorkCall): Promise<number> {
  const source = await sourceOf(file)
  const out = typeof source === 'string' ? workOf(source, call) : source
  if (!('text' in out)) return print(out)
  process.stdout.write(out.text)
  return 0
}
