import { newProblem, openProblem } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { object, string, ValidationError } from 'yup'
import { titlesLike } from './shelf.server'
import { copyTitle, withoutCopy } from './titles.server'
import { deleteProblem, insertProblem, problemById, restoreProblem, saveProblem } from './problems.server'

const form = object({
  intent: string().oneOf(['new', 'open', 'examples', 'rename', 'duplicate', 'delete', 'restore']).required(),
  id: string()
    .uuid('This is not a problem of this Shelf.')
    .when('intent', {
      is: (i: string) => ['rename', 'duplicate', 'delete', 'restore'].includes(i),
      then: (s) => s.required(),
    }),
  title: string()
    .trim()
    .max(300, 'A title has at most 300 characters.')
    .when('intent', { is: 'rename', then: (s) => s.required('A title has at least one character.') }),
  file: string().when('intent', { is: 'open', then: (s) => s.required('This file is empty.') }),
})

export type ShelfOutcome =
  | { ok: true; open?: string; deleted?: { id: string; title: string } }
  | { ok: false; field: string; message: string; path?: string }

/** Everything that can be done on the Shelf. Wrong input comes back as a sentence, a missing problem too. */
export async function shelfAction(fields: Record<string, unknown>): Promise<ShelfOutcome> {
  let input
  try {
    input = await form.validate(fields)
  } catch (error) {
    if (error instanceof ValidationError)
      return { ok: false, field: error.path ?? 'intent', message: error.errors[0] }
    throw error
  }
  if (input.intent === 'new') return { ok: true, open: await insertProblem(newProblem()) }
  if (input.intent === 'open') {
    const read = openProblem(input.file!)
    return read.ok
      ? { ok: true, open: await insertProblem(carriedOver(read.problem)) }
      : { ok: false, field: 'file', message: read.errors[0].message, path: read.errors[0].path }
  }
  if (input.intent === 'examples') return putExamples()
  const id = input.id!
  if (input.intent === 'restore') return (await restoreProblem(id)) ? { ok: true } : gone
  const found = await problemById(id)
  if (!found) return gone
  switch (input.intent) {
    case 'rename': {
      const saved = await saveProblem(id, found.revision, { ...found.problem, title: input.title! })
      return saved.saved
        ? { ok: true }
        : {
            ok: false,
            field: 'title',
            message: 'The problem was changed elsewhere at this very moment; please try again.',
          }
    }
    case 'duplicate': {
      const taken = await titlesLike(withoutCopy(found.problem.title))
      await insertProblem({ ...found.problem, title: copyTitle(found.problem.title, taken) })
      return { ok: true }
    }
    default:
      await deleteProblem(id)
      return { ok: true, deleted: { id, title: found.problem.title } }
  }
}

/** The problems that a new Shelf begins with, in the order of their files. */
const EXAMPLES = import.meta.glob<string>('../../database/demo/*.json', { query: '?raw', import: 'default' })

async function putExamples(): Promise<ShelfOutcome> {
  for (const file of Object.keys(EXAMPLES).sort()) {
    const read = openProblem(await EXAMPLES[file]())
    if (read.ok) await insertProblem(carriedOver(read.problem))
  }
  return { ok: true }
}

const gone: ShelfOutcome = { ok: false, field: 'id', message: 'This problem is no longer on the Shelf.' }
