import { exportOf } from '../server/people/accounts.server'
import { needAccount } from '../server/people/page.server'
import type { Route } from './+types/account-file'

/** All that is kept of the person who asks, as a file. */
export async function loader({ context }: Route.LoaderArgs) {
  const person = needAccount(context.access)
  return new Response(await exportOf(person), {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': 'attachment; filename="viga-account.json"',
    },
  })
}
