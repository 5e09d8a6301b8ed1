import { madeOf } from '../server/made.server'
import type { Route } from './+types/figure-as'

/** The Figure as an SVG or PDF file. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  madeOf(
    context.access.person,
    params.problemId,
    'figure',
    { form: params.form, asked: Object.fromEntries(new URL(request.url).searchParams) },
    request.signal,
  )
