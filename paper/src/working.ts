import { working, type ActionSolution, type Problem, type Solution } from '@viga/core'
import { prepared, type PreparedFigure } from './figure'
import { begin, finished, heading, need, number, rule, words } from './pages'
import { resultsOn } from './results'
import { blank, QUIET } from './type'
import { blocksOnPaper } from './working-blocks'

/** The figure that stands at the head of a step, where it has one. */
function figureOf(
  step: working.StepKey,
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
): PreparedFigure | undefined {
  const make = (layers: Parameters<typeof prepared>[3]) => prepared(problem, solution, action, layers)
  if (step === 'unknowns') return make({ unknowns: true })
  if (step === 'solution') return make({ deflected: true })
  if (step === 'reactions') return make({ reactions: true })
  return step === 'diagrams' && solution.open.length === 0
    ? make({ diagram: problem.kind === 'truss' ? 'N' : 'M' })
    : undefined
}

/** The whole working as a PDF: figure, steps, page numbers. */
export function workingPdf(problem: Problem, book: working.Ledger): Promise<Buffer> {
  const doc = blank(problem.title)
  const p = begin(doc)
  const { solution, action } = book.context
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  words(
    p,
    `Worked by the stiffness method. ${action.kind === 'case' ? 'Case' : 'Combination'}: ${action.title}.`,
    { face: 'serif-italic', size: 10, colour: QUIET, after: 8 },
  )
  rule(p)
  if (problem.statement) words(p, problem.statement, { after: 8 })
  prepared(problem, solution, action, { loads: true, dimensions: true }, false).draw(p)
  const visitor = blocksOnPaper(p, book)
  working.stepsOf(book).forEach((s, i) => {
    const figure = figureOf(s.key, problem, solution, action)
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
  const acting = book.context.bent ?? action
  if (solution.open.length === 0) resultsOn(p, problem, solution, acting)
  number(doc, problem.title)
  return finished(doc)
}
