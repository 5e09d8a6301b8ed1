import { coherentUnitName, siPerCoherent } from '../quantity/units.js'
import * as D from '../quantity/dimension.js'
import type { Display } from '../document/display.js'
import { OWN_SIGNS } from '../document/signs.js'
import type { Problem } from '../document/types.js'
import type { Solution } from '../analysis/solve.js'
import {
  resultTables,
  stationsTable,
  withJoins,
  type TableCell as Cell,
  type Column,
  type ResultTable,
} from '../results/tables/index.js'

/** The head of a column with its unit: `x (kN)`. */
export const headOf = ({ title, unit }: Column): string => (unit ? `${title} (${unit})` : title)

/**
 * One value of a CSV file (RFC 4180): numbers with a point and all their digits, words quoted where they must
 * be.
 */
function csvValue(value: Cell): string {
  if (value === null) return ''
  if (typeof value === 'number') return String(value)
  return /[",\r\n]/.test(value) ? `"${value.replace(/"/g, '""')}"` : value
}

const csvLine = (values: readonly Cell[]) => `${values.map(csvValue).join(',')}\r\n`

/** A table as the text of a CSV file, heads first, sums left out: a spreadsheet adds up by itself. */
export const tableCsv = ({ columns, rows }: Pick<ResultTable, 'columns' | 'rows'>): string =>
  csvLine(columns.map(headOf)) + rows.map((r) => csvLine(r.cells)).join('')

/** A table as tab-separated cells for the clipboard of a spreadsheet. */
export const tableCells = ({ columns, rows, total }: ResultTable): string =>
  [columns.map(headOf), ...rows.map((r) => r.cells), ...(total ? [total] : [])]
    .map((line) => line.map((v) => v ?? '').join('\t'))
    .join('\n')

/** The coherent units of a problem, in which the command line prints every number; rotations in rad. */
export function coherentDisplay({ units }: Pick<Problem, 'units'>): Display {
  const own = (d: D.Dimension) => ({ unit: coherentUnitName(units, d), perSI: 1 / siPerCoherent(units, d) })
  return {
    length: own(D.length),
    force: own(D.force),
    moment: own(D.moment),
    distributed: own(D.forcePerLength),
    displacement: own(D.length),
    rotation: { unit: 'rad', perSI: 1 },
    stiffness: own(D.forcePerLength),
  }
}

/** Rows of the same table for several cases under each other, the case in the first column. */
function together(parts: readonly { id: string; table: ResultTable }[]): ResultTable {
  const [{ table }] = parts
  return {
    ...table,
    columns: [{ key: 'case', title: 'Case', words: true }, ...table.columns],
    rows: parts.flatMap(({ id, table: t }) => t.rows.map((r) => ({ ...r, cells: [id, ...r.cells] }))),
    total: undefined,
  }
}

/**
 * All results as CSV files: reactions, displacements, end forces, extremes and stations of every case and
 * combination, and their envelopes where there are several. Coherent units, the core's own signs.
 * @param stations evenly spaced stations a member, its ends included
 * @returns the files by name
 */
export function csvFiles(problem: Problem, solution: Solution, stations: number): Map<string, string> {
  const all = [...solution.cases, ...solution.combinations]
  const files = new Map<string, string>()
  if (all.length === 0) return files
  const base = { solution, display: coherentDisplay(problem), signs: OWN_SIGNS }
  const ofEach = all.map((a) => {
    const source = { ...base, actions: [a], envelope: false }
    return { id: a.id, tables: [...resultTables(source), stationsTable(source, stations)] }
  })
  ofEach[0].tables.forEach(({ key }, i) => {
    const table = together(ofEach.map(({ id, tables }) => ({ id, table: tables[i] })))
    files.set(`${key}.csv`, tableCsv(withJoins(table, problem)))
  })
  if (all.length > 1)
    for (const table of resultTables({ ...base, actions: all, envelope: true }))
      files.set(`envelope-${table.key}.csv`, tableCsv(withJoins(table, problem)))
  return files
}
