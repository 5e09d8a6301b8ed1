import { data } from 'react-router'
import { Sharing } from '../people/Sharing'
import { shareForm } from '../people/forms'
import { formOf, textsOf } from '../server/form.server'
import { answerForm, needMany } from '../server/people/page.server'
import { endSharing, makeLink, shareWith, sharingOf } from '../server/people/sharing.server'
import { textById } from '../server/problems.server'
import type { Route } from './+types/sharing'

export const meta: Route.MetaFunction = () => [{ title: 'Sharing · Viga' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { access } = context
  needMany(access)
  const found = await textById(access.person, params.problemId)
  const shared = await sharingOf(access.person, params.problemId)
  if (!found || !shared)
    throw data('Only the one whose problem it is shares it.', { status: found ? 403 : 404 })
  return { ...shared, id: found.id, title: found.title, origin: access.origin }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { access } = context
  needMany(access)
  const fields = textsOf(await formOf(request))
  const { problemId } = params
  const done = async () => {
    switch (fields.intent) {
      case 'link-read':
      case 'link-copy':
        return makeLink(access.person, problemId, fields.intent === 'link-read' ? 'read' : 'copy')
      case 'end':
        return endSharing(access.person, problemId, fields.id ?? '')
      default:
        throw data('This address accepts no such request.', { status: 400 })
    }
  }
  if (fields.intent === 'person') {
    const { answer, status } = await answerForm(shareForm, fields, (form) =>
      shareWith(access, problemId, form),
    )
    return data(answer, { status })
  }
  const result = await done()
  if (!result.ok) throw data(result.message, { status: 403 })
  return { ok: true as const }
}

export default function SharingPage({ loaderData }: Route.ComponentProps) {
  return <Sharing {...loaderData} />
}
