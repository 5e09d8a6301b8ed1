import { data, redirectDocument } from 'react-router'
import { EntryField, EntryForm } from '../people/EntryForm'
import { newPasswordForm } from '../people/forms'
import { PaperPage } from '../people/PaperPage'
import { formOf, textsOf } from '../server/form.server'
import { resetPassword } from '../server/people/accounts.server'
import { answerForm, needMany } from '../server/people/page.server'
import type { Route } from './+types/new-password'

export const meta: Route.MetaFunction = () => [{ title: 'A new password · Viga' }]

export const loader = ({ context }: Route.LoaderArgs) => {
  needMany(context.access)
  return null
}

export async function action({ request, params, context }: Route.ActionArgs) {
  needMany(context.access)
  const fields = textsOf(await formOf(request))
  const { answer, status } = await answerForm(newPasswordForm, fields, ({ password }) =>
    resetPassword(context.access, params.token, password),
  )
  return answer.ok ? redirectDocument('/') : data(answer, { status })
}

export default function NewPassword() {
  return (
    <PaperPage title="A new password" lead="You are signed in with it here, and signed out everywhere else.">
      <EntryForm intent="new-password" schema={newPasswordForm} send="Take this password">
        <EntryField label="New password" name="password" type="password" autoComplete="new-password" />
        <EntryField label="The same again" name="again" type="password" autoComplete="new-password" />
      </EntryForm>
    </PaperPage>
  )
}
