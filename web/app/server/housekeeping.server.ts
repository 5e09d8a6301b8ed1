import { change } from './database.server'
import { purgeTakenOff } from './problems.server'
import { purgeSessions } from './people/sessions.server'

const HOUR = 3_600_000

/** Ends what is out of date. Each step may be done by several servers at once. */
export async function tidyUp(): Promise<void> {
  await purgeTakenOff()
  await purgeSessions()
  await change('DELETE FROM tries WHERE until < NOW(3) LIMIT 10000')
  await change('DELETE FROM letters WHERE created_at < NOW(3) - INTERVAL 1 DAY LIMIT 10000')
  // shelves without an account that no browser holds a key to any more, and nothing is on
  await change(
    'DELETE p FROM people p LEFT JOIN sessions s ON s.person = p.id LEFT JOIN problems q ON q.owner = p.id ' +
      "WHERE p.email IS NULL AND p.subject IS NULL AND s.id IS NULL AND q.id IS NULL AND p.role = 'author' " +
      'AND p.created_at < NOW(3) - INTERVAL 1 DAY',
  )
}

/** Tidies up now and then for as long as the server runs. */
export function startHousekeeping(failed: (error: unknown) => void): void {
  const tidy = () => void tidyUp().catch(failed)
  setTimeout(tidy, 60_000).unref()
  setInterval(tidy, HOUR).unref()
}
