import {
  firstOrderOf,
  firstOrderSolution,
  working,
  type ActionSolution,
  type Problem,
  type Solution,
} from '@viga/core'
import { abreast, prepared, type PreparedFigure } from './figure'
import { begin, finished, heading, need, number, rule, words, type Pages } from './pages'
import { resultsOn, smallDiagrams } from './results'
import { blank, QUIET } from './type'
import { blocksOnPaper } from './working-blocks'

/** What is worked out: a problem with its solution, under one case or combination. */
export interface WorkedOut {
  problem: Problem
  solution: Solution
  action: ActionSolution
}

/** A working and what it is of. */
export interface PrintedWorking {
  of: WorkedOut
  book: working.Ledger
}

/** The figure that stands at the head of a step, where it has one. */
function figureOf(printed: working.StepFigure | undefined, of: WorkedOut): PreparedFigure | undefined {
  if (!printed) return undefined
  const { problem, solution, action } = of
  const { diagram, ...layers } = printed
  if (diagram && solution.open.length > 0) return undefined
  const key = problem.kind === 'truss' ? 'N' : 'M'
  return prepared(problem, solution, action, { ...layers, ...(diagram ? { diagram: key } : {}) })
}

/** A working is of first order, and its figures with it. */
const firstOrder = ({ problem, solution, action }: WorkedOut): WorkedOut => ({
  problem,
  solution: firstOrderSolution(solution),
  action: firstOrderOf(action),
})

const caseWords = ({ kind, title }: ActionSolution) => `${kind === 'case' ? 'Case' : 'Combination'}: ${title}`

/** The loads of a case on the structure. */
const loadsOf = ({ problem, solution, action }: WorkedOut) =>
  prepared(problem, solution, action, { loads: true, dimensions: true }, { captioned: false })

/** Title, method and case, and the statement. */
function head(p: Pages, { problem }: WorkedOut, book: working.Ledger, which: string) {
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  words(p, `${book.method.title}. ${which}.`, {
    face: 'serif-italic',
    size: 10,
    colour: QUIET,
    after: 8,
  })
  rule(p)
  if (problem.statement) words(p, problem.statement, { after: 8 })
}

/** A step with its number, its figure and its passages. */
function stepOn(p: Pages, { of, book }: PrintedWorking, step: working.Step, number: number, drawn = true) {
  const figure = drawn
    ? figureOf(book.steps.find((s) => s.key === step.key)?.printed, firstOrder(of))
    : undefined
  const visitor = blocksOnPaper(p, book)
  // a figure comes with its heading
  if (figure) need(p, figure.tall + 100)
  heading(p, `${number}  ${step.title}`, 1)
  words(p, step.why, { face: 'serif-italic', colour: QUIET })
  figure?.draw(p)
  for (const passage of step.passages) {
    if (passage.title) heading(p, passage.title, 2)
    working.visitPassage(book, passage, visitor)
  }
}

/** In second order the results are those on the bent shape, which the last step has found. */
function results(p: Pages, { problem, solution, action }: WorkedOut) {
  if (solution.open.length === 0) resultsOn(p, problem, solution, action)
}

/** The whole working of a case or combination as a PDF: figure, steps, results, page numbers. */
export function workingPdf(printed: PrintedWorking): Promise<Buffer> {
  const { of, book } = printed
  const doc = blank(of.problem.title)
  const p = begin(doc)
  head(p, of, book, caseWords(of.action))
  loadsOf(firstOrder(of)).draw(p)
  working.stepsOf(book).forEach((step, i) => stepOn(p, printed, step, i + 1))
  results(p, of)
  number(doc, of.problem.title)
  return finished(doc)
}

/** The working on two to four pages: its short form and the diagrams. */
export function shortWorkingPdf(printed: PrintedWorking): Promise<Buffer> {
  const { of, book } = printed
  const doc = blank(of.problem.title)
  const p = begin(doc)
  head(p, of, book, caseWords(of.action))
  const { problem, solution, action } = firstOrder(of)
  const drawn = [{ loads: true, dimensions: true }, { unknowns: true }]
  abreast(
    p,
    drawn.map((layers) => prepared(problem, solution, action, layers, { half: true })),
  )
  for (const [i, step] of (book.short?.() ?? []).entries()) stepOn(p, printed, step, i + 1, false)
  if (of.solution.open.length === 0) smallDiagrams(p, of.problem, of.solution, of.action)
  number(doc, of.problem.title)
  return finished(doc)
}

/** All cases and combinations in one report: what is said of the structure once, then each case by itself. */
export function allWorkingsPdf(all: readonly PrintedWorking[]): Promise<Buffer> {
  const [{ of: first, book }] = all
  const doc = blank(first.problem.title)
  const p = begin(doc)
  head(p, first, book, 'All cases and combinations')
  const common = stepsWhere(book, true)
  common.forEach((step, i) => stepOn(p, all[0], step, i + 1))
  for (const one of all) {
    const loads = loadsOf(firstOrder(one.of))
    need(p, loads.tall + 60)
    heading(p, caseWords(one.of.action), 1)
    loads.draw(p)
    stepsWhere(one.book, false).forEach((step, i) => stepOn(p, one, step, common.length + i + 1))
    results(p, one.of)
  }
  number(doc, first.problem.title)
  return finished(doc)
}

/** The steps that speak of the structure alone, or those that speak of what acts. */
const stepsWhere = (book: working.Ledger, ofStructure: boolean): working.Step[] =>
  book.steps.flatMap((s) => ((s.ofStructure ?? false) === ofStructure ? (s.make() ?? []) : []))
