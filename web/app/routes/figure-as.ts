import { data } from 'react-router'
import { fileResponse } from '../server/file-response.server'
import { problemById } from '../server/problems.server'
import { figureAs } from '../server/results-out.server'
import type { Route } from './+types/figure-as'

/** The Figure as an SVG or PDF file. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const found = await problemById(params.problemId)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const query = Object.fromEntries(new URL(request.url).searchParams)
  return fileResponse(await figureAs(found.problem, params.form, query))
}
