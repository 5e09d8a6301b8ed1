import { thing } from '../../document/thing.js'
import type { ActionSolution } from '../../analysis/solve.js'
import {
  cell,
  numbers,
  words,
  type Cell,
  type ResultTable,
  type TableRow,
  type TableSource,
} from './table.js'

/** The six end forces of a member by their place in `forces`, on the member and in its own axes. */
const PARTS = ['fx', 'fy', 'm'] as const

/** Forces on the two ends of each member in its axes: of one case, or the extremes of several. */
export function endForcesTable(source: TableSource): ResultTable {
  const { solution, display, actions, envelope } = source
  const { members, nodes, kind } = solution.structure
  const parts = kind === 'truss' ? PARTS.slice(0, 1) : PARTS
  const unit = (i: number) => (i === 2 ? display.moment : display.force)
  const base = { key: 'end-forces', title: 'Member end forces' }
  const head = [words('member', 'Member'), words('end', 'End')]
  const ends = (make: (member: number, at: number) => Cell[][]): TableRow[] =>
    members.flatMap((m, i) =>
      [m.start, m.end].flatMap((node, e) =>
        make(i, 6 * i + 3 * e).map((cells): TableRow => ({
          target: thing.member(m.id),
          cells: [m.id, nodes[node].id, ...cells],
        })),
      ),
    )
  if (!envelope)
    return {
      ...base,
      columns: [...head, ...parts.map((p, i) => numbers(p, p, unit(i).unit))],
      rows: ends((_, at) => [parts.map((_, i) => cell(actions[0].forces[at + i], unit(i).perSI))]),
    }
  const part = (i: number, at: number): Cell[] => {
    const [max, min] = bounds(actions, at + i)
    return [
      parts[i],
      cell(max?.value ?? null, unit(i).perSI),
      max?.by ?? null,
      cell(min?.value ?? null, unit(i).perSI),
      min?.by ?? null,
      unit(i).unit,
    ]
  }
  return {
    ...base,
    columns: [
      ...head,
      words('part', 'Force'),
      { key: 'max', title: 'max' },
      words('max case', 'case'),
      { key: 'min', title: 'min' },
      words('min case', 'case'),
      words('unit', 'unit'),
    ],
    rows: ends((_, at) => parts.map((_, i) => part(i, at))),
  }
}

/** The largest and the smallest of one end force over several cases, with the case of each. */
function bounds(actions: readonly ActionSolution[], at: number) {
  const known = actions
    .map((a) => ({ value: a.forces[at], by: a.id }))
    .filter(({ value }) => !Number.isNaN(value))
  const pick = (sign: number) =>
    known.reduce<(typeof known)[number] | undefined>(
      (best, v) => (!best || sign * v.value > sign * best.value ? v : best),
      undefined,
    )
  return [pick(1), pick(-1)] as const
}
