import type { ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { Press } from '../widgets/Press'
import { useChooseShows, useHeldBack } from './shows'

/** Computed values, once they are not held back any more. */
export const Uncovered = ({ children }: { children: ReactNode }) =>
  useHeldBack() ? <CoveredNote /> : children

/** In place of computed values that are held back. */
function CoveredNote() {
  const choose = useChooseShows()
  const { problemId } = useParams()
  return (
    <div className="covered" role="note">
      <p className="prose">
        The computed values of this problem are covered. Work it out by hand, and{' '}
        <Link className="textlink" to={`/problems/${problemId}/check`}>
          check your values
        </Link>
        .
      </p>
      <Press className="plain-button" onClick={() => choose('value')}>
        Uncover them
      </Press>
    </div>
  )
}
