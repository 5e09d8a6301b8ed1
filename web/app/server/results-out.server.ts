import { fileName, work, workWithSystem, type ActionSolution, type Outcome, type Problem } from '@viga/core'
import { figurePicture, SHOWN, type Shown } from '@viga/drawing/figure-file'
import { PAPER_INKS } from '@viga/drawing/inks'
import { pictureSvg } from '@viga/drawing/svg'
import type { View } from '@viga/drawing/view'
import { markedPdf } from '@viga/paper/marked'
import { picturePdf } from '@viga/paper/picture'
import { REPORT_PARTS, resultsPdf, type ReportPart } from '@viga/paper/results'
import { typefaceRules } from '@viga/paper/typefaces'
import { array, boolean, number, object, string } from 'yup'
import type { FileOut } from './file-response.server'

/** A list of names, as an address has it: `M,reactions`; what is not known is left out. */
const names = <T extends string>(known: readonly T[]) =>
  array()
    .of(string<T>().required())
    .transform((_, text: unknown) =>
      (typeof text === 'string' ? text : '').split(',').filter((n): n is T => known.includes(n as T)),
    )
    .required()

/**
 * How the Figure lies on its frame, as an address has it: scale, ox, oy, width and height, parted by commas.
 */
const viewText = string().test('view', (text) => text === undefined || viewOf(text) !== undefined)

function viewOf(text: string | undefined): View | undefined {
  const [scale, ox, oy, width, height, ...rest] = (text ?? '').split(',').map(Number)
  const far = [ox, oy].every((v) => Math.abs(v) <= 1e7)
  const sized = [width, height].every((v) => v >= 50 && v <= 8000)
  return scale > 0 && scale <= 1e9 && far && sized && rest.length === 0
    ? { scale, ox, oy, width, height }
    : undefined
}

const figureQuery = object({
  view: viewText,
  show: names<Shown>(SHOWN).default([]),
  case: string().max(24),
  enlarge: number().min(0).max(1e9).default(0),
  size: number().min(0.05).max(20).default(1),
  caption: boolean().default(false),
})
const reportQuery = object({
  parts: names<ReportPart>(REPORT_PARTS).default([...REPORT_PARTS]),
  case: string().max(24),
})

/** More members than this fill a picture with ink and a report with pages that nobody reads. */
const MOST_MEMBERS = 2000

const TYPES = { svg: 'image/svg+xml', pdf: 'application/pdf' } as const

/** The Figure of a problem as a file. @param query what the address asks for, as `figureQuery` has it */
export async function figureAs(
  problem: Problem,
  form: string,
  query: Record<string, string>,
): Promise<FileOut> {
  if (!Object.hasOwn(TYPES, form))
    return { message: `A figure cannot be given as ${form.slice(0, 40)}.`, status: 404 }
  const ready = solvedFor(problem, query.case)
  if ('message' in ready) return ready
  if (!figureQuery.isValidSync(query)) return { message: 'This figure cannot be drawn.', status: 400 }
  const asked = figureQuery.cast(query)
  const { outcome } = ready
  const solution = outcome.stage === 'solved' ? outcome.solution : undefined
  const picture = figurePicture(problem, outcome.structure, solution, {
    shown: asked.show,
    case: asked.case,
    enlarge: asked.enlarge,
    diagramSize: asked.size,
    captioned: asked.caption,
    ...asView(asked.view),
  })
  if (!picture) return { message: 'There is nothing to draw yet.', status: 400 }
  const body =
    form === 'svg'
      ? Buffer.from(pictureSvg(picture, { inks: PAPER_INKS, fonts: typefaceRules() }))
      : await picturePdf(problem.title, picture)
  return { body, type: TYPES[form as keyof typeof TYPES], name: `${fileName(problem.title)}.${form}` }
}

/** The view and the size of the picture that it belongs to. */
function asView(text: string | undefined) {
  const view = viewOf(text)
  return view ? { view, width: view.width, height: view.height } : {}
}

/** The results of a case as a PDF, with the parts that the address names. */
export async function resultsAs(
  problem: Problem,
  form: string,
  query: Record<string, string>,
): Promise<FileOut> {
  if (form !== 'pdf') return { message: `Results cannot be given as ${form.slice(0, 40)}.`, status: 404 }
  const ready = solvedFor(problem, query.case)
  if ('message' in ready) return ready
  if (ready.outcome.stage !== 'solved' || !ready.action)
    return { message: 'This problem has no solution yet, so there are no results to print.', status: 400 }
  if (!reportQuery.isValidSync(query)) return { message: 'This report cannot be made.', status: 400 }
  const { parts } = reportQuery.cast(query)
  const body = await resultsPdf(problem, ready.outcome.solution, ready.action, parts)
  return { body, type: TYPES.pdf, name: `${fileName(problem.title)}-results.pdf` }
}

/** The hand values of a problem, marked, as a PDF. */
export async function markedSheet(problem: Problem): Promise<FileOut> {
  if (problem.members.length > MOST_MEMBERS)
    return { message: `Sheets are marked for up to ${MOST_MEMBERS} members.`, status: 400 }
  if (!problem.answers?.length) return { message: 'There is no hand value to be marked.', status: 400 }
  const { solved } = workWithSystem(problem)
  if (!solved) return { message: 'This problem has no solution yet, so nothing can be marked.', status: 400 }
  const body = await markedPdf(problem, solved)
  return { body, type: TYPES.pdf, name: `${fileName(problem.title)}-marked.pdf` }
}

type Drawable = Exclude<Outcome, { stage: 'invalid' }>

function solvedFor(
  problem: Problem,
  id: string | undefined,
): { outcome: Drawable; action?: ActionSolution } | { message: string; status: 400 | 404 } {
  if (problem.members.length > MOST_MEMBERS)
    return { message: `Figures and reports are made for up to ${MOST_MEMBERS} members.`, status: 400 }
  const outcome = work(problem)
  if (outcome.stage === 'invalid') return { message: outcome.errors[0].message, status: 400 }
  const all = outcome.stage === 'solved' ? [...outcome.solution.cases, ...outcome.solution.combinations] : []
  const action = id === undefined ? all[0] : all.find((a) => a.id === id)
  if (id !== undefined && outcome.stage === 'solved' && !action)
    return { message: `There is no case ${id.slice(0, 40)}.`, status: 404 }
  return { outcome, action }
}
