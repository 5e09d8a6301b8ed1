import { useEffect, useMemo, useState } from 'react'
import type { Overlay } from '../figure/Figure'
import { useDisplay, useSheet, useSheetStore, useSolved } from '../sheet/context'
import { useCompared } from '../sheet/use-compared'
import type { freeBodyOverlay } from './free-body/overlay'
import type { ResultViewKey } from './views'

/** What a view of the Results lays over the Figure: a free body in its place, or a second result. */
export function useResultsOverlay(view: ResultViewKey | undefined): Overlay | undefined {
  const store = useSheetStore()
  const solved = useSolved()
  const display = useDisplay()
  const choice = useSheet((s) => s.body)
  const about = useSheet((s) => s.about)
  const compared = useCompared()
  const make = useFreeBody(view === 'free-body')
  return useMemo(() => {
    if (view === 'free-body' && make && solved)
      return make(store, solved.solution, solved.action, choice, about, display)
    if (view === 'compare' && compared.stage === 'solved')
      return { compared: { solution: compared.solution, action: compared.action } }
    return undefined
  }, [view, make, solved, store, choice, about, display, compared])
}

/** The drawing of free bodies, fetched when it is first asked for. */
function useFreeBody(on: boolean): typeof freeBodyOverlay | undefined {
  const [make, setMake] = useState<{ make: typeof freeBodyOverlay }>()
  useEffect(() => {
    if (on && !make) void import('./free-body/overlay').then((m) => setMake({ make: m.freeBodyOverlay }))
  }, [on, make])
  return make?.make
}
