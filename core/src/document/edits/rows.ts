import { jointsOf, membersOf, type Selection } from './repeat.js'
import { Growing } from './growing.js'
import { blockOf, MOST_ROWS, type LeftRow } from '../cells.js'
import { unitOfHead, withHeadUnit } from '../number-style.js'
import { typed } from '../typed.js'
import { measure, tidy } from '../measure.js'
import * as D from '../../quantity/dimension.js'
import type { QuantityResult } from '../../quantity/reader.js'
import { siPerCoherent, unitByName } from '../../quantity/units.js'
import { addPiece, knownProperties, pieceOf, readPiece, type Pasted } from './piece.js'
import type { Problem } from '../types.js'

/**
 * A selection as rows for a spreadsheet, cells parted by tabs: joints with x and y, then members with their
 * joints. The last row carries supports, loads and ends for pasting into a problem.
 */
export function copyRows(p: Problem, selection: Selection): string {
  const joints = new Set(jointsOf(p, selection))
  const members = new Set(membersOf(p, selection))
  const nodes = p.nodes.filter((n) => joints.has(n.id))
  const chosen = p.members.filter((m) => members.has(m.id))
  const lines = [['joint', 'x', 'y'], ...nodes.map((n) => [n.id, n.x, n.y])]
  if (chosen.length)
    lines.push(
      ['member', 'start', 'end', 'section', 'material'],
      ...chosen.map((m) => [m.id, m.start, m.end, m.section ?? '', m.material ?? '']),
    )
  lines.push([WHOLE, JSON.stringify(pieceOf(p, joints, members))])
  return lines.map((l) => l.join('\t')).join('\n')
}

/**
 * The first line of a copied piece that another problem can take whole; a spreadsheet shows it as one more
 * cell.
 */
const WHOLE = 'viga piece'

export type { Pasted } from './piece.js'

/**
 * Adds rows to a problem: a piece copied from a problem, or rows of a spreadsheet. Joints come as label, x, y
 * or as x, y; members as label, start, end or as start, end. A heading (`joint x y`, `member start end`) says
 * which, and the units of its columns (`x (mm)`); without one, rows whose cells are labels of joints are
 * members. Labels that are taken are given anew; (dx, dy) moves what is pasted. Rows that are not understood
 * are left, each with its reason; where none is, the paste is refused.
 * @param again whether a row that says what a joint of its label is adds nothing, as in a table of joints
 */
export function pasteRows(p: Problem, text: string, dx = 0, dy = 0, again = false): Pasted {
  // a copied piece stands in one cell of its own, whose text is not a number
  const whole = /^viga piece\t(.*)$/m.exec(text)
  const piece = whole ? readPiece(whole[1].trim()) : undefined
  if (piece) return addPiece(p, piece, dx, dy)
  const { rows, said } = blockOf(text)
  if (rows.length === 0) return { ok: false, message: 'There is nothing to paste.' }
  if (rows.length > MOST_ROWS) return { ok: false, message: `At most ${MOST_ROWS} rows are pasted at once.` }
  const made = addRows(
    p,
    rows.filter((l) => l[0] !== WHOLE),
    dx,
    dy,
    again,
  )
  return made.ok && said ? { ...made, said } : made
}

type Mode = 'joint' | 'member' | undefined

/** Rows of a spreadsheet while they are read: what the last heading said, and what was added so far. */
interface RowsRead {
  growing: Growing
  mode: Mode
  /** New label by the label that a row stated. */
  to: Map<string, string>
  nodes: string[]
  members: string[]
  length: (t: string) => QuantityResult
  known: ReturnType<typeof knownProperties>
  units: Problem['units']
  /** Joints that a row may say again, m. */
  at: ReadonlyMap<string, { x: number; y: number }>
  /** How many rows stated a joint that is there as they say. */
  there: number
  dx: number
  dy: number
  /** Units of the columns of x and y, as their heads say them. */
  headUnits: { x?: string; y?: string }
}

const jointOf = ({ to, growing }: RowsRead, t: string): string | undefined =>
  to.get(t) ?? (growing.hasNode(t) ? t : undefined)

