import type { Structure } from '@viga/core'
import { times, type Vec } from './marks'
import type { endsAtNodes } from './members'
import { memberLine, type View } from './view'

const middles = new WeakMap<Structure, number>()

/** The middle of the structure between its left and its right, m; found once. */
function middleOf(s: Structure): number {
  let middle = middles.get(s)
  if (middle === undefined) {
    let [left, right] = [Infinity, -Infinity]
    for (const { x } of s.nodes) [left, right] = [Math.min(left, x), Math.max(right, x)]
    middles.set(s, (middle = (left + right) / 2))
  }
  return middle
}

/** Of the two senses of an axis, the one farther from the members at the joint. */
export function freeSide(
  s: Structure,
  view: View,
  node: number,
  axis: Vec,
  ends: ReturnType<typeof endsAtNodes>,
): Vec {
  const crowd = (d: Vec) =>
    Math.max(
      -1,
      ...ends[node].map(({ member, end }) => {
        const { dir } = memberLine(s, view, s.members[member])
        return (end === 0 ? 1 : -1) * (dir.x * d.x + dir.y * d.y)
      }),
    )
  const middle = middleOf(s)
  const outside = s.nodes[node].x > middle ? 1 : -1
  const prefer = axis.x !== 0 ? times(axis, outside) : times(axis, -1)
  return crowd(times(prefer, -1)) < crowd(prefer) - 0.2 ? times(prefer, -1) : prefer
}
