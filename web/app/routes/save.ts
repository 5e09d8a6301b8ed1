import { data } from 'react-router'
import { saveRequest } from '../server/save.server'
import type { Route } from './+types/save'

/** Keeps a problem: 200 with its new revision, 400 with what is wrong, 409 with the newer problem. */
export async function action({ request, params }: Route.ActionArgs) {
  const result = await saveRequest(params.problemId, request)
  return data(result.body, { status: result.status })
}
