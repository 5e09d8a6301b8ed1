import { produce } from 'immer'
import { removeNodes } from './edits.js'
import { memberLabel } from '../labels.js'
import { measure, type Measure } from '../measure.js'
import type { Problem } from '../types.js'

/** Two joints nearer than this share of the structure's extent are one place. */
export const SAME_PLACE = 1e-6

/**
 * Makes one joint of two: what hangs on `gone` hangs on `kept`. A member between the two goes; of two members
 * that then
 * join the same joints the first stays. The support of `kept` stays, else that of `gone` moves over.
 */
export function mergeNodes(p: Problem, kept: string, gone: string): Problem {
  if (kept === gone) return p
  const between = (m: { start: string; end: string }) =>
    [m.start, m.end].every((n) => n === kept || n === gone)
  const moved = produce(p, (d) => {
    d.members = d.members.filter((m) => !between(m))
    for (const m of d.members) {
      if (m.start !== gone && m.end !== gone) continue
      const named = m.id === memberLabel({ ...p, members: [] }, m.start, m.end)
      if (m.start === gone) m.start = kept
      if (m.end === gone) m.end = kept
      const label = memberLabel({ ...p, members: d.members.filter((o) => o !== m) }, m.start, m.end)
      if (!named || label.endsWith("'")) continue
      const old = m.id
      m.id = label
      for (const c of d.loadCases ?? [])
        for (const l of c.loads) if (l.type !== 'nodal' && l.member === old) l.member = label
      for (const a of d.answers ?? []) if (a.member === old) a.member = label
    }
    const supported = d.supports?.some((s) => s.node === kept)
    for (const s of d.supports ?? []) if (s.node === gone && !supported) s.node = kept
    for (const c of d.loadCases ?? []) {
      c.loads = c.loads.filter((l) => l.type === 'nodal' || d.members.some((m) => m.id === l.member))
      for (const l of c.loads) if (l.type === 'nodal' && l.node === gone) l.node = kept
    }
    for (const a of d.answers ?? []) if (a.node === gone) a.node = kept
  })
  return withoutDoubles(removeNodes(moved, [gone]))
}

/** Takes out members that join the same two joints as an earlier one. */
function withoutDoubles(p: Problem): Problem {
  const seen = new Set<string>()
  const double = new Set<string>()
  for (const m of p.members) {
    const key = [m.start, m.end].sort().join('\n')
    if (seen.has(key)) double.add(m.id)
    seen.add(key)
  }
  if (double.size === 0) return p
  return produce(p, (d) => {
    d.members = d.members.filter((m) => !double.has(m.id))
    for (const c of d.loadCases ?? [])
      c.loads = c.loads.filter((l) => l.type === 'nodal' || !double.has(l.member))
    if (d.answers) d.answers = d.answers.filter((a) => a.member === undefined || !double.has(a.member))
  })
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
