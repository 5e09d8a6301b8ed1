import { fromBody, sideOf, wholeOf, type Whole } from '../joints/bodies.js'
import { orderOf, type Passing } from '../joints/order.js'
import type { Truss } from '../joints/truss.js'

export type Cut = Extract<Passing, { kind: 'cut' }>

/** The reactions, and for each bar the first cut that gives its force by itself. */
export interface Sections {
  reactions: Whole | Extract<Passing, { kind: 'together' }>
  cuts: Cut[]
}

/** Bars of a truss among which cuts are looked for; more would take long. */
const MOST = 45

/** A force below this part of the largest load is rounding error. */
const ROUNDING = 1e-12

/** Two or three bars, each once. */
function* choices(bars: readonly number[]): Generator<number[]> {
  for (let i = 0; i < bars.length; i++)
    for (let j = i + 1; j < bars.length; j++)
      for (let k = j + 1; k < bars.length; k++) yield [bars[i], bars[j], bars[k]]
  // a cut through two bars takes a corner off
  for (let i = 0; i < bars.length; i++) for (let j = i + 1; j < bars.length; j++) yield [bars[i], bars[j]]
}

export function sectionsOf(t: Truss): Sections {
  const whole = wholeOf(t, new Map())
  const sought = [...t.unknowns.keys()].filter((u) => t.unknowns[u].bar === undefined)
  const reactions = whole ?? {
    kind: 'together' as const,
    found: orderOf(t)
      .flatMap((p): { unknown: number; value: number }[] => (p.kind === 'cut' ? [p.found] : p.found))
      .filter((f) => sought.includes(f.unknown)),
  }
  const known = new Map(reactions.found.map((f) => [f.unknown, f.value]))
  const size = Math.max(0, ...t.loads.flatMap((f) => [Math.abs(f.x), Math.abs(f.y)]))
  const bars = [...t.unknowns.keys()].filter((u) => t.unknowns[u].bar !== undefined).slice(0, MOST)
  const all = [...t.unknowns.keys()].filter((u) => t.unknowns[u].bar !== undefined)
  const cuts = new Map<number, Cut>()
  for (const cut of choices(bars)) {
    if (cut.every((u) => cuts.has(u))) continue
    const nodes = sideOf(t, all, cut)
    // a cut of three bars leaves more than one joint on either side: else it is a joint by itself
    if (!nodes || (cut.length === 3 && (nodes.length < 2 || nodes.length > t.structure.nodes.length - 2)))
      continue
    for (const unknown of cut) {
      const found = cuts.has(unknown) ? undefined : fromBody(t, nodes, unknown, cut, known)
      if (!found) continue
      if (Math.abs(found.value) <= ROUNDING * size) found.value = 0
      cuts.set(unknown, { kind: 'cut', cut, nodes, found })
    }
    if (cuts.size === bars.length) break
  }
  return { reactions, cuts: [...cuts.values()] }
}
