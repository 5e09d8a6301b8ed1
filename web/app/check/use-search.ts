import type { Problem } from '@viga/core'
import { useEffect, useState } from 'react'
import { searchSlip } from '../sheet/checker'
import { useSheet, useSheetStore } from '../sheet/context'

/** Delay after an edit before the search for slips begins, ms (debounce). */
const PAUSE_MS = 400

/** What was found for the problem as it stands; the search begins anew with each edit of it. */
export function useSearch(wanted: boolean) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const checked = useSheet((s) => s.checked)
  const [given, giveUp] = useState<Problem>()
  const [tried, setTried] = useState<{ problem: Problem; share: number }>()
  const here = checked?.problem === problem
  useEffect(() => {
    if (!wanted || here || given === problem) return
    let stop = () => {}
    const timer = setTimeout(() => {
      stop = searchSlip(
        problem,
        (done, all) => setTried({ problem, share: all > 0 ? done / all : 0 }),
        (found) => store.setState({ checked: { problem, found } }),
      )
    }, PAUSE_MS)
    return () => {
      clearTimeout(timer)
      stop()
    }
  }, [problem, wanted, given, here, store])
  return {
    checked: here ? checked.found : undefined,
    searching: wanted && !here && given !== problem,
    /** The part of all slips that has been tried, 0 to 1. */
    tried: tried?.problem === problem ? tried.share : 0,
    stop: () => giveUp(problem),
  }
}
