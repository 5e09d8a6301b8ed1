import { data } from 'react-router'
import { keepScheme } from '../server/scheme.server'
import type { Route } from './+types/scheme'

export async function action({ request }: Route.ActionArgs) {
  const scheme = (await request.formData()).get('scheme') === 'dark' ? 'dark' : 'light'
  return data({ scheme }, { headers: { 'Set-Cookie': await keepScheme(scheme) } })
}
