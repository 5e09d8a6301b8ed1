import { produce } from 'immer'
import { isSymbolName } from '../../quantity/expression.js'
import { symbolsNamed, withSymbolsRenamed } from '../../quantity/products.js'
import { document } from '../schema.js'
import { Growing } from './growing.js'
import { measure } from '../measure.js'
import { newProblem } from '../new.js'
import type { LeftRow } from '../cells.js'
import { lengthSum } from '../sums.js'
import { transform } from '../transform.js'
import { withUnitsWritten } from './units-edit.js'
import type { Load, Member, Node, Problem, Quantity, Support } from '../types.js'

/** A part of a problem that another problem can take whole, with what its numbers mean. */
export interface Piece {
  nodes: Node[]
  members: Member[]
  supports: Support[]
  loads: { caseId: string; load: Load }[]
  /** What its plain numbers are in; a piece copied by an earlier Viga says nothing of it. */
  units?: Problem['units']
  /** The symbols its quantities use, those they are made of among them. */
  symbols?: Record<string, Quantity>
}

export type Pasted =
  | {
      ok: true
      problem: Problem
      nodes: string[]
      members: string[]
      /** Rows that were not understood, each with its reason and what it was taken for. */
      left?: PastedLeft
      /** How commas in numbers were understood. */
      said?: string
    }
  | { ok: false; message: string; left?: PastedLeft }

export type PastedLeft = readonly (LeftRow & { of: 'joint' | 'member' })[]

/** What hangs on some joints and members, as a piece. */
export function pieceOf(p: Problem, joints: ReadonlySet<string>, members: ReadonlySet<string>): Piece {
  const piece: Piece = {
    nodes: p.nodes.filter((n) => joints.has(n.id)),
    members: p.members.filter((m) => members.has(m.id)),
    supports: (p.supports ?? []).filter((s) => joints.has(s.node)),
    loads: (p.loadCases ?? []).flatMap((c) =>
      c.loads
        .filter((l) => (l.type === 'nodal' ? joints.has(l.node) : members.has(l.member)))
        .map((load) => ({ caseId: c.id, load })),
    ),
    units: { length: p.units.length, force: p.units.force },
  }
  const symbols = symbolsOf(piece, p.symbols ?? {})
  return Object.keys(symbols).length ? { ...piece, symbols } : piece
}

/** The symbols that the texts of a piece name, and those that these are made of. */
function symbolsOf(piece: Piece, all: Readonly<Record<string, Quantity>>): Record<string, Quantity> {
  const out: Record<string, Quantity> = {}
  const waiting: unknown[] = [piece.nodes, piece.members, piece.supports, piece.loads]
  while (waiting.length) {
    const v = waiting.pop()
    if (typeof v === 'object' && v !== null) waiting.push(...(Object.values(v) as unknown[]))
    else if (typeof v === 'string')
      for (const name of symbolsNamed(v, (n) => Object.hasOwn(all, n)))
        if (!Object.hasOwn(out, name)) waiting.push((out[name] = all[name]))
  }
  return out
}

/** A piece from the clipboard; undefined for a text that is none. */
export function readPiece(text: string | undefined): Piece | undefined {
  try {
    const v = JSON.parse(text ?? '') as Partial<Piece>
    return [v.nodes, v.members, v.supports, v.loads].every(Array.isArray) ? (v as Piece) : undefined
  } catch {
    return undefined
  }
}

/** A piece as a problem by itself, in which its quantities can be found by their form. */
const asProblem = (piece: Piece): Problem => ({
  ...newProblem(),
  units: piece.units ?? newProblem().units,
  ...(piece.symbols ? { symbols: piece.symbols } : {}),
  nodes: piece.nodes,
  members: piece.members,
  supports: piece.supports,
  loadCases: [{ id: '1', loads: piece.loads.map((l) => l.load) }],
})

const fromProblem = (p: Problem, piece: Piece): Piece => ({
  ...piece,
  units: p.units,
  symbols: p.symbols,
  nodes: p.nodes,
  members: p.members,
  supports: p.supports ?? [],
  loads: piece.loads.map(({ caseId }, i) => ({ caseId, load: p.loadCases![0].loads[i] })),
})

/** The piece with its plain numbers in writing, where the problem it comes to counts in other units. */
function inUnitsOf(p: Problem, piece: Piece): Piece {
  const { units } = piece
  if (!units || (units.length === p.units.length && units.force === p.units.force)) return piece
  return fromProblem(withUnitsWritten(asProblem(piece)), piece)
}

