import { thing } from '../../document/thing.js'
import { reactionAt } from '../at-node.js'
import { reactionEnvelope } from '../envelope.js'
import {
  cell,
  numbers,
  words,
  type Cell,
  type ResultTable,
  type TableRow,
  type TableSource,
} from './table.js'

type Way = 'x' | 'y' | 'rotation'
const NAMES: Record<Way, string> = { x: 'x', y: 'y', rotation: 'moment' }

/**
 * Reactions of one case with their sums, or each extreme reaction with what acts beside it at the same time.
 */
export function reactionsTable(source: TableSource): ResultTable {
  const { solution, display } = source
  const truss = solution.structure.kind === 'truss'
  const ways: Way[] = truss ? ['x', 'y'] : ['x', 'y', 'rotation']
  const unit = (way: Way) => (way === 'rotation' ? display.moment : display.force)
  const values = ways.map((w) => numbers(w, NAMES[w], unit(w).unit))
  const base = { key: 'reactions', title: 'Reactions' }
  return source.envelope
    ? {
        ...base,
        columns: [words('joint', 'Joint'), words('extreme', 'Extreme'), ...values, words('case', 'Case')],
        rows: extremeRows(source, ways, (w) => unit(w).perSI),
      }
    : { ...base, columns: [words('joint', 'Joint'), ...values], ...ofOne(source, ways, (w) => unit(w).perSI) }
}

type PerSI = (way: Way) => number

function ofOne({ solution, actions: [action] }: TableSource, ways: Way[], perSI: PerSI) {
  const { supports, nodes } = solution.structure
  const rows = supports.map((p): TableRow => {
    const r = reactionAt(solution, action, p.node)
    const { id } = nodes[p.node]
    return { target: thing.support(id), cells: [id, ...ways.map((w) => cell(r[w], perSI(w)))] }
  })
  // moments at different joints do not add up to anything; the forces do
  const sum = (w: Way, i: number): Cell =>
    w === 'rotation' ? null : rows.reduce((t, { cells }) => t + Number(cells[i + 1]), 0)
  return { rows, total: ['Sum', ...ways.map(sum)] }
}

function extremeRows({ solution, actions }: TableSource, ways: Way[], perSI: PerSI): TableRow[] {
  return solution.structure.supports.flatMap((p) => {
    const { id } = solution.structure.nodes[p.node]
    const envelope = reactionEnvelope(solution, actions, p.node)
    return ways.flatMap((way) => {
      const range = envelope[way]
      if (!range || p.hold[way] === false) return []
      return (['max', 'min'] as const).map((side): TableRow => {
        const by = actions.find((a) => a.id === range[side].by)!
        const r = reactionAt(solution, by, p.node)
        const values = ways.map((w) => cell(r[w], perSI(w)))
        return { target: thing.support(id), cells: [id, `${side} ${NAMES[way]}`, ...values, by.id] }
      })
    })
  })
}
