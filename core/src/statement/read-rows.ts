import { addLoad, setLoad } from '../document/edits/case-edits.js'
import { setNode, setSupport } from '../document/edits/edits.js'
import { pasteRows } from '../document/edits/rows.js'
import { typed } from '../document/typed.js'
import type { Problem } from '../document/types.js'
import { entryOf, loadOf } from './load-entry.js'
import { wayOfWord } from './load-line.js'
import { readLoads } from './read-load.js'
import { readSupport } from './read-support.js'

/** Cells of a spreadsheet pasted into a table of the statement. */
export type Filled = { ok: true; problem: Problem } | { ok: false; message: string }

/**
 * Where they are pasted: the table, the row (none for the row of new entries) and the column of the field.
 */
export type TablePlace =
  | { table: 'joints'; row?: number; column: 'x' | 'y' }
  | { table: 'members' }
  | { table: 'supports' }
  | { table: 'loads'; caseId: string; row?: number }

const MOST = 20_000

/** Cells by rows; undefined for a text of one cell, which belongs into its field. */
export function cellsOf(text: string): string[][] | undefined {
  const rows = text
    .replace(/\r/g, '')
    .split('\n')
    .map((line) => line.split('\t').map((c) => c.trim()))
    .filter((row) => row.some((c) => c !== ''))
  return rows.length > 1 || (rows[0]?.length ?? 0) > 1 ? rows : undefined
}

/** Fills a table from pasted cells: from a field on downward, or as new entries, all of them or none. */
export function fillRows(p: Problem, text: string, at: TablePlace): Filled {
  const rows = cellsOf(text) ?? [[text.trim()]]
  if (rows.length > MOST) return { ok: false, message: `At most ${MOST} rows are pasted at once.` }
  switch (at.table) {
    case 'joints':
      return at.row === undefined ? pasteRows(p, text, 0, 0, true) : fillJoints(p, rows, at.row, at.column)
    case 'members':
      return pasteRows(p, `member\tstart\tend\n${text}`)
    case 'supports':
      return each(p, rows, (q, cells) => {
        const read = readSupport(q, cells.filter(Boolean).join(' '))
        return read.ok ? setSupport(q, read.node, read.support) : read.message
      })
    case 'loads':
      return at.row === undefined
        ? each(p, rows, (q, cells) => addRow(q, at.caseId, cells))
        : fillAmounts(p, rows, at.caseId, at.row)
  }
}

function each(
  p: Problem,
  rows: readonly string[][],
  add: (p: Problem, cells: string[]) => Problem | string,
): Filled {
  let problem = p
  for (const [i, cells] of rows.entries()) {
    const next = add(problem, cells)
    if (typeof next === 'string') return { ok: false, message: `Row ${i + 1}: ${next}` }
    problem = next
  }
  return { ok: true, problem }
}

/** Coordinates of joints from a row on; what goes beyond the last joint makes new ones. */
function fillJoints(p: Problem, rows: readonly string[][], from: number, column: 'x' | 'y'): Filled {
  const there = rows.slice(0, p.nodes.length - from)
  const filled = each(p, there, (q, cells) => {
    const { id } = q.nodes[from + there.indexOf(cells)]
    const [x, y] = column === 'x' ? cells : [undefined, cells[0]]
    const change = {
      ...(x ? { x: typed(x) } : {}),
      ...(y ? { y: typed(y) } : {}),
    }
    return cells.length > (column === 'x' ? 2 : 1)
      ? `${cells.length} cells go beyond y.`
      : setNode(q, id, change)
  })
  const rest = rows.slice(there.length)
  if (!filled.ok || rest.length === 0) return filled
  return pasteRows(filled.problem, rest.map((r) => r.join('\t')).join('\n'), 0, 0, true)
}

/** One row: the joint or member, the amount, and in any order a direction and a place. */
function addRow(p: Problem, caseId: string, cells: string[]): Problem | string {
  const [on = '', amount = '', ...rest] = cells.filter(Boolean)
  const way = rest.find((c) => wayOfWord(c) !== undefined)
  const at = rest.filter((c) => c !== way)
  if (at.length > 1) return `"${at[1]}" is left over.`
  const made = readLoads(p, on, way ? `${amount} ${way}` : amount, 'down', at[0] ?? '')
  return made.ok ? made.loads.reduce((q, load) => addLoad(q, caseId, load), p) : made.message
}

/** Amounts of loads from a row on, their directions and places as they are. */
function fillAmounts(p: Problem, rows: readonly string[][], caseId: string, from: number): Filled {
  const loads = p.loadCases?.find((c) => c.id === caseId)?.loads ?? []
  return each(p, rows, (q, cells) => {
    const index = from + rows.indexOf(cells)
    const load = loads[index]
    const entry = load && entryOf(load)
    if (!load) return 'there is no such load; paste new ones into the last row.'
    if (!entry) return 'this load has more than one amount.'
    if (cells.length > 1) return `"${cells[1]}" is left over.`
    const on = load.type === 'nodal' ? { node: load.node } : { member: load.member }
    return setLoad(q, caseId, index, loadOf(on, { ...entry, amount: typed(cells[0]) }))
  })
}
