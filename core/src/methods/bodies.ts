import type { StatedLoad, Structure, StructureMember, StructureNode } from '../structure/types.js'

/**
 * A structure, or a part of it by itself, with forces on it: the free body of a joint, a part beside a cut, a
 * released structure.
 */
export interface BodyBlock {
  kind: 'body'
  /** A sentence that says what is drawn. */
  caption: string
  structure: Structure
  /** The loads of the case that is worked out are drawn on it. */
  loads?: boolean
  forces: BodyArrow[]
  points?: BodyPoint[]
}

/** A force or a moment on a body. */
export interface BodyArrow {
  /** The point at which it acts, m. */
  x: number
  y: number
  /** The direction of a force that is positive, as a unit vector; a moment is positive counter-clockwise. */
  dir: { x: number; y: number } | 'turn'
  kind: 'load' | 'reaction' | 'cut'
  /** Its amount in SI; `sought` is drawn in its positive sense, with its letter. */
  value: number | 'sought'
  /** Its name; of a known force it is left out, or stands before the amount. */
  name?: { letter: string; sub?: string }
  /** Its name alone stands beside it, and no amount. */
  bare?: boolean
  /** T or C beside the amount of a bar. */
  sense?: 'T' | 'C'
  /** Away from the body where it is cut: the arrow stands beyond a stub of the member. */
  outward?: { x: number; y: number }
}

/** A point of a body: one that moments are taken about, or one of inflection. */
export interface BodyPoint {
  x: number
  y: number
  kind: 'about' | 'inflection'
  name?: string
}

/** Forces in balance drawn head to tail, to scale. */
export interface PolygonBlock {
  kind: 'polygon'
  caption: string
  /** Each with the name it goes by and its amount in the direction (a unit vector) in which it acts, N. */
  forces: { name: string; x: number; y: number; of: 'load' | 'reaction' | 'cut' }[]
}

/** Some joints and members of a structure by themselves, without supports; the loads on them are kept. */
export function partOf(s: Structure, nodes: readonly number[], members: readonly number[]): Structure {
  const nodeAt = new Map(nodes.map((n, i) => [n, i]))
  const memberAt = new Map(members.map((m, i) => [m, i]))
  return {
    ...s,
    nodes: nodes.map((n): StructureNode => s.nodes[n]),
    members: members.map((i): StructureMember => {
      const m = s.members[i]
      return { ...m, start: nodeAt.get(m.start)!, end: nodeAt.get(m.end)! }
    }),
    supports: [],
    cases: s.cases.map((c) => ({
      ...c,
      loads: c.loads.flatMap((load): StatedLoad[] => {
        if (load.type === 'nodal') {
          const node = nodeAt.get(load.node)
          return node === undefined ? [] : [{ ...load, node }]
        }
        const member = memberAt.get(load.member)
        return member === undefined ? [] : [{ ...load, member }]
      }),
    })),
  }
}

/** The members whose two joints are among these. */
export const membersBetween = (s: Structure, nodes: ReadonlySet<number>): number[] =>
  s.members.flatMap((m, i) => (nodes.has(m.start) && nodes.has(m.end) ? [i] : []))
