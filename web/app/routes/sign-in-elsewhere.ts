import { createCookie, data, redirect } from 'react-router'
import { beginElsewhere, isOffered } from '../server/people/openid.server'
import { needMany } from '../server/people/page.server'
import type { Route } from './+types/sign-in-elsewhere'

/** What the browser keeps while its person signs in at the provider. */
export const begunCookie = createCookie('viga-begun', {
  httpOnly: true,
  sameSite: 'lax',
  path: '/sign-in',
  maxAge: 600,
})

/** To the provider that is set. */
export async function loader({ context }: Route.LoaderArgs) {
  needMany(context.access)
  if (isOffered() === null) throw data('No other sign-in is set here.', { status: 404 })
  const { to, begun } = await beginElsewhere(context.access).catch((error: unknown) => {
    context.log.warn({ err: error }, 'the OpenID provider failed')
    throw data('The other sign-in cannot be reached just now.', { status: 502 })
  })
  return redirect(to, { headers: { 'Set-Cookie': await begunCookie.serialize(begun) } })
}
