import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { addLoad, setLoad } from '../document/edits/case-edits.js'
import { setNode, setSupport } from '../document/edits/edits.js'
import { pasteRows } from '../document/edits/rows.js'
import { blockOf, MOST_ROWS, type LeftRow } from '../document/cells.js'
import { unitOfHead, withHeadUnit } from '../document/number-style.js'
import { placesMeant } from '../document/places.js'
import { typed } from '../document/typed.js'
import type { Problem } from '../document/types.js'
import { entryOf, loadOf } from './load-entry.js'
import { wayOfWord } from './load-line.js'
import { readLoads } from './read-load.js'
import { readSupport } from './read-support.js'

/** Cells of a spreadsheet pasted into a table of the statement. */
export type Filled =
  | {
      ok: true
      problem: Problem
      /** How many rows were taken. */
      taken: number
      /** The rows that were not understood, each with its reason. */
      left: LeftRow[]
      /** How commas in numbers were understood, as a sentence. */
      said?: string
    }
  | { ok: false; message: string }

/**
 * Where they are pasted: the table, the row (none for the row of new entries) and the column of the field.
 */
export type TablePlace =
  | { table: 'joints'; row?: number; column: 'x' | 'y' }
  | { table: 'members' }
  | { table: 'supports' }
  | { table: 'loads'; caseId: string; row?: number }

/** Cells by rows; undefined for a text of one cell, which belongs into its field. */
export function cellsOf(text: string): string[][] | undefined {
  const { rows } = blockOf(text)
  return rows.length > 1 || (rows[0]?.length ?? 0) > 1 ? rows : undefined
}

/**
 * Fills a table from pasted cells: from a field on downward, or as new entries. Rows that are not understood
 * are left, each with its reason.
 */
export function fillRows(p: Problem, text: string, at: TablePlace): Filled {
  const { rows, said } = blockOf(text)
  if (rows.length > MOST_ROWS) return { ok: false, message: `At most ${MOST_ROWS} rows are pasted at once.` }
  const filled = fillTable(p, text, rows, at)
  return { ok: true, ...filled, ...(said ? { said } : {}) }
}

type Result = { problem: Problem; taken: number; left: LeftRow[] }

function fillTable(p: Problem, text: string, rows: string[][], at: TablePlace): Result {
  switch (at.table) {
    case 'joints':
      return at.row === undefined ? newRows(p, text, rows) : fillJoints(p, rows, at.row, at.column)
    case 'members':
      return newRows(p, `member\tstart\tend\n${rows.map((r) => r.join('\t')).join('\n')}`, rows)
    case 'supports':
      return each(p, withoutHeads(p, rows), (q, cells) => {
        const read = readSupport(q, cells.filter(Boolean).join(' '))
        return read.ok ? setSupport(q, read.node, read.support) : read.message
      })
    case 'loads': {
      if (at.row !== undefined) return fillAmounts(p, rows, at.caseId, at.row)
      const body = withoutHeads(p, rows)
      const units = body === rows ? [] : rows[0].map(unitOfHead)
      return each(p, body, (q, cells) =>
        addRow(
          q,
          at.caseId,
          cells.map((c, i) => withHeadUnit(c, units[i])),
        ),
      )
    }
  }
}

/** New joints or members; the rows that are not understood are left. */
function newRows(p: Problem, text: string, rows: string[][]): Result {
  const made = pasteRows(p, text, 0, 0, true)
  const left = (made.left ?? []).map(({ cells, message }) => ({ cells, message }))
  if (made.ok) return { problem: made.problem, taken: made.nodes.length + made.members.length, left }
  // where no row at all was understood, the reason is said of the first one
  return { problem: p, taken: 0, left: left.length ? left : [{ cells: rows[0], message: made.message }] }
}

/** Rows without a first one of heads: words that name no joint or member, and hold no number of their own. */
function withoutHeads(p: Problem, rows: string[][]): string[][] {
  const [first] = rows
  const heads = /^(?:joint|node|point|member|bar|on|support|load)s?\b/i.test(first[0])
  const words = first.every((c) => !/^[-+−]?[\d.]/.test(c) && wayOfWord(c) === undefined)
  return rows.length > 1 && heads && words && placesMeant(p, first[0]).length === 0 ? rows.slice(1) : rows
}

function each(
  p: Problem,
  rows: readonly string[][],
  add: (p: Problem, cells: string[]) => Problem | string,
): Result {
  const out: Result = { problem: p, taken: 0, left: [] }
  for (const cells of rows) {
    const next = add(out.problem, cells)
    if (typeof next === 'string') {
      out.left.push({ cells, message: next })
      continue
    }
    out.problem = next
    out.taken++
  }
  return out
}

/** Coordinates of joints from a row on; what goes beyond the last joint makes new ones. */
function fillJoints(p: Problem, rows: readonly string[][], from: number, column: 'x' | 'y'): Result {
  const there = rows.slice(0, p.nodes.length - from)
  const { reader } = makeReader(p.units, p.symbols)
  const filled = each(p, there, (q, cells) => {
    const { id } = q.nodes[from + there.indexOf(cells)]
    const [x, y] = column === 'x' ? cells : [undefined, cells[0]]
    const wrong = [x, y].map((t) => (t ? reader.read(typed(t), D.length) : undefined)).find((r) => r && !r.ok)
    if (wrong && !wrong.ok) return wrong.message
    const change = {
      ...(x ? { x: typed(x) } : {}),
      ...(y ? { y: typed(y) } : {}),
    }
    return cells.length > (column === 'x' ? 2 : 1)
      ? `${cells.length} cells go beyond y.`
      : setNode(q, id, change)
  })
  const rest = rows.slice(there.length)
  if (rest.length === 0) return filled
  const more = newRows(filled.problem, rest.map((r) => r.join('\t')).join('\n'), rest)
  return { problem: more.problem, taken: filled.taken + more.taken, left: [...filled.left, ...more.left] }
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

const AMOUNTS = { force: D.force, moment: D.moment, uniform: D.forcePerLength }

/** Amounts of loads from a row on, their directions and places as they are. */
function fillAmounts(p: Problem, rows: readonly string[][], caseId: string, from: number): Result {
  const loads = p.loadCases?.find((c) => c.id === caseId)?.loads ?? []
  const { reader } = makeReader(p.units, p.symbols)
  return each(p, rows, (q, cells) => {
    const index = from + rows.indexOf(cells)
    const load = loads[index]
    const entry = load && entryOf(load)
    if (!load) return 'there is no such load; paste new ones into the last row.'
    if (!entry) return 'this load has more than one amount.'
    if (cells.length > 1) return `"${cells[1]}" is left over.`
    const amount = reader.read(typed(cells[0]), AMOUNTS[entry.sort])
    if (!amount.ok) return amount.message
    const on = load.type === 'nodal' ? { node: load.node } : { member: load.member }
    return setLoad(q, caseId, index, loadOf(on, { ...entry, amount: typed(cells[0]) }))
  })
}
