import type { Structure } from '../../structure/types.js'
import { membersBetween, partOf, type BodyArrow, type BodyBlock } from '../bodies.js'
import { reactionName } from '../../document/reaction-name.js'
import type { Reaction, Statics } from './equilibrium.js'
import type { Side } from './free-bodies.js'
import type { Equation } from './reactions.js'

/** A reaction on a body: as it acts where its value is known, else with its letter in its positive sense. */
export function reactionArrow(s: Structure, r: Reaction, value?: number): BodyArrow[] {
  if (value === 0) return []
  const { id, x, y } = s.nodes[r.node]
  const isTurn = r.component === 'rotation'
  return [
    {
      x,
      y,
      dir: isTurn ? 'turn' : { x: r.x, y: r.y },
      kind: 'reaction',
      value: value ?? 'sought',
      ...(value === undefined && {
        name: reactionName(id, r.component),
      }),
    },
  ]
}

/** The reactions on some joints, those that are known by their values. */
const reactionsOn = (st: Statics, nodes: ReadonlySet<number>, known: ReadonlySet<number>): BodyArrow[] =>
  st.reactions.flatMap((r, i) =>
    nodes.has(r.node) ? reactionArrow(st.structure, r, known.has(i) ? st.values[i] : undefined) : [],
  )

/** The structure off its supports, with its loads and reactions. */
export const wholeBody = (st: Statics): BodyBlock => ({
  kind: 'body',
  caption: 'The structure off its supports, with its loads and reactions.',
  structure: { ...st.structure, supports: [] },
  loads: true,
  forces: reactionsOn(st, new Set(st.structure.nodes.keys()), new Set()),
})

/** The part on one side of a hinge, with the forces that the hinge passes on. */
export function sideBody(st: Statics, side: Side, known: ReadonlySet<number>): BodyBlock {
  const { structure: s } = st
  const nodes = new Set([...side.nodes, side.hinge])
  const { id, x, y } = s.nodes[side.hinge]
  const members = membersBetween(s, nodes).filter((i) => side.members.has(i))
  const axes = [
    ['x', { x: 1, y: 0 }],
    ['y', { x: 0, y: 1 }],
  ] as const
  return {
    kind: 'body',
    caption: `The part beside the hinge ${id}, with the two forces that the hinge passes on.`,
    structure: withoutLoadsAt(partOf(s, [...nodes], members), id),
    loads: true,
    forces: [
      ...reactionsOn(st, side.nodes, known),
      ...axes.map(([sub, dir]): BodyArrow => ({
        x,
        y,
        dir,
        kind: 'cut',
        value: 'sought',
        name: reactionName(id, sub),
      })),
    ],
    points: [{ x, y, kind: 'about' }],
  }
}

/** A load at the hinge itself is none of the part's: it has no arm about it. */
const withoutLoadsAt = (s: Structure, id: string): Structure => ({
  ...s,
  cases: s.cases.map((c) => ({
    ...c,
    loads: c.loads.filter((l) => l.type !== 'nodal' || s.nodes[l.node].id !== id),
  })),
})

/** The bodies of some equations that are not of the whole. */
export const sideBodies = (
  st: Statics,
  equations: readonly Equation[],
  known: ReadonlySet<number>,
): BodyBlock[] => equations.flatMap(({ part }) => ('hinge' in part ? [sideBody(st, part, known)] : []))
