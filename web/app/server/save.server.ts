import type { ProblemError } from '@viga/core'
import { compute } from './compute/pool.server'
import { mayWrite, type Person } from './people/person'
import type { Written } from './compute/jobs'
import { insertProblem, saveProblem, textById, type StoredText } from './problems.server'

export type SaveReply =
  | { status: 200; body: { revision: number; copied?: string } }
  | { status: 400; body: { errors: ProblemError[] } }
  | { status: 404; body: { errors: ProblemError[]; gone: true } }
  | { status: 409; newer: StoredText }

const refusal = (message: string): SaveReply => ({
  status: 400,
  body: { errors: [{ kind: 'invalid', path: '$', message }] },
})

/**
 * The copy of a problem that a change has made one's own. The browser names it, so that the same change sent
 * twice (its answer was lost, or the page was left and opened again) makes one copy and not two.
 */
async function copyFor(
  own: Person,
  named: string | undefined,
  document: Written,
): Promise<{ revision: number; copied: string }> {
  const before = named === undefined ? undefined : await textById(own, named)
  if (!before?.mayWrite) return { revision: 1, copied: await insertProblem(own, document, named) }
  const saved = await saveProblem(own, before.id, before.revision, document)
  return { revision: saved.saved ? saved.revision : before.revision, copied: before.id }
}

/**
 * Checks and keeps what a browser sends. A change to a problem that a person may only read becomes a problem
 * of their own: nothing that is typed is refused for whose it is.
 * @param owner gives the person whose shelf a copy goes to
 */
export async function saveRequest(
  person: Person | null,
  owner: () => Promise<Person>,
  id: string,
  request: Request,
): Promise<SaveReply> {
  const checked = await compute('check', { text: await request.text() }, request.signal)
  if (!checked.ok) return { status: 400, body: { errors: checked.errors } }
  const result = await saveProblem(person, id, checked.revision, checked.written)
  if (result.saved) return { status: 200, body: { revision: result.revision } }
  const { found } = result
  if (!found)
    return {
      status: 404,
      body: {
        errors: [{ kind: 'invalid', path: '$', message: 'This problem is no longer on the Shelf.' }],
        gone: true,
      },
    }
  if (!found.mayWrite) {
    const own = await owner()
    if (!mayWrite(own)) return refusal('With this account problems are read, not changed.')
    return { status: 200, body: await copyFor(own, checked.copy, checked.written) }
  }
  return { status: 409, newer: found }
}
