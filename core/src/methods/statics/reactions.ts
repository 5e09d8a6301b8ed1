import type { Vec } from '../joints/truss.js'
import type { Statics } from './equilibrium.js'
import { loadsOn, sidesOf, wholeOf, type Part, type Side } from './free-bodies.js'

/** One equation of equilibrium of a part, in which reactions stand: Σ factor·reaction + loads = 0. */
export interface Equation {
  part: Part | Side
  /** About which point moments are taken, or along which axis forces are added up. */
  about?: Vec
  along?: 'x' | 'y'
  terms: readonly { reaction: number; factor: number }[]
  loads: number
}

/** Reactions found together from as many equations: one at a time where that is possible. */
export interface Finding {
  equations: readonly Equation[]
  found: readonly number[]
}

/** Factors smaller than this, of 1 for forces and of the size of the structure for moments, are zero. */
const NOTHING = 1e-9

/** The reactions in an order in which each follows from those before it; what is left is found together. */
export function findings(st: Statics): Finding[] {
  const known = new Set<number>()
  const out: Finding[] = []
  const sides = sidesOf(st.structure)
  const determined = st.values.flatMap((v, r) => (Number.isNaN(v) ? [] : [r]))
  const isOpen = (r: number) => !known.has(r)
  const unknownsOf = (e: Equation) => e.terms.map((t) => t.reaction).filter(isOpen)
  const take = (f: Finding) => {
    f.found.forEach((r) => known.add(r))
    out.push(f)
  }
  while (determined.some(isOpen)) {
    const all = equationsOf(st, sides, isOpen)
    const single = all.find((e) => unknownsOf(e).length === 1)
    const pair = single ? undefined : pairOf(all, unknownsOf)
    if (single) take({ equations: [single], found: unknownsOf(single) })
    else if (pair) take(pair)
    else take({ equations: [], found: determined.filter(isOpen) })
  }
  return out
}

/** Two equations that hold the same two unknown reactions, and are not the same equation. */
function pairOf(all: readonly Equation[], unknownsOf: (e: Equation) => number[]): Finding | undefined {
  const two = all.filter((e) => unknownsOf(e).length === 2)
  for (const [i, e] of two.entries()) {
    const found = unknownsOf(e)
    const factor = (of: Equation, r: number) => of.terms.find((t) => t.reaction === r)!.factor
    const other = two.slice(i + 1).find((o) => {
      if (!unknownsOf(o).every((r) => found.includes(r))) return false
      const [a, b] = found.map((r) => factor(e, r))
      const [c, d] = found.map((r) => factor(o, r))
      return Math.abs(a * d - b * c) > NOTHING * (Math.abs(a) + Math.abs(b)) * (Math.abs(c) + Math.abs(d))
    })
    if (other) return { equations: [e, other], found }
  }
  return undefined
}

/** The equations that can be written: moments of the whole and of each side of a hinge, then the two sums. */
function equationsOf(st: Statics, sides: readonly Side[], isOpen: (r: number) => boolean): Equation[] {
  const whole = wholeOf(st.structure)
  return [
    ...pointsOf(st, isOpen).map((about) => momentsOf(st, whole, about)),
    ...sides.map((side) => momentsOf(st, side, st.structure.nodes[side.hinge])),
    ...(['x', 'y'] as const).map((along) => forcesOf(st, whole, along)),
  ]
}

/** Points worth taking moments about: supports, and where the lines of two open reactions meet. */
function pointsOf({ structure: s, reactions }: Statics, isOpen: (r: number) => boolean): Vec[] {
  const nodes = [...new Set(reactions.map((r) => r.node))].map((i) => s.nodes[i])
  const lines = reactions.filter((r, i) => isOpen(i) && r.component !== 'rotation')
  const meetings = lines.flatMap((a, i) =>
    lines.slice(i + 1).flatMap((b): Vec[] => {
      const d = a.x * b.y - a.y * b.x
      if (a.node === b.node || Math.abs(d) < NOTHING) return []
      const [p, q] = [s.nodes[a.node], s.nodes[b.node]]
      const t = ((q.x - p.x) * b.y - (q.y - p.y) * b.x) / d
      return [{ x: p.x + t * a.x, y: p.y + t * a.y }]
    }),
  )
  return [...nodes, ...meetings]
}

/** True where the reactions of a joint act on a part; on the side of a hinge those at it do not. */
const actsOn = (part: Part, node: number) => part.nodes.has(node)

function momentsOf(st: Statics, part: Part, about: Vec): Equation {
  const { structure: s, reactions } = st
  const size = Math.max(...s.members.map((m) => m.length), 0)
  return {
    part,
    about,
    terms: reactions.flatMap((r, reaction) => {
      if (!actsOn(part, r.node)) return []
      const at = s.nodes[r.node]
      const factor = r.component === 'rotation' ? 1 : (at.x - about.x) * r.y - (at.y - about.y) * r.x
      return Math.abs(factor) > NOTHING * (r.component === 'rotation' ? 1 : size)
        ? [{ reaction, factor }]
        : []
    }),
    loads: loadsOn(st, part, about).moment,
  }
}

function forcesOf(st: Statics, part: Part, along: 'x' | 'y'): Equation {
  return {
    part,
    along,
    terms: st.reactions.flatMap((r, reaction) =>
      actsOn(part, r.node) && Math.abs(r[along]) > NOTHING ? [{ reaction, factor: r[along] }] : [],
    ),
    loads: loadsOn(st, part, { x: 0, y: 0 })[along],
  }
}
