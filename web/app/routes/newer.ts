import { data } from 'react-router'
import { number, object } from 'yup'
import { problemNewerThan } from '../server/problems.server'
import type { Route } from './+types/newer'

const asked = object({ than: number().integer().min(1).required() })

/** 200 with the problem where its revision is above `than`, 204 where it is not, 404 where there is none. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url)
  if (!asked.isValidSync(Object.fromEntries(searchParams))) throw data('Newer than what?', { status: 400 })
  const found = await problemNewerThan(params.problemId, Number(searchParams.get('than')))
  if (found === undefined) throw data('There is no such problem on the Shelf.', { status: 404 })
  return found === null ? new Response(null, { status: 204 }) : Response.json(found)
}
