import { useEffect } from 'react'
import { Link } from 'react-router'
import { PaperPage } from '../people/PaperPage'
import { forgetAllDrafts } from '../sheet/draft-place'
import { forgetHistories } from '../sheet/history'
import type { Route } from './+types/signed-out'

export const meta: Route.MetaFunction = () => [{ title: 'Signed out · Viga' }]

/** Whoever uses this browser next is somebody else: nothing of the last person stays in it. */
export default function SignedOut() {
  useEffect(() => {
    void forgetAllDrafts().catch(() => {})
    void forgetHistories().catch(() => {})
    sessionStorage.clear()
  }, [])
  return (
    <PaperPage
      title="You are signed out"
      lead="What was kept in this browser is cleared. Your problems are with your account."
    >
      <p>
        <Link to="/sign-in" className="textlink">
          Sign in
        </Link>{' '}
        or{' '}
        <a href="/" className="textlink">
          to the Shelf
        </a>
      </p>
    </PaperPage>
  )
}
