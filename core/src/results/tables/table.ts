import type { Display } from '../../document/display.js'
import type { Signs } from '../../document/signs.js'
import type { ThingKey } from '../../document/thing.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'

/** A column of a table of results: its head, and the unit of its numbers. */
export interface Column {
  key: string
  title: string
  /** Present where the column holds numbers of a dimension. */
  unit?: string
  /** The column holds words: labels, cases, places named by a joint. */
  words?: boolean
}

/** A number in the unit of its column, words, or null where there is no value. */
export type Cell = number | string | null

export interface TableRow {
  /** What the row is of, so that it can be lit on the Figure. */
  target?: ThingKey
  cells: readonly Cell[]
}

/** A table of results as data: screen, spreadsheet, CSV and paper print the same one. */
export interface ResultTable {
  key: string
  title: string
  columns: readonly Column[]
  rows: readonly TableRow[]
  /** A last row of sums, where sums have a meaning. */
  total?: readonly Cell[]
}

/** What a table is made from: one case or combination, or the envelope of several. */
export interface TableSource {
  solution: Solution
  /** The chosen cases and combinations; one of them unless it is an envelope. */
  actions: readonly ActionSolution[]
  envelope: boolean
  display: Display
  signs: Signs
}

/** A number of a table: NaN, which stands for an undetermined force, is no value. */
export const cell = (si: number | null, perSI: number): number | null =>
  si === null || Number.isNaN(si) ? null : si * perSI + 0

export const words = (key: string, title: string): Column => ({ key, title, words: true })
export const numbers = (key: string, title: string, unit: string): Column => ({ key, title, unit })

/** The rows in the order of one column; words by alphabet with numbers in them by size, no value last. */
export function sortedRows(table: ResultTable, column: number, descending = false): TableRow[] {
  const compare = (a: Cell, b: Cell): number =>
    typeof a === 'number' && typeof b === 'number'
      ? a - b
      : String(a).localeCompare(String(b), 'en', { numeric: true })
  return [...table.rows].sort((p, q) => {
    const [a, b] = [p.cells[column], q.cells[column]]
    if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1
    return descending ? compare(b, a) : compare(a, b)
  })
}
