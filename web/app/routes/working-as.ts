import { madeOf } from '../server/made.server'
import type { Route } from './+types/working-as'

/** The whole working of a case by a method, as a PDF, a LaTeX or a Markdown file. */
export function loader({ params, request, context }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url)
  const method = searchParams.get('method')
  // files of the usual method are made ahead without its name
  const by = method === null || method === 'stiffness' ? {} : { method }
  const asked = { form: params.form, caseId: searchParams.get('case'), ...by }
  return madeOf(context.access.person, params.problemId, 'working', asked, request.signal)
}
