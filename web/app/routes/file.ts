import { fileName, writeProblem } from '@viga/core'
import { data } from 'react-router'
import { problemById } from '../server/problems.server'
import type { Route } from './+types/file'

/** The problem as a file to keep. */
export async function loader({ params }: Route.LoaderArgs) {
  const found = await problemById(params.problemId)
  if (!found) throw data('There is no such problem on the Shelf.', { status: 404 })
  const name = fileName(found.problem.title)
  return new Response(writeProblem(found.problem), {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}.viga.json`,
    },
  })
}
