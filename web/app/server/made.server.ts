import { data } from 'react-router'
import { compute, once } from './compute/pool.server'
import type { Input } from './compute/jobs'
import { fileResponse } from './file-response.server'
import type { Person } from './people/person'
import { textById, type StoredText } from './problems.server'

type Made = 'file' | 'working' | 'figure' | 'results' | 'marked'

/** What is asked for besides the document, as the job has it. */
type Asked<K extends Made> = Omit<Input<K>, 'document'>

/** The name by which a file is kept: the revision and all that was asked for. */
export const keyOf = <K extends Made>(
  { id, revision }: Pick<StoredText, 'id' | 'revision'>,
  job: K,
  asked: Asked<K>,
): string => JSON.stringify([id, revision, job, asked])

/** A file that is made of a problem: in a thread of its own, and once for each revision. */
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
  return { found, file: await once(keyOf(found, job, asked), make) }
}

/** The same as a download. */
export async function madeOf<K extends Made>(...args: Parameters<typeof made<K>>): Promise<Response> {
  return fileResponse((await made(...args)).file)
}