function addRows(p: Problem, lines: string[][], dx: number, dy: number, again: boolean): Pasted {
  const { reader, at } = measure(p)
  const rows: RowsRead = {
    growing: new Growing(p),
    mode: undefined,
    to: new Map(),
    nodes: [],
    members: [],
    length: (t) => reader.read(typed(t), D.length),
    known: knownProperties(p),
    units: p.units,
    at: again ? at : new Map(),
    there: 0,
    dx,
    dy,
    headUnits: {},
  }
  const left: (LeftRow & { of: 'joint' | 'member' })[] = []
  for (const [i, cells] of lines.entries()) {
    const heading = headingOf(rows, cells, i)
    if (heading === 'skip') {
      rows.headUnits = headUnitsOf(cells)
      continue
    }
    if (heading) {
      rows.mode = heading
      rows.headUnits = headUnitsOf(cells)
      continue
    }
    const message = addRow(rows, cells)
    if (message) left.push({ cells, message, of: rows.mode ?? 'joint' })
  }
  const { nodes, members } = rows
  if (nodes.length + members.length > 0)
    return { ok: true, problem: rows.growing.problem(), nodes, members, left }
  if (left.length > 0)
    return { ok: false, message: `Row ${lines.indexOf(left[0].cells) + 1}: ${left[0].message}`, left }
  return {
    ok: false,
    message: rows.there ? 'These joints are there already.' : 'No row states a joint or a member.',
  }
}

/** The units that a row of heads names for x and y. */
function headUnitsOf(cells: readonly string[]): RowsRead['headUnits'] {
  const unit = (axis: string) => {
    const head = cells.find((c) => new RegExp(`^${axis}(?![\\p{L}\\p{Nd}])`, 'iu').test(c))
    const name = head === undefined ? undefined : unitOfHead(head)
    return name !== undefined && unitByName(name) ? { [axis]: name } : {}
  }
  return { ...unit('x'), ...unit('y') }
}

/**
 * What a row says as a heading: which rows follow, or nothing but words (`skip`); undefined for other rows.
 */
function headingOf(rows: RowsRead, cells: string[], i: number): Mode | 'skip' {
  const head = cells[0].toLowerCase()
  if (/^(joint|node|point)s?$/.test(head) && !rows.length(cells[1] ?? '').ok) return 'joint'
  if (/^(member|bar|element)s?$/.test(head)) return 'member'
  return i === 0 && cells.every((c) => !rows.length(c).ok && jointOf(rows, c) === undefined)
    ? 'skip'
    : undefined
}

/** Adds the joint or member of a row; returns what is wrong with it. */
function addRow(rows: RowsRead, cells: string[]): string | undefined {
  const used = cells.filter((c) => c !== '')
  const ends = used.length >= 3 ? used.slice(1, 3) : used.slice(0, 2)
  const joins =
    ends.length === 2 &&
    ends.every((t) => jointOf(rows, t) !== undefined) &&
    (rows.mode === 'member' || !ends.every((t) => rows.length(t).ok))
  if (rows.mode !== 'member' && !(rows.mode === undefined && joins)) return addJointRow(rows, used)
  if (!joins)
    return (
      `a member joins two joints, and ${ends.find((t) => jointOf(rows, t) === undefined) ?? 'one'} ` +
      'is none.'
    )
  const [start, end] = ends.map((t) => jointOf(rows, t)!)
  if (start === end) return 'a member joins two different joints.'
  const member = rows.known({ start, end, section: cells[3], material: cells[4] })
  rows.members.push(rows.growing.addMember(used.length >= 3 ? used[0] : undefined, member))
  return undefined
}

/** Whether a row says again what a joint of its label is: it adds none beside it. */
function isThere({ at, to }: RowsRead, label: string, values: readonly QuantityResult[]): boolean {
  const place = to.has(label) ? undefined : at.get(label)
  if (!place) return false
  return [place.x, place.y].every((v, i) => {
    const value = values[i]
    return value.ok && Math.abs(value.si - v) <= 1e-9 * Math.max(1, Math.abs(v))
  })
}

function addJointRow(rows: RowsRead, used: string[]): string | undefined {
  const [label, statedX = '', statedY = ''] = used.length >= 3 ? used : [undefined, ...used]
  const x = withHeadUnit(statedX, rows.headUnits.x)
  const y = withHeadUnit(statedY, rows.headUnits.y)
  const values = [x, y].map((t) => rows.length(t))
  const wrong = values.find((v) => !v.ok)
  if (wrong && !wrong.ok) return wrong.message
  if (label !== undefined && isThere(rows, label, values)) {
    rows.there++
    return undefined
  }
  const shifted = (t: string, v: QuantityResult, by: number) =>
    by === 0 || !v.ok ? typed(t) : tidy(v.si / siPerCoherent(rows.units, D.length) + by)
  const id = rows.growing.addNode(label, shifted(x, values[0], rows.dx), shifted(y, values[1], rows.dy))
  if (label !== undefined) rows.to.set(label, id)
  rows.nodes.push(id)
  return undefined
}
