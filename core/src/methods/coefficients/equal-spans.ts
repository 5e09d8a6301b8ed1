import type { Problem } from '../../document/types.js'
import type { Actions } from '../../structure/actions.js'
import { caseActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { isLevel } from '../frames/model.js'
import { beyondCourse } from '../course.js'
import type { Fit } from '../method.js'

/** A fraction as the table has it. */
export type Fraction = readonly [above: number, below: number]

/**
 * Moments over the inner supports, times −wL², and reactions of all supports, times wL, by the number of
 * spans.
 * Source: the three-moment equation for equal spans; Kassimali, Structural Analysis, ch. 13.
 */
export const TABLE: Readonly<Record<number, { moments: Fraction[]; reactions: Fraction[] }>> = {
  2: {
    moments: [[1, 8]],
    reactions: [
      [3, 8],
      [5, 4],
      [3, 8],
    ],
  },
  3: {
    moments: [
      [1, 10],
      [1, 10],
    ],
    reactions: [
      [2, 5],
      [11, 10],
      [11, 10],
      [2, 5],
    ],
  },
  4: {
    moments: [
      [3, 28],
      [1, 14],
      [3, 28],
    ],
    reactions: [
      [11, 28],
      [8, 7],
      [13, 14],
      [8, 7],
      [11, 28],
    ],
  },
  5: {
    moments: [
      [2, 19],
      [3, 38],
      [3, 38],
      [2, 19],
    ],
    reactions: [
      [15, 38],
      [43, 38],
      [37, 38],
      [37, 38],
      [43, 38],
      [15, 38],
    ],
  },
}

/** Joints from left to right, and the members between them. */
export interface EqualSpans {
  nodes: number[]
  members: number[]
  length: number
}

const SAME = 1e-9
const isNear = (a: number, b: number) => Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b))

/** The spans of a beam on simple supports, all alike; undefined where it is not one. */
export function equalSpans(s: Structure): EqualSpans | undefined {
  if (!isLevel(s) || !TABLE[s.members.length] || s.nodes.length !== s.members.length + 1) return undefined
  const nodes = [...s.nodes.keys()].sort((a, b) => s.nodes[a].x - s.nodes[b].x)
  const [first] = s.members
  const members = nodes.slice(1).map((right, i) =>
    s.members.findIndex((m) => {
      const ends = [m.start, m.end]
      return ends.includes(nodes[i]) && ends.includes(right)
    }),
  )
  const alike = s.members.every(
    (m) =>
      !m.bar &&
      m.releases.every((r) => r === false) &&
      m.GAs === 0 &&
      isNear(m.length, first.length) &&
      isNear(m.EI, first.EI),
  )
  const held = nodes.every((node) => {
    const p = s.supports.find((o) => o.node === node)
    return p?.hold.y === true && p.hold.rotation === false && Math.abs(Math.sin(p.angle)) < SAME
  })
  const still = s.supports.every((p) => p.settlement.x === 0 && p.settlement.y === 0)
  if (members.includes(-1) || !alike || !held || !still) return undefined
  return { nodes, members, length: first.length }
}

/** The even load across all spans, N/m upward; undefined where anything else acts. */
export function evenLoad(s: Structure, { members }: EqualSpans, actions: Actions): number | undefined {
  if (actions.nodal.some((v) => v !== 0)) return undefined
  const loads = members.map((i) => {
    const m = s.members[i]
    const a = actions.members.get(i)
    if (!a || a.points.length || a.jumps.length || a.curvature !== 0) return undefined
    let sum = 0
    for (const { a: from, b: to, q, c } of a.spans) {
      const whole = from <= SAME * m.length && to >= (1 - SAME) * m.length
      if (!whole || q[0] !== q[1] || c[0] !== 0 || c[1] !== 0) return undefined
      sum += q[0] * Math.sign(m.cos)
    }
    return sum
  })
  const [first] = loads
  return first !== undefined && loads.every((q) => q !== undefined && isNear(q, first)) ? first : undefined
}

export function fitsEqualSpans(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  const spans = equalSpans(s)
  const why =
    'The coefficients are for continuous beams of two to five equal spans with simple ends and the same EI'
  if (!spans) return { fits: false, why: `${why}.` }
  const even = s.cases.every((_, i) => evenLoad(s, spans, caseActions(s, i)) !== undefined)
  return even ? { fits: true } : { fits: false, why: `${why}, under one uniform load on all spans.` }
}
