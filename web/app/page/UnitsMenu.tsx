import { lazy, Suspense, useState } from 'react'
import { useSheet } from '../sheet/context'
import { Press } from '../widgets/Press'

// the menu and its questions come when they are first asked for
const UnitsChoice = lazy(() => import('./UnitsChoice'))

/** The problem's units, and the way to others. */
export function UnitsMenu() {
  const units = useSheet((s) => s.problem.units)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [asked, setAsked] = useState(false)
  return (
    <>
      <Press
        className="units"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        aria-label={`Units: ${units.force}, ${units.length}`}
        onClick={(e) => {
          setAnchor(e.currentTarget)
          setAsked(true)
        }}
      >
        {units.force}, {units.length}
        <svg width="8" height="6" viewBox="0 0 8 6" fill="none" stroke="currentColor" aria-hidden="true">
          <path d="M1 1.5L4 4.5L7 1.5" />
        </svg>
      </Press>
      {asked && (
        <Suspense>
          <UnitsChoice anchor={anchor} onClose={() => setAnchor(null)} />
        </Suspense>
      )}
    </>
  )
}
