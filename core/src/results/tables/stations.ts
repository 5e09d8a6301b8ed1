import { signFactors } from '../../document/signs.js'
import { thing } from '../../document/thing.js'
import { courseOf, stations } from '../courses.js'
import { cell, numbers, words, type ResultTable, type TableRow, type TableSource } from './table.js'

/** N, V, M and displacements at evenly spaced places of members, and left and right of every jump. */
export function stationsTable(
  { solution, actions: [action], display, signs }: TableSource,
  /** Evenly spaced stations a member, its ends included. */
  count: number,
  /** The members by index; all of them where it is left out. */
  only?: readonly number[],
): ResultTable {
  const { members } = solution.structure
  const sign = signFactors(signs)
  const { force, moment, displacement, length } = display
  return {
    key: 'stations',
    title: 'Along the members',
    columns: [
      words('member', 'Member'),
      numbers('at', 'at', length.unit),
      numbers('N', 'N', force.unit),
      numbers('V', 'V', force.unit),
      numbers('M', 'M', moment.unit),
      numbers('u', 'u', displacement.unit),
      numbers('v', 'v', displacement.unit),
      numbers('deflection', 'deflection', displacement.unit),
    ],
    rows: (only ?? members.map((_, i) => i)).flatMap((i) =>
      stations(courseOf(solution, action, i), count).map((t): TableRow => ({
        target: thing.member(members[i].id),
        cells: [
          members[i].id,
          cell(t.x, length.perSI),
          cell(t.N * sign.N, force.perSI),
          cell(t.V * sign.V, force.perSI),
          cell(t.M * sign.M, moment.perSI),
          cell(t.u, displacement.perSI),
          cell(t.v, displacement.perSI),
          cell(t.relative, displacement.perSI),
        ],
      })),
    ),
  }
}
