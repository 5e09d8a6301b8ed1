import { thing } from '../../document/thing.js'
import { displacementAt } from '../at-node.js'
import { displacementEnvelope } from '../envelope.js'
import { cell, numbers, words, type ResultTable, type TableRow, type TableSource } from './table.js'

type Way = 'x' | 'y' | 'rotation'

/** Displacements of the joints in global axes: of one case, or the largest and smallest of several. */
export function displacementsTable(source: TableSource): ResultTable {
  const { solution, display, actions, envelope } = source
  const ways: Way[] = solution.structure.kind === 'truss' ? ['x', 'y'] : ['x', 'y', 'rotation']
  const unit = (way: Way) => (way === 'rotation' ? display.rotation : display.displacement)
  const base = { key: 'displacements', title: 'Displacements' }
  if (!envelope)
    return {
      ...base,
      columns: [words('joint', 'Joint'), ...ways.map((w) => numbers(w, w, unit(w).unit))],
      rows: solution.structure.nodes.map(({ id }, i): TableRow => {
        const d = displacementAt(solution, actions[0], i)
        return { target: thing.node(id), cells: [id, ...ways.map((w) => cell(d[w], unit(w).perSI))] }
      }),
    }
  return {
    ...base,
    columns: [
      words('joint', 'Joint'),
      ...ways.flatMap((w) => [
        numbers(`${w} max`, `max ${w}`, unit(w).unit),
        words(`${w} max case`, 'case'),
        numbers(`${w} min`, `min ${w}`, unit(w).unit),
        words(`${w} min case`, 'case'),
      ]),
    ],
    rows: solution.structure.nodes.map(({ id }, i): TableRow => {
      const e = displacementEnvelope(solution, actions, i)
      const ofWay = (w: Way) => [
        cell(e[w]?.max.value ?? null, unit(w).perSI),
        e[w]?.max.by ?? null,
        cell(e[w]?.min.value ?? null, unit(w).perSI),
        e[w]?.min.by ?? null,
      ]
      return { target: thing.node(id), cells: [id, ...ways.flatMap(ofWay)] }
    }),
  }
}
