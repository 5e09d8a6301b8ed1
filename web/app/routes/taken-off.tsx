import { useFetcher, Link } from 'react-router'
import { PaperPage } from '../people/PaperPage'
import { DAYS_KEPT, MOST_LISTED, takenOff } from '../server/problems.server'
import { Press } from '../widgets/Press'
import { When } from '../widgets/When'
import type { Route } from './+types/taken-off'

export const meta: Route.MetaFunction = () => [{ title: 'Deleted problems · Viga' }]

export const loader = async ({ context }: Route.LoaderArgs) => ({
  days: DAYS_KEPT,
  most: MOST_LISTED,
  problems: await takenOff(context.access.person),
})

/** What was taken off the Shelf and can be put back. */
export default function TakenOffPage({ loaderData: { days, most, problems } }: Route.ComponentProps) {
  const fetcher = useFetcher()
  return (
    <PaperPage title="Deleted problems" lead={`A deleted problem can be put back for ${days} days.`}>
      {problems.length === 0 ? (
        <p>No problem was deleted.</p>
      ) : (
        <ul className="paper-list">
          {problems.slice(0, most).map(({ id, title, deletedAt }) => (
            <li key={id}>
              <span>{title}</span>
              <When at={deletedAt} />
              <Press
                className="textlink"
                aria-label={`Put ${title} back`}
                onClick={() =>
                  void fetcher.submit({ intent: 'restore', id }, { method: 'post', action: '/?index' })
                }
              >
                Put it back
              </Press>
            </li>
          ))}
        </ul>
      )}
      {problems.length > most && (
        <p>Only the last {most} are listed; the earlier ones follow as these are put back.</p>
      )}
      <p style={{ marginTop: 24 }}>
        <Link to="/" className="textlink">
          To the Shelf
        </Link>
      </p>
    </PaperPage>
  )
}
