import type { ActionSolution, Solution } from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { useSheetStore } from '../../sheet/context'
import { doJob, type EnvelopeJob, type JobAnswer, type JobInput } from '../../sheet/envelope-jobs'
import { envelopeLater } from '../../sheet/envelope-later'
import { isQuick } from '../solved'

/**
 * What is made of many cases: at once for a textbook problem, by and by for a large one.
 * @param input what is asked for; the same object as long as the same is asked for
 * @returns nothing until it is made, and where no case is chosen
 */
export function useEnvelope<K extends EnvelopeJob>(
  name: K,
  solution: Solution,
  actions: readonly ActionSolution[],
  input: JobInput<K> | null,
): JobAnswer<K> | undefined {
  const store = useSheetStore()
  const asked = input !== null && actions.length > 0
  const small = isQuick(solution, actions)
  const now = useMemo(
    () => (asked && small ? doJob(name, solution, actions, input) : undefined),
    [asked, small, name, solution, actions, input],
  )
  const [later, setLater] = useState<{ actions: unknown; input: unknown; made: JobAnswer<K> }>()
  useEffect(() => {
    if (!asked || small) return
    let over = false
    void envelopeLater(store.getState().problem, solution, name, actions, input).then((made) => {
      if (!over) setLater({ actions, input, made })
    })
    return () => {
      over = true
    }
  }, [asked, small, name, solution, actions, input, store])
  return now ?? (later?.actions === actions && later.input === input ? later.made : undefined)
}
