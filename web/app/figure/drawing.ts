import { joinOnMembers, joinThrough, measure, mergeNodes, placeNode, type Problem } from '@viga/core'

/** An end of a member being drawn: a joint that is there, or a bare place in the problem's length unit. */
export type End = { id: string } | { x: number; y: number }

/** Draws from a place to a place, through the joints between; new joints split members they lie on. */
export function connect(p: Problem, from: End, to: End): { problem: Problem; end: string } {
  let problem = p
  const [a, b] = [from, to].map((end) => {
    if ('id' in end) return end.id
    const placed = placeNode(problem, end.x, end.y)
    problem = placed.problem
    return placed.id
  })
  return { problem: joinThrough(problem, a, b), end: b }
}

/**
 * What follows when a dragged joint is let go: it becomes one with a joint it stands on, and splits a member
 * it lies on.
 */
export function dropped(p: Problem, id: string): { problem: Problem; words: string } | undefined {
  const m = measure(p)
  const at = m.at.get(id)
  if (!at) return undefined
  const near = 1e-6 * Math.max(m.extent, 1e-6)
  for (const [other, q] of m.at)
    if (other !== id && Math.hypot(q.x - at.x, q.y - at.y) <= near)
      return {
        problem: mergeNodes(p, other, id),
        words: `${id} stood on ${other}: the two are one joint now, ${other}.`,
      }
  const joined = joinOnMembers(p, id)
  return joined === p ? undefined : { problem: joined, words: `${id} lies on a member now and splits it.` }
}
