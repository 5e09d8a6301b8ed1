import { measure, type Point } from '../measure.js'
import type { Problem } from '../types.js'

/** Members alike: the same section and material, or on one straight line through joints they share. */
export function membersLike(p: Problem, id: string, by: 'section' | 'line'): string[] {
  const own = p.members.find((m) => m.id === id)
  if (!own) return []
  if (by === 'section')
    return p.members
      .filter((m) => m.section === own.section && m.material === own.material && m.type === own.type)
      .map((m) => m.id)
  const m = measure(p)
  const [a, b] = [m.at.get(own.start), m.at.get(own.end)]
  if (!a || !b) return [id]
  const L = Math.hypot(b.x - a.x, b.y - a.y)
  const off = (q: Point | undefined) =>
    q ? Math.abs((b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x)) / L : Infinity
  const line = new Set([id])
  const joints = new Set([own.start, own.end])
  for (let grew = true; grew;) {
    grew = false
    for (const o of p.members) {
      if (line.has(o.id) || (!joints.has(o.start) && !joints.has(o.end))) continue
      if (off(m.at.get(o.start)) > 1e-6 * m.extent || off(m.at.get(o.end)) > 1e-6 * m.extent) continue
      line.add(o.id)
      joints.add(o.start)
      joints.add(o.end)
      grew = true
    }
  }
  return p.members.filter((o) => line.has(o.id)).map((o) => o.id)
}

/**
 * Renumbers all joints: 1, 2, 3 … or A, B, C …, from left to right and bottom to top, or in the order they
 * stand in.
 */
export function renumberNodes(
  p: Problem,
  style: 'letters' | 'numbers',
  order: 'listed' | 'place',
): { from: string; to: string }[] {
  const m = measure(p)
  const list = p.nodes.map((n) => n.id)
  if (order === 'place') {
    const near = 1e-6 * m.extent
    const at = (id: string) => m.at.get(id) ?? { x: 0, y: 0 }
    list.sort((a, b) => (Math.abs(at(a).x - at(b).x) > near ? at(a).x - at(b).x : at(a).y - at(b).y))
  }
  const label = (i: number) =>
    style === 'numbers'
      ? String(i + 1)
      : 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'[i % 26] + (i < 26 ? '' : String(Math.floor(i / 26)))
  return list.map((from, i) => ({ from, to: label(i) }))
}
