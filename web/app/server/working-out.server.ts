import { fileName, methodChoices, work, working, type Problem } from '@viga/core'
import { allWorkingsPdf, shortWorkingPdf, workingPdf, type PrintedWorking } from '@viga/paper/working'
import type { FileOut } from './file-response.server'

/** Forms in which a whole working leaves Viga. */
const FORMS = {
  pdf: {
    type: 'application/pdf',
    ending: 'pdf',
    make: ([one]: PrintedWorking[]) => workingPdf(one),
  },
  short: {
    type: 'application/pdf',
    ending: 'short.pdf',
    make: ([one]: PrintedWorking[]) => shortWorkingPdf(one),
  },
  // the only form that is made of more than one case
  all: {
    type: 'application/pdf',
    ending: 'all-cases.pdf',
    make: (all: PrintedWorking[]) => allWorkingsPdf(all),
  },
  latex: {
    type: 'application/x-tex; charset=utf-8',
    ending: 'tex',
    make: ([{ book }]: PrintedWorking[]) => Buffer.from(working.workingLatex(book)),
  },
  markdown: {
    type: 'text/markdown; charset=utf-8',
    ending: 'md',
    make: ([{ book }]: PrintedWorking[]) => Buffer.from(working.workingMarkdown(book)),
  },
} as const

/** Beyond this many members a working is a book of hundreds of pages: it is read on the page instead. */
export const MOST_MEMBERS = 150

/** What is asked of a working: its form, its case or combination (the first case when null), its method. */
export interface WorkingAsked {
  form: string
  caseId: string | null
  /** The stiffness method where it is left out. */
  method?: string
}

/** The working of one case or combination by a method, as a file. */
export async function workingAs(
  problem: Problem,
  { form, caseId, method: key = 'stiffness' }: WorkingAsked,
): Promise<FileOut> {
  const method = working.methodOf(key)
  if (!method) return { message: `There is no method ${key.slice(0, 40)}.`, status: 404 }
  if (!Object.hasOwn(FORMS, form))
    return { message: `A working cannot be given as ${form.slice(0, 40)}.`, status: 404 }
  if (problem.members.length > MOST_MEMBERS)
    return {
      message:
        `With ${problem.members.length} members the whole working would fill hundreds of pages; it ` +
        `is printed for up to ${MOST_MEMBERS}. Each member and matrix can be read and saved on its ` +
        'page.',
      status: 400,
    }
  const outcome = work(problem)
  if (outcome.stage !== 'solved')
    return { message: 'This problem has no solution yet, so there is no working to print.', status: 400 }
  const { solution } = outcome
  const all = [...solution.cases, ...solution.combinations]
  const action = caseId === null ? all[0] : all.find((a) => a.id === caseId)
  if (!action)
    return {
      message: caseId === null ? 'There is no load case yet.' : `There is no case ${caseId.slice(0, 40)}.`,
      status: 404,
    }
  const { type, ending, make } = FORMS[form as keyof typeof FORMS]
  const options = methodChoices(problem)
  const fit = method.fits(problem, solution.structure, options)
  if (!fit.fits) return { message: fit.why, status: 400 }
  const printed = (form === 'all' ? all : [action]).map((one): PrintedWorking => {
    const of = { problem, solution, action: one }
    const task = { problem, structure: solution.structure, options, action: one.id, solved: () => of }
    return { of, book: method.open(task) }
  })
  if (form === 'short' && !printed[0].book.short)
    return { message: `${method.title} has no short form.`, status: 404 }
  const name = fileName(problem.title)
  return { body: await make(printed), type, name: `${name}-working.${ending}` }
}
