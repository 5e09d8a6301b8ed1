import { data } from 'react-router'
import { number, object } from 'yup'
import { asJson, textNewerThan } from '../server/problems.server'
import type { Route } from './+types/newer'

const asked = object({ than: number().integer().min(0).required() })

/** 200 with the problem where its revision is above `than`, 204 where it is not, 404 where there is none. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url)
  if (!asked.isValidSync(Object.fromEntries(searchParams)))
    throw data('The request names no revision.', { status: 400 })
  const found = await textNewerThan(context.access.person, params.problemId, Number(searchParams.get('than')))
  if (found === undefined) throw data('There is no such problem on the Shelf.', { status: 404 })
  if (found === null) return new Response(null, { status: 204 })
  return new Response(asJson(found), {
    headers: { 'Content-Type': 'application/json; charset=utf-8' },
  })
}
