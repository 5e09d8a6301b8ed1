import { signsOf } from '@viga/core'
import { useMemo } from 'react'
import type { Overlay } from '../figure/Figure'
import { useDisplay, useSheet, useSheetStore, useSolved } from '../sheet/context'
import { useCompared } from '../sheet/use-compared'
import { useFetched } from '../widgets/use-fetched'
import type { ResultViewKey } from './views'

/**
 * What a view of the Results lays over the Figure: a free body in its place, the use of members, or a second
 * result.
 */
export function useResultsOverlay(view: ResultViewKey | undefined): Overlay | undefined {
  const store = useSheetStore()
  const solved = useSolved()
  const display = useDisplay()
  const problem = useSheet((s) => s.problem)
  const signs = useMemo(() => signsOf(problem), [problem])
  const choice = useSheet((s) => s.body)
  const about = useSheet((s) => s.about)
  const compared = useCompared()
  const drawn = useSheet((s) => (view ? s.drawn : null))
  const freeBody = useFetched(view === 'free-body', fetchFreeBody)
  const shownLine = useSheet((s) => (view === 'influence' ? s.influence : null))
  const influence = useFetched(view === 'influence', fetchInfluence)
  const stress = useFetched(view === 'stress', fetchStress)
  return useMemo(() => {
    if (drawn) return { instead: drawn, caption: drawn.caption }
    if (!solved) return undefined
    const { solution, action } = solved
    if (view === 'free-body') return freeBody?.(store, solution, action, choice, about, display)
    if (view === 'influence')
      return shownLine ? influence?.(solution.structure, shownLine, display, signs) : undefined
    if (view === 'stress') return stress?.(solution, action)
    if ((view === 'compare' || view === 'buckling') && compared.stage === 'solved')
      return { compared: { solution: compared.solution, action: compared.action } }
    return undefined
  }, [
    view,
    drawn,
    freeBody,
    influence,
    shownLine,
    stress,
    solved,
    store,
    choice,
    about,
    display,
    signs,
    compared,
  ])
}

const fetchFreeBody = () => import('./free-body/overlay').then((m) => m.freeBodyOverlay)
const fetchInfluence = () => import('./influence/overlay').then((m) => m.influenceOverlay)
const fetchStress = () => import('./stress/overlay').then((m) => m.stressOverlay)
