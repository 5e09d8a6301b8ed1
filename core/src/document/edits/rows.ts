import { produce } from 'immer'
import { memberLabel, nextNodeLabel } from '../labels.js'
import { jointsOf, membersOf, type Selection } from './repeat.js'
import { typed } from './edits.js'
import { measure, tidy } from '../measure.js'
import * as D from '../../quantity/dimension.js'
import type { Load, Member, Node, Problem, Support } from '../types.js'

/**
 * The first line of a copied piece that another problem can take whole; a spreadsheet shows it as one more
 * cell.
 */
const WHOLE = 'viga piece'

interface Piece {
  nodes: Node[]
  members: Member[]
  supports: Support[]
  loads: { caseId: string; load: Load }[]
}

/**
 * A selection as rows for a spreadsheet, cells parted by tabs: joints with x and y, then members with their
 * joints. The last row
 * carries supports, loads and ends for pasting into a problem.
 */
export function copyRows(p: Problem, selection: Selection): string {
  const joints = new Set(jointsOf(p, selection))
  const members = new Set(membersOf(p, selection))
  const nodes = p.nodes.filter((n) => joints.has(n.id))
  const chosen = p.members.filter((m) => members.has(m.id))
  const piece: Piece = {
    nodes,
    members: chosen,
    supports: (p.supports ?? []).filter((s) => joints.has(s.node)),
    loads: (p.loadCases ?? []).flatMap((c) =>
      c.loads
        .filter((l) => (l.type === 'nodal' ? joints.has(l.node) : members.has(l.member)))
        .map((load) => ({ caseId: c.id, load })),
    ),
  }
  const lines = [['joint', 'x', 'y'], ...nodes.map((n) => [n.id, n.x, n.y])]
  if (chosen.length)
    lines.push(
      ['member', 'start', 'end', 'section', 'material'],
      ...chosen.map((m) => [m.id, m.start, m.end, m.section ?? '', m.material ?? '']),
    )
  lines.push([WHOLE, JSON.stringify(piece)])
  return lines.map((l) => l.join('\t')).join('\n')
}

export type Pasted =
  { ok: true; problem: Problem; nodes: string[]; members: string[] } | { ok: false; message: string }

/** More rows than this are not a textbook problem. */
const MOST = 20_000

/**
 * Adds rows to a problem: a piece copied from a problem, or rows of a spreadsheet. Joints come as label, x, y
 * or as x, y;
 * members as label, start, end or as start, end. A heading (`joint x y`, `member start end`) says which;
 * without one, rows
 * whose cells are labels of joints are members. Labels that are taken are given anew; (dx, dy) moves what is
 * pasted.
 */
export function pasteRows(p: Problem, text: string, dx = 0, dy = 0): Pasted {
  const lines = text
    .replace(/\r/g, '')
    .split('\n')
    .map((l) => l.split('\t').map((c) => c.trim()))
    .filter((c) => c.some((v) => v !== ''))
  if (lines.length === 0) return { ok: false, message: 'There is nothing to paste.' }
  if (lines.length > MOST) return { ok: false, message: `At most ${MOST} rows are pasted at once.` }
  const whole = lines.find((l) => l[0] === WHOLE)
  if (whole) {
    const piece = readPiece(whole[1])
    if (piece) return addPiece(p, piece, dx, dy)
  }
  return addRows(
    p,
    lines.filter((l) => l[0] !== WHOLE),
    dx,
    dy,
  )
}

function readPiece(text: string | undefined): Piece | undefined {
  try {
    const v = JSON.parse(text ?? '') as Partial<Piece>
    return [v.nodes, v.members, v.supports, v.loads].every(Array.isArray) ? (v as Piece) : undefined
  } catch {
    return undefined
  }
}

