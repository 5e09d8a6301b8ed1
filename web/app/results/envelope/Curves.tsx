import type { Solution } from '@viga/core'
import { useEffect, useMemo } from 'react'
import { useSheet, useSheetStore } from '../../sheet/context'
import { useBrowserLayout } from '../../widgets/after-paint'
import { chosenOf } from './ask'
import { useEnvelope } from './use-envelope'

/** Hands the Figure the envelope of the diagram it shows, over the chosen cases and combinations. */
export default function Curves({ solution }: { solution: Solution }) {
  const store = useSheetStore()
  const chosen = useSheet((s) => s.enveloped)
  const key = useSheet((s) => s.shown.results.diagram)
  const actions = useMemo(() => chosenOf(solution, chosen), [solution, chosen])
  const ask = useMemo(() => (key ? { key } : null), [key])
  const envelope = useEnvelope('curves', solution, actions, ask)
  useBrowserLayout(
    () => store.setState({ curves: envelope ? { solution, envelope } : null }),
    [store, solution, envelope],
  )
  useEffect(() => () => store.setState({ curves: null }), [store])
  return null
}
