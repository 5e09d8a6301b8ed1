import { data, redirect } from 'react-router'
import { cardOf } from '../server/cards.server'
import { problemsOnShelf } from '../server/problems.server'
import { shelfAction } from '../server/shelf-actions.server'
import { Shelf } from '../shelf/Shelf'
import type { Route } from './+types/shelf'

export const meta: Route.MetaFunction = () => [{ title: 'Shelf · Viga' }]

export async function loader() {
  return { cards: (await problemsOnShelf()).map(cardOf) }
}

export async function action({ request }: Route.ActionArgs) {
  const outcome = await shelfAction(Object.fromEntries(await request.formData()))
  if (!outcome.ok) return data(outcome, { status: 400 })
  return outcome.open ? redirect(`/problems/${outcome.open}/given`) : data(outcome)
}

export default function ShelfPage({ loaderData }: Route.ComponentProps) {
  return <Shelf cards={loaderData.cards} />
}
