import { madeOf } from '../server/made.server'
import type { Route } from './+types/marked'

/** The hand values of a problem with their verdicts, as a PDF file. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  madeOf(context.access.person, params.problemId, 'marked', {}, request.signal)
