import { measure, pasteRows, type Problem } from '@viga/core'

/**
 * Rows pasted where they say. A piece that would lie wholly on what is there, as one pasted where it was
 * copied does, is put clear of it to the right.
 */
export function pasted(p: Problem, text: string) {
  const there = pasteRows(p, text)
  if (!there.ok || p.nodes.length === 0) return there
  const m = measure(there.problem)
  const [old, fresh] = [p.nodes.map((n) => m.at.get(n.id)!), there.nodes.map((id) => m.at.get(id)!)]
  const covered =
    fresh.length > 0 &&
    fresh.every((q) => old.some((o) => Math.hypot(o.x - q.x, o.y - q.y) <= 1e-6 * m.extent))
  if (!covered) return there
  const width = Math.max(...old.map((o) => o.x)) - Math.min(...fresh.map((q) => q.x))
  return pasteRows(p, text, Number((width + Math.max(1, 0.2 * m.extent)).toPrecision(3)), 0)
}
