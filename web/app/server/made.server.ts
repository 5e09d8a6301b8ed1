import { data } from 'react-router'
import { compute, once } from './compute/pool.server'
import { fileResponse } from './file-response.server'
import { keyOf, madeBefore, type Asked, type MadeJob } from './made-before.server'
import type { Person } from './people/person'
import { textById } from './problems.server'

/** A file that is made of a problem: in a thread of its own, and once for each statement. */
export async function made<K extends MadeJob>(
  person: Person | null,
  id: string,
  job: K,
  asked: Asked<K>,
  signal: AbortSignal,
) {
  const found = await textById(person, id)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const make = (wanted: AbortSignal) => compute(job, { ...asked, document: found.document }, wanted)
  const key = keyOf(found.document, job, asked)
  return { found, file: (await madeBefore(key)) ?? (await once(key, make, signal)) }
}

/** The same as a download. */
export async function madeOf<K extends MadeJob>(...args: Parameters<typeof made<K>>): Promise<Response> {
  return fileResponse((await made(...args)).file)
}
