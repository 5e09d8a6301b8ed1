import { measure, type Measure } from '../measure.js'
import { redirect, remove } from '../references.js'
import { membersRenamed } from './member-labels.js'
import type { Problem } from '../types.js'

/** Two joints nearer than this share of the structure's extent are one place. */
export const SAME_PLACE = 1e-6

/**
 * Makes one joint of two: what refers to `gone` refers to `kept`. A member between the two goes; of two
 * members that then join the same joints the first stays. The support of `kept` stays, else that of `gone`
 * moves over.
 */
export function mergeNodes(p: Problem, kept: string, gone: string): Problem {
  if (kept === gone || !p.nodes.some((n) => n.id === gone)) return p
  const between = p.members.filter((m) => [m.start, m.end].every((n) => n === kept || n === gone))
  const apart = remove(
    p,
    'member',
    between.map((m) => m.id),
  )
  const supports = apart.supports?.some((s) => s.node === kept)
    ? apart.supports.filter((s) => s.node !== gone)
    : apart.supports
  const moved = redirect({ ...apart, ...(supports && { supports }) }, 'node', (n) => (n === gone ? kept : n))
  const one = { ...moved, nodes: moved.nodes.filter((n) => n.id !== gone) }
  return membersRenamed(apart, withoutDoubles(one), (m) => m.start === gone || m.end === gone)
}

/** Takes out members that join the same two joints as an earlier one. */
function withoutDoubles(p: Problem): Problem {
  const seen = new Set<string>()
  const double: string[] = []
  for (const m of p.members) {
    const key = [m.start, m.end].sort().join('\n')
    if (seen.has(key)) double.push(m.id)
    seen.add(key)
  }
  return remove(p, 'member', double)
}

/** Pairs of joints at one place, the earlier first. */
export function coincident(p: Problem, m: Measure = measure(p)): [string, string][] {
  const size = SAME_PLACE * m.extent || 1e-12
  const cells = new Map<string, { id: string; x: number; y: number }[]>()
  const out: [string, string][] = []
  for (const [id, { x, y }] of m.at) {
    const [i, j] = [Math.floor(x / (4 * size)), Math.floor(y / (4 * size))]
    let twin: string | undefined
    for (let a = -1; a <= 1 && !twin; a++)
      for (let b = -1; b <= 1 && !twin; b++)
        twin = cells.get(`${i + a},${j + b}`)?.find((o) => Math.hypot(o.x - x, o.y - y) <= size)?.id
    if (twin) out.push([twin, id])
    else {
      const key = `${i},${j}`
      cells.set(key, [...(cells.get(key) ?? []), { id, x, y }])
    }
  }
  return out
}