/**
 * The piece with its symbols under names that mean nothing else here: one that is defined otherwise in the
 * problem is given a new name.
 */
function withFreeSymbols(p: Problem, piece: Piece): Piece {
  const taken = p.symbols ?? {}
  const names = new Map<string, string>()
  for (const [name, value] of Object.entries(piece.symbols ?? {})) {
    if (!Object.hasOwn(taken, name) || String(taken[name]) === String(value)) continue
    let i = 1
    const isTaken = (n: string) => Object.hasOwn(taken, n) || Object.hasOwn(piece.symbols!, n)
    while (isTaken(`${name}_${i}`)) i++
    names.set(name, `${name}_${i}`)
  }
  if (names.size === 0) return piece
  const renamed = (q: unknown) =>
    typeof q === 'string' ? withSymbolsRenamed(q, names, (name) => Object.hasOwn(piece.symbols!, name)) : q
  const out = transform(document, asProblem(piece), { quantity: renamed }) as Problem
  const symbols = Object.entries(piece.symbols!).map(([name, q]) => [names.get(name) ?? name, renamed(q)])
  return fromProblem({ ...out, symbols: Object.fromEntries(symbols) as Record<string, Quantity> }, piece)
}

/**
 * Adds a piece copied from a problem: what its labels name here is given new labels, and its symbols come
 * with their definitions. (dx, dy) moves it, in the problem's length unit.
 */
export function addPiece(to: Problem, copied: Piece, dx: number, dy: number): Pasted {
  const names = Object.keys(copied.symbols ?? {})
  if (!names.every(isSymbolName)) return { ok: false, message: 'A symbol of this piece has no usable name.' }
  const piece = withFreeSymbols(to, inUnitsOf(to, copied))
  const p: Problem = piece.symbols ? { ...to, symbols: { ...piece.symbols, ...to.symbols } } : to
  const source = measure({ ...p, nodes: piece.nodes })
  const joints = new Map<string, string>()
  const members = new Map<string, string>()
  const growing = new Growing(p)
  for (const n of piece.nodes) {
    const at = source.at.get(n.id)
    if (!at || !Number.isFinite(at.x + at.y))
      return { ok: false, message: `The place of ${n.id} cannot be read in this problem.` }
    const moved = (q: Quantity, by: number) =>
      by === 0
        ? q
        : lengthSum(p, [
            { times: 1, of: q },
            { times: 1, of: by },
          ])
    joints.set(n.id, growing.addNode(n.id, moved(n.x, dx), moved(n.y, dy)))
  }
  const known = knownProperties(p)
  for (const m of piece.members) {
    const [start, end] = [joints.get(m.start), joints.get(m.end)]
    if (start === undefined || end === undefined) continue
    const keeps = start === m.start && end === m.end
    members.set(m.id, growing.addMember(keeps ? m.id : undefined, known({ ...m, start, end })))
  }
  const problem = produce(growing.problem(), (d) => {
    d.supports ??= []
    for (const s of piece.supports)
      if (joints.has(s.node)) d.supports.push({ ...s, node: joints.get(s.node)! })
    for (const { caseId, load } of piece.loads) {
      const c = d.loadCases?.find((o) => o.id === caseId) ?? d.loadCases?.[0]
      const on = load.type === 'nodal' ? joints.get(load.node) : members.get(load.member)
      if (c && on !== undefined)
        c.loads.push(load.type === 'nodal' ? { ...load, node: on } : { ...load, member: on })
    }
  })
  return { ok: true, problem, nodes: [...joints.values()], members: [...members.values()] }
}

/** Gives a member the material and section of the members here where those it names are not known here. */
export function knownProperties(p: Problem): <M extends Omit<Member, 'id'>>(m: M) => M {
  const lists = {
    material: new Set(p.materials?.map((o) => o.id)),
    section: new Set(p.sections?.map((o) => o.id)),
  }
  return (m) => {
    const out = { ...m }
    for (const key of ['material', 'section'] as const) {
      if (lists[key].has(out[key] ?? '')) continue
      const usual = p.members[0]?.[key] ?? [...lists[key]][0]
      if (usual === undefined) delete out[key]
      else out[key] = usual
    }
    return out
  }
}
