import { COMPONENTS, type Dofs } from '../analysis/dofs.js'
import type { Asked } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import { addressOf } from './address.js'
import { ENDS } from './frames/names.js'

/** A number of a method, and the step that shows it. */
export interface Line {
  method: string
  step: string
  address: string
}

/** Lines of several methods that say the same thing; in the stiffness method's sign or the other one. */
export interface Counterparts {
  /** The quantity that they all give. */
  title: string
  lines: Line[]
}

/** A structure with the numbers of its unknowns. */
export interface Numbered {
  structure: Structure
  dofs: Dofs
  /** The redundants of the force method, in their order. */
  redundants?: readonly Asked[]
}

const line = (method: string, step: string, ...address: (string | number)[]): Line => ({
  method,
  step,
  address: addressOf(...address),
})

/** The numbers of one end of a member: fixed-end moment, stiffness, what it carries over, end moment. */
function ofEnd(id: string, e: 0 | 1): Counterparts[] {
  const [near, far] = e === 0 ? [3, 6] : [6, 3]
  return [
    {
      title: 'fixed-end moment',
      lines: [
        line('stiffness', 'loads', 'fixed', id, near),
        line('slope-deflection', 'fixed-end', 'fixed', id, ENDS[e]),
        line('moment-distribution', 'fixed-end', 'fixed', id, ENDS[e]),
      ],
    },
    {
      title: 'moment for a turn of one at this end',
      lines: [
        line('stiffness', 'stiffness', 'k', id, near, near),
        line('moment-distribution', 'factors', 'stiffness', id, ENDS[e]),
      ],
    },
    {
      title: 'moment that arrives at the far end',
      lines: [
        line('stiffness', 'stiffness', 'k', id, far, near),
        line('moment-distribution', 'factors', 'carried', id, ENDS[e]),
      ],
    },
    {
      title: 'end moment',
      lines: [
        line('stiffness', 'end-forces', 'q', id, near),
        line('slope-deflection', 'moments', 'moment', id, ENDS[e]),
        line('moment-distribution', 'moments', 'moment', id, ENDS[e]),
      ],
    },
  ]
}

const barForce = (id: string): Counterparts => ({
  title: 'force of the bar',
  lines: [
    line('stiffness', 'end-forces', 'q', id, 4),
    line('joints', 'forces', 'bar', id),
    line('sections', 'cuts', 'bar', id),
  ],
})

/** The displacements and reactions of a joint. */
function ofJoint({ structure, dofs, redundants = [] }: Numbered, node: number): Counterparts[] {
  const { id } = structure.nodes[node]
  return COMPONENTS.flatMap((component, k): Counterparts[] => {
    const dof = dofs.of[3 * node + k]
    if (dof < 0) return []
    const redundant = redundants.findIndex(
      (q) => q.quantity === 'reaction' && q.node === id && q.component === component,
    )
    return [
      {
        title: component === 'rotation' ? 'rotation' : 'displacement',
        lines: [
          line('stiffness', 'solution', 'D', dof + 1),
          ...(component === 'rotation' ? [line('slope-deflection', 'solution', 'rotation', id)] : []),
          ...(component === 'x' ? [] : [line('integration', 'curve', 'moved', id, component)]),
        ],
      },
      {
        title: 'reaction',
        lines: [
          line('stiffness', 'reactions', 'R', dof + 1),
          line('statics', 'reactions', 'reaction', id, component),
          line('joints', 'reactions', 'reaction', id, component),
          line('sections', 'reactions', 'reaction', id, component),
          line('forces', 'superposition', 'final-reaction', id, component),
          ...(redundant < 0 ? [] : [line('forces', 'compatibility', 'X', redundant + 1)]),
        ],
      },
    ]
  })
}

/** Every group of lines that say the same thing by different methods. */
export const counterpartsOf = (of: Numbered): Counterparts[] => [
  ...of.structure.members.flatMap((m) => (m.bar ? [barForce(m.id)] : [...ofEnd(m.id, 0), ...ofEnd(m.id, 1)])),
  ...of.structure.nodes.flatMap((_, node) => ofJoint(of, node)),
]

/** The other lines that say what a number of a method says, with what that is. */
export function sameElsewhere(
  of: Numbered,
  method: string,
  address: string,
): { title: string; lines: Line[] } | undefined {
  const found = counterpartsOf(of).find((c) =>
    c.lines.some((l) => l.method === method && l.address === address),
  )
  const lines = found?.lines.filter((l) => l.method !== method)
  return found && lines?.length ? { title: found.title, lines } : undefined
}
