import { lazy, Suspense } from 'react'
import { useSheet } from '../sheet/context'

// the shapes come when they are asked for: most sheets have their structure already
const StartChooser = lazy(() => import('./StartChooser'))

/**
 * Shapes every course begins with, filled in as joints and members that can be changed. Stands open on an
 * empty sheet.
 */
export function Start({ open, setOpen }: { open: boolean; setOpen: (open: boolean) => void }) {
  const empty = useSheet((s) => s.problem.nodes.length === 0)
  if (!empty && !open) return null
  return (
    <Suspense>
      <StartChooser onDone={() => setOpen(false)} closable={!empty} />
    </Suspense>
  )
}
