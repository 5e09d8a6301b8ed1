import { displacementsTable } from './displacements.js'
import { endForcesTable } from './end-forces.js'
import { extremesTable } from './extremes.js'
import { reactionsTable } from './reactions.js'
import { stationsTable } from './stations.js'
import type { ResultTable, TableSource } from './table.js'

export {
  sortedRows,
  type Cell as TableCell,
  type Column,
  type ResultTable,
  type TableRow,
  type TableSource,
} from './table.js'
export { unitAlong } from './extremes.js'
export { withJoins } from './with-joins.js'
export { displacementsTable, endForcesTable, extremesTable, reactionsTable, stationsTable }

/** The tables of results in their order; each by the key that its file and its sheet are named after. */
export const RESULT_TABLES = {
  reactions: reactionsTable,
  displacements: displacementsTable,
  'end-forces': endForcesTable,
  extremes: extremesTable,
} satisfies Record<string, (source: TableSource) => ResultTable>

export type ResultTableKey = keyof typeof RESULT_TABLES

/** All tables of one case or combination, or of an envelope. */
export const resultTables = (source: TableSource): ResultTable[] =>
  Object.values(RESULT_TABLES).map((make) => make(source))
