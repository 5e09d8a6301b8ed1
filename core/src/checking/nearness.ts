import type { Measure } from '../document/measure.js'
import type { Problem } from '../document/types.js'

/**
 * Joints and members whose boxes meet that of a member, found by cells so that ten thousand members take no
 * time.
 */
export interface Nearness {
  nodes(member: number): string[]
  members(member: number): number[]
}

/**
 * A member longer than this many cells is looked at along a diagonal of cells only as far as its box goes.
 */
const CELLS = 64

export function membersNear(p: Problem, m: Measure): Nearness {
  const size = m.extent / Math.min(CELLS, Math.max(1, Math.ceil(Math.sqrt(p.members.length)))) || 1
  const cell = (v: number) => Math.floor(v / size)
  const key = (i: number, j: number) => `${i},${j}`
  const boxes = p.members.map((member) => {
    const [a, b] = [m.at.get(member.start), m.at.get(member.end)]
    return a && b && Number.isFinite(a.x + a.y + b.x + b.y) ? { a, b } : undefined
  })
  const nodeCells = new Map<string, string[]>()
  for (const [id, q] of m.at) push(nodeCells, key(cell(q.x), cell(q.y)), id)
  const memberCells = new Map<string, number[]>()
  /** The cells a member passes: those of its box that its line comes near to. */
  const passed = (i: number): string[] => {
    const box = boxes[i]
    if (!box) return []
    const { a, b } = box
    const steps = Math.min(8 * CELLS, Math.max(1, Math.ceil((2 * Math.hypot(b.x - a.x, b.y - a.y)) / size)))
    const out = new Set<string>()
    for (let s = 0; s <= steps; s++) {
      const [x, y] = [a.x + ((b.x - a.x) * s) / steps, a.y + ((b.y - a.y) * s) / steps]
      // neighbours too: a joint on the line may stand just across a border
      for (let di = -1; di <= 1; di++)
        for (let dj = -1; dj <= 1; dj++) out.add(key(cell(x + 0.5 * di * size), cell(y + 0.5 * dj * size)))
    }
    return [...out]
  }
  const cellsOf = p.members.map((_, i) => passed(i))
  cellsOf.forEach((cells, i) => cells.forEach((c) => push(memberCells, c, i)))
  return {
    nodes: (i) => [...new Set(cellsOf[i].flatMap((c) => nodeCells.get(c) ?? []))],
    members: (i) => [...new Set(cellsOf[i].flatMap((c) => memberCells.get(c) ?? []))],
  }
}

function push<T>(map: Map<string, T[]>, key: string, value: T) {
  const list = map.get(key)
  if (list) list.push(value)
  else map.set(key, [value])
}
