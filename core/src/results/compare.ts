import type { Display } from '../document/display.js'
import { thing, type ThingKey } from '../document/thing.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { courseOf } from './courses.js'
import { displacementAt, reactionAt } from './at-node.js'
import { extremes } from './extremes.js'

/** One of two results, under one case. */
export interface Result {
  solution: Solution
  action: ActionSolution
}

/** A value in both results, in its shown unit; null where one of them has none. */
export interface Compared {
  target: ThingKey
  /** What it is of: a joint or a member. */
  of: string
  quantity: string
  unit: string
  first: number | null
  second: number | null
  /**
   * Second less first, and that in percent of the first; null where either is missing or the first is zero.
   */
  difference: number | null
  percent: number | null
}

export interface Comparisons {
  reactions: Compared[]
  displacements: Compared[]
  members: Compared[]
}

/** Below this part of the largest of its kind a value is rounding error. */
const ROUNDING = 1e-9

/**
 * Reactions, displacements and the largest N, V, M of two results side by side, joints and members by label.
 */
export function compareResults(a: Result, b: Result, display: Display): Comparisons {
  const of = (id: string, r: Result) => r.solution.structure.nodes.findIndex((n) => n.id === id)
  const nodes = (pick: (r: Result, node: number) => Record<string, number | null>) =>
    rows(
      a.solution.structure.nodes.map((n, i) => ({
        of: n.id,
        target: thing.node(n.id),
        first: pick(a, i),
        second: of(n.id, b) < 0 ? {} : pick(b, of(n.id, b)),
      })),
      display,
    )
  const isHeld = ({ solution }: Result, node: number) =>
    solution.structure.supports.some((p) => p.node === node)
  const reactions = (r: Result, node: number): Record<string, number | null> => {
    if (!isHeld(r, node)) return {}
    const { x, y, rotation } = reactionAt(r.solution, r.action, node)
    return r.solution.structure.kind === 'truss' ? { Rx: x, Ry: y } : { Rx: x, Ry: y, M: rotation }
  }
  return {
    reactions: nodes(reactions),
    displacements: nodes((r, n) => {
      const d = displacementAt(r.solution, r.action, n)
      return { x: d.x, y: d.y, rotation: d.rotation }
    }),
    members: memberRows(a, b, display),
  }
}

function memberRows(a: Result, b: Result, display: Display): Compared[] {
  const others = new Map(b.solution.structure.members.map((m, i) => [m.id, i]))
  return rows(
    a.solution.structure.members.map((m, i) => {
      const j = others.get(m.id)
      return {
        of: m.id,
        target: thing.member(m.id),
        first: largestOf(a, i),
        second: j === undefined ? {} : largestOf(b, j),
      }
    }),
    display,
  )
}

/** The largest N, V and M of a member by size, signed. */
function largestOf({ solution, action }: Result, member: number): Record<string, number | null> {
  const e = extremes(courseOf(solution, action, member))
  const one = (key: 'N' | 'V' | 'M') =>
    Math.abs(e[key].min.value) > Math.abs(e[key].max.value) ? e[key].min.value : e[key].max.value
  return solution.structure.members[member].bar ? { N: one('N') } : { N: one('N'), V: one('V'), M: one('M') }
}

const UNIT: Readonly<Record<string, keyof Display>> = {
  Rx: 'force',
  Ry: 'force',
  N: 'force',
  V: 'force',
  M: 'moment',
  x: 'displacement',
  y: 'displacement',
  rotation: 'rotation',
}

interface Pair {
  of: string
  target: ThingKey
  first: Record<string, number | null>
  second: Record<string, number | null>
}

/** The difference of two values; 0 where only rounding makes one. */
const differenceOf = (a: number, b: number): number =>
  Math.abs(b - a) <= ROUNDING * Math.max(Math.abs(a), Math.abs(b)) ? 0 : b - a

function rows(pairs: readonly Pair[], display: Display): Compared[] {
  const most = new Map<string, number>()
  for (const { first, second } of pairs)
    for (const [key, v] of [...Object.entries(first), ...Object.entries(second)])
      most.set(UNIT[key], Math.max(most.get(UNIT[key]) ?? 0, Math.abs(v ?? 0)))
  return pairs.flatMap(({ of, target, first, second }) =>
    [...new Set([...Object.keys(first), ...Object.keys(second)])].map((quantity): Compared => {
      const { perSI, unit } = display[UNIT[quantity]]
      const clean = (v: number | null | undefined) =>
        v === null || v === undefined || Number.isNaN(v)
          ? null
          : Math.abs(v) <= ROUNDING * (most.get(UNIT[quantity]) ?? 0)
            ? 0
            : v * perSI
      const [a, b] = [clean(first[quantity]), clean(second[quantity])]
      const difference = a === null || b === null ? null : differenceOf(a, b)
      const percent =
        difference === null || a === null || a === 0 ? null : difference === 0 ? 0 : (100 * difference) / a
      return { of, target, quantity, unit, first: a, second: b, difference, percent }
    }),
  )
}
