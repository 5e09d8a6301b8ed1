import { data } from 'react-router'
import { fileResponse } from '../server/file-response.server'
import { problemById } from '../server/problems.server'
import { workingAs } from '../server/working-out.server'
import type { Route } from './+types/working-as'

/** The whole working of a case as a PDF, a LaTeX or a Markdown file. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const found = await problemById(params.problemId)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const out = await workingAs(found.problem, params.form, new URL(request.url).searchParams.get('case'))
  return fileResponse(out)
}
