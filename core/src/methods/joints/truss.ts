import type { Actions } from '../../structure/actions.js'
import type { Structure } from '../../structure/types.js'
import { solveDense } from '../dense.js'

export interface Vec {
  x: number
  y: number
}

/** A force whose line is known: a bar (tension positive) or a reaction along one direction of its support. */
export interface Unknown {
  key: string
  /** The bar, by its index; undefined for a reaction. */
  bar?: number
  /** The joints it acts on with the direction of its force on each. */
  on: { node: number; dir: Vec }[]
  /** Of a reaction: the component of its support. */
  component?: 'x' | 'y'
}

/** A truss as its joints see it: unknown forces and loads. */
export interface Truss {
  structure: Structure
  unknowns: Unknown[]
  /** Unknowns at each joint, by index. */
  at: number[][]
  loads: Vec[]
}

export const dot = (a: Vec, b: Vec) => a.x * b.x + a.y * b.y
export const cross = (a: Vec, b: Vec) => a.x * b.y - a.y * b.x
export const across = (a: Vec): Vec => ({ x: -a.y, y: a.x })

/** Directions are in one line where the sine between them is below this. */
export const IN_LINE = 1e-9

/** The directions to the right and up. */
export const [LEVEL, UPRIGHT]: Vec[] = [
  { x: 1, y: 0 },
  { x: 0, y: 1 },
]

/** The direction across a line: to the right or up where the line is upright or level. */
export function acrossOf(line: Vec): Vec {
  if (Math.abs(line.y) <= IN_LINE) return UPRIGHT
  return Math.abs(line.x) <= IN_LINE ? LEVEL : across(line)
}

export function trussOf(s: Structure, actions: Actions): Truss {
  const bars = s.members.map((m, bar): Unknown => ({
    key: `bar:${m.id}`,
    bar,
    on: [
      { node: m.start, dir: { x: m.cos, y: m.sin } },
      { node: m.end, dir: { x: -m.cos, y: -m.sin } },
    ],
  }))
  const reactions = s.supports.flatMap((p) =>
    (['x', 'y'] as const).flatMap((component): Unknown[] => {
      if (p.hold[component] === false) return []
      const [c, d] = [Math.cos(p.angle), Math.sin(p.angle)]
      const dir = component === 'x' ? { x: c, y: d } : { x: -d, y: c }
      return [{ key: `reaction:${s.nodes[p.node].id}:${component}`, on: [{ node: p.node, dir }], component }]
    }),
  )
  const unknowns = [...bars, ...reactions]
  const at = s.nodes.map((): number[] => [])
  unknowns.forEach((u, i) => u.on.forEach(({ node }) => at[node].push(i)))
  const loads = s.nodes.map((_, i) => ({ x: actions.nodal[3 * i], y: actions.nodal[3 * i + 1] }))
  return { structure: s, unknowns, at, loads }
}

/** The equations of all joints in the given unknowns; `known` forces and loads on the right. */
export function together(t: Truss, sought: readonly number[], known: ReadonlyMap<number, number>) {
  const rows: number[][] = []
  const right: number[] = []
  t.structure.nodes.forEach((_, node) => {
    const own = t.at[node].filter((u) => sought.includes(u))
    if (own.length === 0) return
    for (const key of ['x', 'y'] as const) {
      const row = sought.map((u) => (own.includes(u) ? directionAt(t, u, node)[key] : 0))
      let sum = -t.loads[node][key]
      for (const u of t.at[node]) sum -= (known.get(u) ?? 0) * directionAt(t, u, node)[key]
      rows.push(row)
      right.push(sum)
    }
  })
  return { rows, right }
}

export const directionAt = (t: Truss, unknown: number, node: number): Vec =>
  t.unknowns[unknown].on.find((o) => o.node === node)!.dir

/** Whether its joints determine every force: as many equations as forces, and independent. */
export function isDeterminate(t: Truss): boolean {
  const used = t.structure.nodes.filter((_, i) => t.at[i].length > 0).length
  if (t.unknowns.length !== 2 * used) return false
  const all = t.unknowns.map((_, i) => i)
  const { rows, right } = together(t, all, new Map())
  return rows.length === all.length && solveDense(rows, right) !== undefined
}
