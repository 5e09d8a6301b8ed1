import {
  firstOrderOf,
  firstOrderSolution,
  working,
  type ActionSolution,
  type Problem,
  type Solution,
} from '@viga/core'
import { prepared, type PreparedFigure } from './figure'
import { begin, finished, heading, need, number, rule, words } from './pages'
import { resultsOn } from './results'
import { blank, QUIET } from './type'
import { blocksOnPaper } from './working-blocks'

/** What is worked out: a problem with its solution, under one case or combination. */
export interface WorkedOut {
  problem: Problem
  solution: Solution
  action: ActionSolution
}

/** The figure that stands at the head of a step, where it has one. */
function figureOf({ printed }: working.OpenStep, of: WorkedOut): PreparedFigure | undefined {
  if (!printed) return undefined
  const { problem, solution, action } = of
  const { diagram, ...layers } = printed
  if (diagram && solution.open.length > 0) return undefined
  const key = problem.kind === 'truss' ? 'N' : 'M'
  return prepared(problem, solution, action, { ...layers, ...(diagram ? { diagram: key } : {}) })
}

/** The whole working as a PDF: figure, steps, page numbers. */
export function workingPdf(of: WorkedOut, book: working.Ledger): Promise<Buffer> {
  const { problem, solution, action: acting } = of
  const doc = blank(problem.title)
  const p = begin(doc)
  // a working is of first order, and its figures with it
  const action = firstOrderOf(acting)
  const shown = { problem, solution: firstOrderSolution(solution), action }
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  words(p, `${book.method.title}. ${action.kind === 'case' ? 'Case' : 'Combination'}: ${action.title}.`, {
    face: 'serif-italic',
    size: 10,
    colour: QUIET,
    after: 8,
  })
  rule(p)
  if (problem.statement) words(p, problem.statement, { after: 8 })
  prepared(problem, shown.solution, action, { loads: true, dimensions: true }, false).draw(p)
  const visitor = blocksOnPaper(p, book)
  const steps = book.steps.flatMap((open) => {
    const step = open.make()
    return step ? [{ ...step, figure: figureOf(open, shown) }] : []
  })
  steps.forEach(({ figure, ...s }, i) => {
    // a figure comes with its heading
    if (figure) need(p, figure.tall + 100)
    heading(p, `${i + 1}  ${s.title}`, 1)
    words(p, s.why, { face: 'serif-italic', colour: QUIET })
    figure?.draw(p)
    for (const passage of s.passages) {
      if (passage.title) heading(p, passage.title, 2)
      working.visitPassage(book, passage, visitor)
    }
  })
  // in second order the results are those on the bent shape, which the last step has found
  if (solution.open.length === 0) resultsOn(p, problem, solution, acting)
  number(doc, problem.title)
  return finished(doc)
}
