import { data, redirect } from 'react-router'
import { number, object, string } from 'yup'
import { drawsHere } from '../server/busy.server'
import { formOf, textsOf } from '../server/form.server'
import { shelfAction } from '../server/shelf-actions.server'
import { shelfPage } from '../server/shelf.server'
import type { CardKind } from '../server/cards.server'
import { Shelf } from '../shelf/Shelf'
import type { Route } from './+types/shelf'

export const meta: Route.MetaFunction = () => [{ title: 'Shelf · Viga' }]

/** What the address asks for; what cannot be read in it counts as not said. */
const asked = object({
  kind: string<CardKind>().transform((v: string) => (['beam', 'frame', 'truss'].includes(v) ? v : undefined)),
  find: string()
    .default('')
    .transform((v: string) => v.slice(0, 200)),
  page: number()
    .default(1)
    .transform((v: number) => (Number.isInteger(v) && v > 0 ? v : 1)),
})

export async function loader({ request, context }: Route.LoaderArgs) {
  const query = asked.cast(Object.fromEntries(new URL(request.url).searchParams))
  return { ...(await shelfPage(context.access.person, query)), drawnLater: !drawsHere(context) }
}

export async function action({ request, context }: Route.ActionArgs) {
  const fields = textsOf(await formOf(request))
  const outcome = await shelfAction(() => context.access.begin(), fields, request.signal)
  if (!outcome.ok) return data(outcome, { status: 400 })
  return outcome.open ? redirect(`/problems/${outcome.open}/given`) : data(outcome)
}

export default function ShelfPage({ loaderData }: Route.ComponentProps) {
  return <Shelf {...loaderData} />
}
