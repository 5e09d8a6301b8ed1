import { useMemo } from 'react'
import { Link, useLocation } from 'react-router'
import { useSheet } from '../sheet/context'
import { unread } from '../sheet/drafts'

/** The texts of the statement that cannot be read. */
export function useUnread() {
  const drafts = useSheet((s) => s.drafts)
  // an edit concerns this only while something waits to be read
  const problem = useSheet((s) => (Object.keys(s.drafts).length ? s.problem : null))
  return useMemo(() => (problem ? unread(drafts, problem) : []), [drafts, problem])
}

/** Over numbers, while a text of the statement cannot be read: they are of the statement before it. */
export function LastReadable() {
  const all = useUnread()
  const { pathname } = useLocation()
  if (all.length === 0) return null
  const [first] = all
  const given = pathname.split('/').slice(0, 3).join('/')
  return (
    <p className="last-readable" role="status">
      These numbers are of the last statement that could be read: <b>{first.field}</b> holds “{first.text}”
      {all.length > 1 && `, and ${all.length - 1} more ${all.length === 2 ? 'field' : 'fields'}`}.{' '}
      <Link to={`${given}/given`}>Mend it under Given</Link>
    </p>
  )
}