function addPiece(p: Problem, piece: Piece, dx: number, dy: number): Pasted {
  const source = measure({ ...p, nodes: piece.nodes })
  const to = new Map<string, string>()
  const members = new Map<string, string>()
  let problem = p
  for (const n of piece.nodes) {
    const at = source.at.get(n.id)
    if (!at || !Number.isFinite(at.x + at.y))
      return { ok: false, message: `The place of ${n.id} cannot be read in this problem.` }
    const id = problem.nodes.some((o) => o.id === n.id) ? nextNodeLabel(problem) : n.id
    to.set(n.id, id)
    problem = produce(
      problem,
      (d) =>
        void d.nodes.push(
          dx === 0 && dy === 0 ? { ...n, id } : { id, x: tidy(at.x + dx), y: tidy(at.y + dy) },
        ),
    )
  }
  for (const m of piece.members) {
    const [start, end] = [to.get(m.start), to.get(m.end)]
    if (start === undefined || end === undefined) continue
    const taken = problem.members.some((o) => o.id === m.id)
    const id = taken || start !== m.start || end !== m.end ? memberLabel(problem, start, end) : m.id
    members.set(m.id, id)
    const member: Member = { ...m, id, start, end }
    if (!p.materials?.some((o) => o.id === m.material)) like(member, p, 'material')
    if (!p.sections?.some((o) => o.id === m.section)) like(member, p, 'section')
    problem = produce(problem, (d) => void d.members.push(member))
  }
  problem = produce(problem, (d) => {
    d.supports ??= []
    for (const s of piece.supports) if (to.has(s.node)) d.supports.push({ ...s, node: to.get(s.node)! })
    for (const { caseId, load } of piece.loads) {
      const c = d.loadCases?.find((o) => o.id === caseId) ?? d.loadCases?.[0]
      const on = load.type === 'nodal' ? to.get(load.node) : members.get(load.member)
      if (c && on !== undefined)
        c.loads.push(load.type === 'nodal' ? { ...load, node: on } : { ...load, member: on })
    }
  })
  return { ok: true, problem, nodes: [...to.values()], members: [...members.values()] }
}

/** A property another problem does not know is that of the members here. */
function like(m: Member, p: Problem, key: 'material' | 'section') {
  const known = p.members[0]?.[key] ?? (key === 'material' ? p.materials : p.sections)?.[0]?.id
  if (known === undefined) delete m[key]
  else m[key] = known
}

function addRows(p: Problem, lines: string[][], dx: number, dy: number): Pasted {
  const nodes: string[] = []
  const members: string[] = []
  const to = new Map<string, string>()
  const { reader } = measure(p)
  const length = (t: string) => reader.read(typed(t), D.length)
  const joint = (problem: Problem, t: string) =>
    to.get(t) ?? (problem.nodes.some((n) => n.id === t) ? t : undefined)
  let mode: 'joint' | 'member' | undefined
  let problem = p
  for (const [i, cells] of lines.entries()) {
    const head = cells[0].toLowerCase()
    if (/^(joint|node|point)s?$/.test(head) && !length(cells[1] ?? '').ok) mode = 'joint'
    else if (/^(member|bar|element)s?$/.test(head)) mode = 'member'
    else if (i === 0 && cells.every((c) => !length(c).ok && joint(problem, c) === undefined))
      continue // a heading in other words
    else {
      const used = cells.filter((c) => c !== '')
      const ends = used.length >= 3 ? used.slice(1, 3) : used.slice(0, 2)
      const joins =
        ends.length === 2 &&
        ends.every((t) => joint(problem, t) !== undefined) &&
        (mode === 'member' || !ends.every((t) => length(t).ok))
      if (mode === 'member' || (mode === undefined && joins)) {
        if (!joins)
          return {
            ok: false,
            message:
              `Row ${i + 1}: a member joins two joints, and ` +
              `${ends.find((t) => joint(problem, t) === undefined) ?? 'one'} is none.`,
          }
        const [start, end] = ends.map((t) => joint(problem, t)!)
        if (start === end) return { ok: false, message: `Row ${i + 1}: a member joins two different joints.` }
        const wished =
          used.length >= 3 && !problem.members.some((m) => m.id === used[0])
            ? used[0]
            : memberLabel(problem, start, end)
        const member: Member = { id: wished, start, end, section: cells[3], material: cells[4] }
        for (const key of ['material', 'section'] as const)
          if (!(key === 'material' ? p.materials : p.sections)?.some((o) => o.id === member[key]))
            like(member, p, key)
        problem = produce(problem, (d) => void d.members.push(member))
        members.push(wished)
      } else {
        const [label, x, y] = used.length >= 3 ? used : [undefined, ...used]
        const values = [x, y].map((t) => length(t ?? ''))
        const wrong = values.find((v) => !v.ok)
        if (wrong && !wrong.ok) return { ok: false, message: `Row ${i + 1}: ${wrong.message}` }
        const id =
          label === undefined || problem.nodes.some((n) => n.id === label) ? nextNodeLabel(problem) : label
        if (label !== undefined) to.set(label, id)
        const at = measure(problem)
        const shifted = (t: string, by: number) =>
          by === 0 ? typed(t) : tidy(at.value(typed(t), D.length) + by)
        problem = produce(
          problem,
          (d) => void d.nodes.push({ id, x: shifted(x ?? '', dx), y: shifted(y ?? '', dy) }),
        )
        nodes.push(id)
      }
    }
  }
  return nodes.length + members.length
    ? { ok: true, problem, nodes, members }
    : { ok: false, message: 'No row states a joint or a member.' }
}
