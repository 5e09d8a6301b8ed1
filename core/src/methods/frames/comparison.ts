import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import type { ActionSolution } from '../../analysis/solve.js'
import type { Cell, StepContent } from '../blocks.js'
import type { FoundValue, Task } from '../method.js'
import type { Notes } from '../notes.js'
import type { RigidFrame } from './model.js'
import { at, endLetters, ENDS, momentName } from './names.js'

/** Notes the moment at each end as the stiffness method has it, for the comparison alone. */
export function noteSolver(notes: Notes, { structure: s }: RigidFrame, action: ActionSolution): void {
  s.members.forEach((m, i) => {
    if (m.bar) return
    for (const e of [0, 1] as const)
      notes.put(['solver-moment', m.id, ENDS[e]], {
        symbol: momentName(s, i, e),
        si: action.forces[6 * i + 3 * e + 2],
        dimension: D.moment,
        from: 'The stiffness method finds this.',
        of: [thing.member(m.id)],
      })
  })
}

/** The moments of the method beside those of the stiffness method. */
export const comparison = ({ structure: s }: RigidFrame, title: string): StepContent => ({
  why:
    'The end moments of both methods, counter-clockwise on the member positive. Nothing else is ' +
    'taken from there.',
  passages: [
    {
      blocks: [
        {
          kind: 'table',
          head: ['End', title, 'Stiffness method'],
          rows: s.members.flatMap((m, i): Cell[][] =>
            m.bar
              ? []
              : ([0, 1] as const).map((e): Cell[] => [
                  `M ${endLetters(s, i, e)}`,
                  { at: at.moment(m.id, e) },
                  { at: at.solver(m.id, e) },
                ]),
          ),
        },
      ],
    },
  ],
})

/**
 * The internal moments at both ends of every member, in coherent units: sagging from start to end positive.
 */
export const momentValues = (
  { structure: s }: RigidFrame,
  notes: Notes,
  coherent: (si: number, d: D.Dimension) => number,
): FoundValue[] =>
  s.members.flatMap((m): FoundValue[] =>
    m.bar
      ? []
      : ([0, 1] as const).map((e) => ({
          quantity: 'moment',
          member: m.id,
          at: e === 0 ? '0%' : '100%',
          value: coherent((e === 0 ? -1 : 1) * notes.si(at.moment(m.id, e)), D.moment),
        })),
  )

/** The action of a task that is compared with. */
export const solvedAction = (task: Task): ActionSolution => task.solved().action
