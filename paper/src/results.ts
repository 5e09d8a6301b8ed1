import {
  displayOf,
  equilibrium,
  formatNumber,
  headOf,
  keptPlaces,
  readAt,
  readPlace,
  RESULT_TABLES,
  signsOf,
  type ActionSolution,
  type Problem,
  type ResultTable,
  type ResultTableKey,
  type Solution,
  type TableCell,
} from '@viga/core'
import { abreast, prepared } from './figure'
import { begin, finished, heading, need, number, rule, table, words, type Pages } from './pages'
import { blank, INK, QUIET, textBox } from './type'

/** What a report of results may hold, in its order. */
export const REPORT_PARTS = [
  'statement',
  'diagrams',
  'reactions',
  'end-forces',
  'extremes',
  'displacements',
] as const
export type ReportPart = (typeof REPORT_PARTS)[number]

/** Limit on the printed rows of one table. The complete table is in the CSV and XLSX files. */
const MOST_ROWS = 400
/** Below this part of the largest number of its column a value is rounding error and reads 0. */
const ROUNDING = 1e-9

/** The results of one case or combination as a PDF: statement, diagrams and the tables that were chosen. */
export function resultsPdf(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  parts: readonly ReportPart[],
): Promise<Buffer> {
  const doc = blank(problem.title)
  const p = begin(doc)
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  const of = `${action.kind === 'case' ? 'Case' : 'Combination'}: ${action.title}.`
  words(p, `Results. ${of} ${signWords(problem)}`, {
    face: 'serif-italic',
    size: 10,
    colour: QUIET,
    after: 8,
  })
  rule(p)
  if (parts.includes('statement')) {
    if (problem.statement) words(p, problem.statement, { after: 8 })
    prepared(problem, solution, action, { loads: true, dimensions: true }, { captioned: false }).draw(p)
  }
  if (parts.includes('diagrams')) diagramsOn(p, problem, solution, action)
  tables(p, problem, solution, action, parts)
  number(doc, problem.title)
  return finished(doc)
}

/** The tables of results that are among the parts, the reactions with their sums. */
function tables(
  p: Pages,
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  parts: readonly ReportPart[],
) {
  const source = {
    solution,
    actions: [action],
    envelope: false,
    display: displayOf(problem),
    signs: signsOf(problem),
  }
  for (const part of parts) {
    if (!Object.hasOwn(RESULT_TABLES, part)) continue
    resultTable(p, RESULT_TABLES[part as ResultTableKey](source))
    if (part === 'reactions') sums(p, problem, solution, action)
  }
}

/** Diagrams and tables of one case or combination, at the end of its working. */
export function resultsOn(p: Pages, problem: Problem, solution: Solution, action: ActionSolution) {
  diagramsOn(p, problem, solution, action)
  words(p, signWords(problem), { face: 'serif-italic', size: 10, colour: QUIET, after: 4 })
  tables(p, problem, solution, action, REPORT_PARTS)
}

function signWords(problem: Problem): string {
  const { momentSide, moment, axial, shear } = signsOf(problem)
  if (problem.kind === 'truss') return `Axial forces positive in ${axial}.`
  return (
    `Moments on the ${momentSide} side, positive ${moment} from start to end; axial forces positive in ` +
    `${axial}; ` +
    `shear positive ${shear === 'left-up' ? 'up' : 'down'} on the left part.`
  )
}

/** N, V, M and the deflected shape, each with its caption; the axial forces alone of a truss. */
function diagramsOn(p: Pages, problem: Problem, solution: Solution, action: ActionSolution) {
  const keys = problem.kind === 'truss' ? (['N'] as const) : (['M', 'V', 'N'] as const)
  const figures = [
    ...keys.map((diagram) =>
      prepared(problem, solution, action, { diagram, reactions: diagram === keys[0] }),
    ),
    prepared(problem, solution, action, { deflected: true }),
  ]
  need(p, figures[0].tall + 60)
  heading(p, 'Diagrams', 1)
  for (const f of figures) f.draw(p)
  for (const line of readings(problem, solution, action)) words(p, line, { size: 10 })
}

/** Room for the words about signs below the diagrams, points. */
const SIGNS_TALL = 40

/** N, V, M and the deflected shape in little, two beside each other. */
export function smallDiagrams(p: Pages, problem: Problem, solution: Solution, action: ActionSolution) {
  const keys = problem.kind === 'truss' ? (['N'] as const) : (['M', 'V', 'N'] as const)
  const half = { half: true }
  heading(p, problem.kind === 'truss' ? 'N and deflected shape' : 'M, V, N and deflected shape', 1)
  const figures = [
    ...keys.map((diagram) => prepared(problem, solution, action, { diagram }, half)),
    prepared(problem, solution, action, { deflected: true }, half),
  ]
  abreast(p, figures, SIGNS_TALL)
  words(p, signWords(problem), { face: 'serif-italic', size: 9.5, colour: QUIET })
}

/** What is read at the places that the problem keeps, a line each; a place that is gone is passed over. */
function readings(problem: Problem, solution: Solution, action: ActionSolution): string[] {
  const { members } = solution.structure
  return keptPlaces(problem).flatMap(({ member, at }) => {
    const index = members.findIndex((m) => m.id === member)
    const read = index < 0 ? undefined : readPlace(problem, members[index].length, String(at))
    if (!read?.ok) return []
    const values = readAt(problem, solution, action, index, read.x, displayOf(problem))
    return [`${member} at ${String(at)}: ${values.map((v) => `${v.key} = ${v.text} ${v.unit}`).join(', ')}.`]
  })
}

const TEXT_SIZE = 9.5

function resultTable(p: Pages, t: ResultTable) {
  need(p, 90)
  heading(p, t.title, 1)
  const most = t.columns.map((c, i) =>
    c.unit ? t.rows.reduce((m, r) => Math.max(m, Math.abs(Number(r.cells[i]) || 0)), 0) : 0,
  )
  const write = (c: TableCell, i: number) =>
    c === null ? '–' : typeof c === 'string' ? c : Math.abs(c) <= ROUNDING * most[i] ? '0' : formatNumber(c)
  const line = (cells: readonly string[], colour = INK) =>
    cells.map((c) => textBox(p.doc, c, 'serif', TEXT_SIZE, colour))
  const rows = t.rows.slice(0, MOST_ROWS).map((r) => line(r.cells.map(write)))
  table(
    p,
    [line(t.columns.map(headOf), QUIET), ...rows, ...(t.total ? [line(t.total.map(write))] : [])],
    true,
  )
  if (t.rows.length > MOST_ROWS)
    words(p, `The first ${MOST_ROWS} of ${t.rows.length} rows.`, { size: 9, colour: QUIET })
}

/** The sums of loads and reactions, which shows that the structure is in equilibrium. */
function sums(p: Pages, problem: Problem, solution: Solution, action: ActionSolution) {
  const { loads, residual } = equilibrium(solution, action)
  const { force } = displayOf(problem)
  const scale = Math.max(Math.abs(loads.fx), Math.abs(loads.fy))
  const zero = (v: number) => (Math.abs(v) <= ROUNDING * scale ? '0' : formatNumber(v * force.perSI))
  words(
    p,
    `The loads add up to ${zero(loads.fx)} ${force.unit} in x and ${zero(loads.fy)} ${force.unit} in y; ` +
      'with the ' +
      `reactions ${zero(residual.fx)} and ${zero(residual.fy)} are left.`,
    { size: 10, after: 6 },
  )
}
