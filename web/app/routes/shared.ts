import { data, redirect } from 'react-router'
import { needMany } from '../server/people/page.server'
import { followLink } from '../server/people/sharing.server'
import { cardSoon } from '../server/shelf.server'
import type { Route } from './+types/shared'

/** What a link gives: the problem to read, or a copy of one's own. */
export async function loader({ params, context }: Route.LoaderArgs) {
  needMany(context.access)
  const id = await followLink(context.access, params.token)
  if (id === undefined)
    throw data('This link gives nothing any more: it was ended, or the problem was taken off.', {
      status: 404,
    })
  cardSoon(id)
  return redirect(`/problems/${id}/given`)
}
