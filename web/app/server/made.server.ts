import { data } from 'react-router'
import { compute, once } from './compute/pool.server'
import type { Input } from './compute/jobs'
import { fileResponse } from './file-response.server'
import type { Person } from './people/person'
import { textById } from './problems.server'

type Made = 'file' | 'working' | 'figure' | 'results' | 'marked'

/**
 * A file that is made of a problem, as a download: in a thread of its own, and once for each revision.
 * @param asked what else is asked for, as the job has it
 */
export async function madeOf<K extends Made>(
  person: Person | null,
  id: string,
  job: K,
  asked: Omit<Input<K>, 'document'>,
  signal: AbortSignal,
): Promise<Response> {
  const found = await textById(person, id)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const key = JSON.stringify([id, found.revision, job, asked])
  return fileResponse(await once(key, () => compute(job, { ...asked, document: found.document }, signal)))
}
