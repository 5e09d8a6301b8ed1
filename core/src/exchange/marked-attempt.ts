import type { Solved } from '../analysis/solve.js'
import { marksOf } from '../checking/marks.js'
import { prepareSlips } from '../checking/prepared.js'
import { collect, isRecord } from '../document/report.js'
import type { Answer, Problem } from '../document/types.js'
import { answerForm } from '../kinds/answers/index.js'
import { METHODS } from '../methods/list.js'
import type { Ledger } from '../methods/ledger.js'
import { checkDocument } from './check-document.js'
import { judgeEntries } from './marked-entries.js'

/** A hand solution apart from the statement that it answers. */
export interface Attempt {
  id?: string
  answers: unknown[]
  /** Numbers of a method's working, by their addresses. */
  entries?: unknown[]
  /** Diagrams drawn by hand, as the view of a problem keeps them; they are not marked. */
  drawn?: unknown[]
}

export type ReadAttempt = { ok: true; attempt: Attempt } | { ok: false; path: string; message: string }

/** More answers than this are no hand solution. */
const MOST = 10_000

/** Reads one attempt; what is wrong with it as a whole is refused, a wrong answer is judged unknown later. */
export function readAttempt(source: string): ReadAttempt {
  let value: unknown
  try {
    value = JSON.parse(source)
  } catch (error) {
    return { ok: false, path: '$', message: `This is not valid JSON: ${(error as Error).message}.` }
  }
  const refuse = (path: string, message: string): ReadAttempt => ({ ok: false, path, message })
  if (!isRecord(value)) return refuse('$', 'An attempt is one object with "format": "viga-attempt".')
  if (value.format !== 'viga-attempt')
    return refuse('format', 'This is no attempt: "format" is not "viga-attempt".')
  if (typeof value.version === 'number' && value.version > 1)
    return refuse('version', `This attempt is of version ${value.version}; version 1 is read.`)
  for (const key of ['answers', 'entries', 'drawn'] as const) {
    const list = value[key]
    if (list === undefined && key !== 'answers') continue
    if (!Array.isArray(list)) return refuse(key, `An attempt needs a list "${key}".`)
    if (list.length > MOST) return refuse(key, `An attempt has at most ${MOST} ${key}.`)
  }
  return { ok: true, attempt: value as unknown as Attempt }
}

/** An answer that can be judged, or why it cannot. */
type ReadAnswer = { answer: Answer } | { id: unknown; reason: string }

/** The answers of an attempt, each read by its form; the key's tolerance holds where it states one. */
function answersOf(key: Problem, { answers }: Attempt): ReadAnswer[] {
  const tolerances = new Map((key.answers ?? []).map((a) => [a.id, a.tolerance]))
  return answers.map((value): ReadAnswer => {
    const report = collect(1)
    answerForm.check(value, '', report)
    const id = isRecord(value) ? value.id : undefined
    if (report.errors.length) return { id, reason: report.errors[0].message }
    const answer = value as Answer
    const tolerance = tolerances.get(answer.id)
    return { answer: tolerance === undefined ? answer : { ...answer, tolerance } }
  })
}

/** What marks an attempt: everything that holds for all of them is made once. */
export function createMarker(key: Problem, solved: Solved): (attempt: Attempt) => object {
  const slips = prepareSlips(key, solved)
  const books = new Map<string, Ledger | undefined>()
  const bookOf = (method: string) => {
    if (!books.has(method)) books.set(method, bookIn(key, solved, method))
    return books.get(method)
  }
  return (attempt) => {
    const read = answersOf(key, attempt)
    const answers = read.flatMap((r) => ('answer' in r ? [r.answer] : []))
    const checked = checkDocument({ ...key, answers }, solved, undefined, slips)
    let at = 0
    const verdicts = read.map((r) =>
      'answer' in r
        ? checked.answers[at++]
        : {
            ...{ id: typeof r.id === 'string' ? r.id : null, given: null, computed: null, apart: null },
            ...{ verdict: 'unknown' as const, reason: r.reason },
          },
    )
    const entries = judgeEntries(key, attempt.entries ?? [], bookOf)
    return {
      format: 'viga-marked',
      version: 1,
      ...(attempt.id === undefined ? {} : { id: attempt.id }),
      answers: verdicts,
      entries,
      explanations: checked.explanations,
      consistency: checked.consistency,
      ...marksOf(key, verdicts, entries, checked.explanations[0]),
    }
  }
}

/** The working of the key's first case by a method; undefined where there is none or it does not fit. */
function bookIn(problem: Problem, { solution }: Solved, key: string): Ledger | undefined {
  const method = METHODS.find((m) => m.key === key)
  const action = solution.cases[0] ?? solution.combinations[0]
  if (!method || !action || !method.fits(problem, solution.structure).fits) return undefined
  const { structure } = solution
  return method.open({ problem, structure, action: action.id, solved: () => ({ solution, action }) })
}
