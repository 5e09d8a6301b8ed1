import { useEffect, useRef } from 'react'
import { data, Form, redirect, useNavigation } from 'react-router'
import Button from '@mui/material/Button'
import { PaperPage } from '../people/PaperPage'
import { needMany } from '../server/people/page.server'
import { followLink, linkOf } from '../server/people/sharing.server'
import { cardSoon } from '../server/shelf.server'
import type { Route } from './+types/shared'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Shared'} · Viga` },
]

const ENDED = 'This link gives nothing any more: it was ended, or the problem was deleted.'

/**
 * What a link leads to. Asking changes nothing: previews of links, and reloads, make no shelf and no copy.
 */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { access } = context
  needMany(access)
  const link = await linkOf(params.token)
  if (!link) throw data(ENDED, { status: 404 })
  if (link.owner === access.person?.id) throw redirect(`/problems/${link.problem}/given`)
  return { title: link.title, gives: link.gives }
}

/** Takes what the link gives: the problem to read, which then stands on one's Shelf, or a copy. */
export async function action({ params, context }: Route.ActionArgs) {
  needMany(context.access)
  const id = await followLink(context.access, params.token)
  if (id === undefined) throw data(ENDED, { status: 404 })
  cardSoon(id)
  return redirect(`/problems/${id}/given`)
}

/** The way on for a person: a browser goes it by itself. */
export default function Shared({ loaderData: { title, gives } }: Route.ComponentProps) {
  const form = useRef<HTMLFormElement>(null)
  const { state } = useNavigation()
  useEffect(() => form.current?.requestSubmit(), [])
  return (
    <PaperPage
      title={title}
      lead={
        gives === 'copy'
          ? 'Somebody gives you a copy of this problem.'
          : 'Somebody shares this problem with you, to be read.'
      }
    >
      <Form method="post" replace ref={form}>
        <Button type="submit" disabled={state !== 'idle'}>
          {gives === 'copy' ? 'Put a copy on my Shelf' : 'Open the problem'}
        </Button>
      </Form>
    </PaperPage>
  )
}
