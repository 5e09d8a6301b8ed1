import { data } from 'react-router'
import { fileResponse } from '../server/file-response.server'
import { problemById } from '../server/problems.server'
import { markedSheet } from '../server/results-out.server'
import type { Route } from './+types/marked'

/** The hand values of a problem with their verdicts, as a PDF file. */
export async function loader({ params }: Route.LoaderArgs) {
  const found = await problemById(params.problemId)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  return fileResponse(await markedSheet(found.problem))
}
