import type { ProblemError } from '@viga/core'
import { object, string, ValidationError } from 'yup'
import { compute } from './compute/pool.server'
import { mayWrite, type Person } from './people/person'
import { deleteProblem, insertProblem, textById, restoreProblem, saveProblem } from './problems.server'
import { cardSoon, titlesLike } from './shelf.server'
import { copyTitle, withoutCopy } from './titles.server'

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

/**
 * Everything that can be done on the Shelf. Wrong input comes back as a sentence, a missing problem too.
 * @param begin gives the person who acts; one without a shelf begins theirs with it
 */
export async function shelfAction(
  begin: () => Promise<Person>,
  fields: Record<string, unknown>,
  signal?: AbortSignal,
): Promise<ShelfOutcome> {
  let input
  try {
    input = await form.validate(fields)
  } catch (error) {
    if (error instanceof ValidationError)
      return { ok: false, field: error.path ?? 'intent', message: error.errors[0] }
    throw error
  }
  const read = input.intent === 'open' ? await compute('open', { file: input.file! }, signal) : undefined
  if (read && !read.ok) return refusedFile(read.errors)
  const person = await begin()
  if (!mayWrite(person))
    return { ok: false, field: 'intent', message: 'With this account problems are read, not made.' }
  const { intent, id, title } = input
  if (intent === 'new' || read) return opened(await insertProblem(person, read?.written))
  if (intent === 'examples') return putExamples(person)
  if (intent === 'restore') return (await restoreProblem(person, id!)) ? { ok: true } : gone
  return onProblem(person, intent as 'rename' | 'duplicate' | 'delete', id!, title ?? '')
}

const refusedFile = ([{ message, path }]: ProblemError[]): ShelfOutcome => ({
  ok: false,
  field: 'file',
  message,
  path,
})

function opened(id: string): ShelfOutcome {
  cardSoon(id)
  return { ok: true, open: id }
}

async function onProblem(
  person: Person,
  intent: 'rename' | 'duplicate' | 'delete',
  id: string,
  title: string,
): Promise<ShelfOutcome> {
  const found = await textById(person, id)
  if (!found) return gone
  const { document } = found
  if (intent === 'duplicate') {
    const taken = await titlesLike(person, withoutCopy(found.title))
    const copy = await compute('retitle', { document, title: copyTitle(found.title, taken) })
    cardSoon(await insertProblem(person, copy))
    return { ok: true }
  }
  if (!found.mayWrite)
    return { ok: false, field: 'id', message: 'Only a copy of this problem can be changed.' }
  if (intent === 'delete') {
    if (!(await deleteProblem(person, id)))
      return { ok: false, field: 'id', message: 'Only the one whose problem it is takes it off.' }
    return { ok: true, deleted: { id, title: found.title } }
  }
  const saved = await saveProblem(person, id, found.revision, await compute('retitle', { document, title }))
  return saved.saved
    ? { ok: true }
    : {
        ok: false,
        field: 'title',
        message: 'The problem was changed elsewhere at this very moment; please try again.',
      }
}

/** The problems that a new Shelf begins with, in the order of their files. */
const EXAMPLES = import.meta.glob<string>('../../database/demo/*.json', { query: '?raw', import: 'default' })

async function putExamples(person: Person): Promise<ShelfOutcome> {
  for (const name of Object.keys(EXAMPLES).sort()) {
    const read = await compute('open', { file: await EXAMPLES[name]() })
    if (read.ok) cardSoon(await insertProblem(person, read.written))
  }
  return { ok: true }
}

const gone: ShelfOutcome = { ok: false, field: 'id', message: 'This problem is no longer on the Shelf.' }
