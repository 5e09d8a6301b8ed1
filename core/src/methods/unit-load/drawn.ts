import type { Structure } from '../../structure/types.js'
import type { BodyBlock } from '../bodies.js'
import type { Sought } from './states.js'

const DIRECTIONS = { x: { x: 1, y: 0 }, y: { x: 0, y: 1 }, rotation: 'turn' } as const

/** The structure under its loads. */
export const realBody = (structure: Structure): BodyBlock => ({
  kind: 'body',
  caption: 'The real system: the structure with its loads.',
  structure,
  loads: true,
  forces: [],
})

/** The structure under a unit force or moment where the displacement is sought. */
export function unitBody(structure: Structure, { node, component }: Sought): BodyBlock {
  const { x, y } = structure.nodes[node]
  const what = component === 'rotation' ? 'moment' : 'force'
  return {
    kind: 'body',
    caption: `The unit system: a ${what} of 1 where the displacement is sought, and no loads.`,
    structure: { ...structure, cases: [] },
    forces: [{ x, y, dir: DIRECTIONS[component], kind: 'load', value: 'sought', name: { letter: '1' } }],
  }
}
