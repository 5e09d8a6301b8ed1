import {
  breaksOf,
  courseOf,
  extremes,
  formatPlain,
  sidesAt,
  zeros,
  type ActionSolution,
  type Display,
  type Solution,
} from '@viga/core'

/** Internal forces at one place of a member, in the units of the display, tension and sagging positive. */
export interface ForcesAt {
  /** The place in words: a joint, or the distance from the start. */
  at: string
  /** The place is a joint of the structure. */
  joint: boolean
  N: number
  V: number
  M: number
}

/** Parts of a member's length nearer than this are one place. */
const ONE_PLACE = 1e-6
/** Forces on the two sides of a place that differ by more than this share of their size jump there. */
const JUMP = 1e-9

/**
 * The internal forces that a table shows of a member: at its ends, where V is 0, where M is largest and
 * smallest, and on both sides of every jump.
 */
export function forcesAlong(
  solution: Solution,
  action: ActionSolution,
  member: number,
  display: Display,
): ForcesAt[] {
  const { nodes, members } = solution.structure
  const m = members[member]
  const course = courseOf(solution, action, member)
  const { M } = extremes(course)
  const places = new Set([0, m.length, ...zeros(course, 'V'), M.max.x, M.min.x, ...breaksOf(course)])
  const name = (x: number) => {
    if (x < ONE_PLACE * m.length) return nodes[m.start].id
    if (x > m.length * (1 - ONE_PLACE)) return nodes[m.end].id
    return `${formatPlain(x * display.length.perSI, 4)} ${display.length.unit}`
  }
  const ids = new Set(nodes.map((n) => n.id))
  return [...places]
    .sort((a, b) => a - b)
    .filter((x, k, all) => k === 0 || x - all[k - 1] > ONE_PLACE * m.length)
    .flatMap((x) => {
      const { left, right } = sidesAt(course, x)
      const jumps =
        x > 0 &&
        x < m.length &&
        (['N', 'V', 'M'] as const).some(
          (k) => Math.abs(left[k] - right[k]) > JUMP * (Math.abs(left[k]) + Math.abs(right[k])),
        )
      const sides = jumps ? [left, right] : [x === 0 ? right : left]
      return sides.map((t, k) => {
        const at = jumps ? `${name(x)} ${k === 0 ? 'left' : 'right'}` : name(x)
        const force = display.force.perSI
        return {
          at,
          joint: ids.has(at),
          N: t.N * force,
          V: t.V * force,
          M: t.M * display.moment.perSI,
        }
      })
    })
}
