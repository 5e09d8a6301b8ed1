import { createHash } from 'node:crypto'
import { data } from 'react-router'
import { compute, once } from './compute/pool.server'
import type { Input } from './compute/jobs'
import { fileResponse } from './file-response.server'
import type { Person } from './people/person'
import { textById } from './problems.server'

type Made = 'file' | 'working' | 'figure' | 'results' | 'marked'

/** What is asked for besides the document, as the job has it. */
type Asked<K extends Made> = Omit<Input<K>, 'document'>

/**
 * The name by which a file is kept: the document word for word, and all that was asked for. So a copy of an
 * example has the file of the example, and a statement that an undo brings back has its own again.
 */
export const keyOf = <K extends Made>(document: string, job: K, asked: Asked<K>): string =>
  JSON.stringify([createHash('sha256').update(document).digest('base64'), job, asked])

/** A file that is made of a problem: in a thread of its own, and once for each statement. */
export async function made<K extends Made>(
  person: Person | null,
  id: string,
  job: K,
  asked: Asked<K>,
  signal: AbortSignal,
) {
  const found = await textById(person, id)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const make = () => compute(job, { ...asked, document: found.document }, signal)
  return { found, file: await once(keyOf(found.document, job, asked), make) }
}

/** The same as a download. */
export async function madeOf<K extends Made>(...args: Parameters<typeof made<K>>): Promise<Response> {
  return fileResponse((await made(...args)).file)
}
