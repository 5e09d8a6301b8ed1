import type { Person } from '../../app/server/people/person'
import { readText, textById, type StoredProblem } from '../../app/server/problems.server'

/** A problem as somebody may read it. */
export async function problemById(person: Person | null, id: string): Promise<StoredProblem | undefined> {
  const found = await textById(person, id)
  return found && readText(found)
}
