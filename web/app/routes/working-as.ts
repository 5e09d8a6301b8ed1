import { madeOf } from '../server/made.server'
import type { Route } from './+types/working-as'

/** The whole working of a case as a PDF, a LaTeX or a Markdown file. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  madeOf(
    context.access.person,
    params.problemId,
    'working',
    { form: params.form, caseId: new URL(request.url).searchParams.get('case') },
    request.signal,
  )
