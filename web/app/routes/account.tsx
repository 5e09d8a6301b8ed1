import { data, redirectDocument } from 'react-router'
import { Account } from '../people/Account'
import { changeForm, deleteForm, nameForm } from '../people/forms'
import { formOf, textsOf } from '../server/form.server'
import { changePassword, deleteAccount, rename } from '../server/people/accounts.server'
import { answerForm, needAccount } from '../server/people/page.server'
import { endOneSession, endOtherSessions, sessionsOf } from '../server/people/sessions.server'
import type { Route } from './+types/account'

export const meta: Route.MetaFunction = () => [{ title: 'Your account · Viga' }]

export async function loader({ context }: Route.LoaderArgs) {
  const person = needAccount(context.access)
  return { person, session: context.access.session, sessions: await sessionsOf(person.id) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { access } = context
  const person = needAccount(access)
  const fields = textsOf(await formOf(request))
  switch (fields.intent) {
    case 'sign-out':
      await access.signOut()
      return redirectDocument('/signed-out')
    case 'end-session':
      await endOneSession(person.id, fields.id ?? '')
      return { ok: true as const }
    case 'end-others':
      await endOtherSessions(person.id, access.session)
      return { ok: true as const }
    case 'name': {
      const { answer, status } = await answerForm(
        nameForm,
        fields,
        async ({ name }) => (await rename(person, name), { ok: true }),
        'Kept.',
      )
      return data(answer, { status })
    }
    case 'password': {
      const { answer, status } = await answerForm(
        changeForm,
        fields,
        (form) => changePassword(access, form),
        'Changed. You are signed out everywhere else.',
      )
      return data(answer, { status })
    }
    case 'delete': {
      const { answer, status } = await answerForm(deleteForm, fields, ({ password }) =>
        deleteAccount(access, password),
      )
      return answer.ok ? redirectDocument('/signed-out') : data(answer, { status })
    }
    default:
      throw data('This address accepts no such request.', { status: 400 })
  }
}

export default function AccountPage({ loaderData }: Route.ComponentProps) {
  return <Account {...loaderData} />
}
