import { data, redirectDocument } from 'react-router'
import { object, string } from 'yup'
import { endElsewhere, isOffered } from '../server/people/openid.server'
import { needMany } from '../server/people/page.server'
import { begunCookie } from './sign-in-elsewhere'
import type { Route } from './+types/sign-in-back'

const begunForm = object({
  state: string().required(),
  nonce: string().required(),
  verifier: string().required(),
})

/** Back from the provider. */
export async function loader({ request, context }: Route.LoaderArgs) {
  needMany(context.access)
  if (isOffered() === null) throw data('No other sign-in is set here.', { status: 404 })
  const begun: unknown = await begunCookie.parse(request.headers.get('Cookie'))
  if (!begunForm.isValidSync(begun))
    throw data('This sign-in was not begun in this browser, or too long ago. Please begin again.', {
      status: 400,
    })
  await endElsewhere(context.access, new URL(request.url), begun).catch((error: unknown) => {
    context.log.warn({ err: error }, 'a sign-in elsewhere failed')
    throw data('The other sign-in did not name you. Please begin again.', { status: 400 })
  })
  return redirectDocument('/', {
    headers: { 'Set-Cookie': await begunCookie.serialize(null, { maxAge: 0 }) },
  })
}
