import { data, redirectDocument } from 'react-router'
import { SignIn } from '../people/SignIn'
import { createForm, forgotForm, signInForm } from '../people/forms'
import { formOf, textsOf } from '../server/form.server'
import { createAccount, sendReset, signIn } from '../server/people/accounts.server'
import { isOffered } from '../server/people/openid.server'
import { answerForm, needMany } from '../server/people/page.server'
import type { Route } from './+types/sign-in'

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Viga' }]

export function loader({ context }: Route.LoaderArgs) {
  needMany(context.access)
  return { elsewhere: isOffered() }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { access } = context
  needMany(access)
  const fields = textsOf(await formOf(request))
  const forgot = fields.intent === 'forgot'
  const { answer, status } = forgot
    ? await answerForm(
        forgotForm,
        fields,
        ({ email }) => sendReset(access, email),
        'If there is such an account, a letter with a link is on its way.',
      )
    : fields.intent === 'create'
      ? await answerForm(createForm, fields, (form) => createAccount(access, form))
      : await answerForm(signInForm, fields, (form) => signIn(access, form))
  // another person has another Shelf: the whole page anew
  return answer.ok && !forgot ? redirectDocument('/') : data(answer, { status })
}

export default function SignInPage({ loaderData }: Route.ComponentProps) {
  return <SignIn {...loaderData} />
}
