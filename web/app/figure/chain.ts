import { useCallback, useEffect, useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'

/** A joint that a chain of members has come to, and how many steps of undo there were then. */
interface Link {
  joint: string
  steps: number
}

/** The links that are left after an undo: those that were there then, at joints that are there still. */
export const linksAfter = (
  links: readonly Link[],
  steps: number,
  isThere: (joint: string) => boolean,
): readonly Link[] => {
  const left = links.filter((l) => l.steps <= steps && isThere(l.joint))
  return left.length === links.length ? links : left
}

/**
 * The joint that the next member of a chain begins at. An undo takes the chain back to the joint before, a
 * joint that is gone is none of it.
 */
export function useChain(): [string | null, (joint: string | null) => void] {
  const store = useSheetStore()
  const [links, setLinks] = useState<readonly Link[]>([])
  const steps = useSheet((s) => s.past.length)
  const nodes = useSheet((s) => s.problem.nodes)
  useEffect(
    () => setLinks((all) => linksAfter(all, steps, (id) => nodes.some((n) => n.id === id))),
    [steps, nodes],
  )
  const go = useCallback(
    (joint: string | null) =>
      setLinks((all) => (joint === null ? [] : [...all, { joint, steps: store.getState().past.length }])),
    [store],
  )
  return [links[links.length - 1]?.joint ?? null, go]
}
