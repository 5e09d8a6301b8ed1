import { madeOf } from '../server/made.server'
import type { Route } from './+types/file'

/** The problem as a file to keep. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  madeOf(context.access.person, params.problemId, 'file', {}, request.signal)
