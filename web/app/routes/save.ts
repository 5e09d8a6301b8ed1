import { data } from 'react-router'
import { asJson } from '../server/problems.server'
import { saveRequest } from '../server/save.server'
import { cardSoon } from '../server/shelf.server'
import type { Route } from './+types/save'

/** A problem is sent here, not asked for. */
export const loader = () => {
  throw data('A problem is kept by sending it here.', { status: 405, headers: { Allow: 'POST' } })
}

/** Keeps a problem: 200 with its new revision, 400 with what is wrong, 409 with the newer problem. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { access } = context
  const result = await saveRequest(access.person, () => access.begin(), params.problemId, request)
  if (result.status === 200) cardSoon(result.body.copied ?? params.problemId)
  if (result.status === 409)
    return new Response(`{"newer":${asJson(result.newer)}}`, {
      status: 409,
      headers: { 'Content-Type': 'application/json; charset=utf-8' },
    })
  return data(result.body, { status: result.status })
}
