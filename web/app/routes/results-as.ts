import { madeOf } from '../server/made.server'
import type { Route } from './+types/results-as'

/** The results of a case as a PDF file. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  madeOf(
    context.access.person,
    params.problemId,
    'results',
    { form: params.form, asked: Object.fromEntries(new URL(request.url).searchParams) },
    request.signal,
  )
