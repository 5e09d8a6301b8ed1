import { solveDense } from '../dense.js'
import { fromBody, sideOf, solved, wholeOf, type Found, type Whole } from './bodies.js'
import {
  acrossOf,
  cross,
  directionAt,
  dot,
  IN_LINE,
  LEVEL,
  together,
  UPRIGHT,
  type Truss,
  type Vec,
} from './truss.js'

/** One step of the order. */
export type Passing =
  | { kind: 'zero'; node: number; found: Found[]; rule: 'two' | 'across' }
  | { kind: 'joint'; node: number; found: Found[] }
  | { kind: 'cut'; cut: number[]; nodes: number[]; found: Found }
  | Whole
  | { kind: 'together'; found: { unknown: number; value: number }[] }

/** A step of the order of one kind. */
export type PassingOf<K extends Passing['kind']> = Extract<Passing, { kind: K }>

/** A force below this part of the largest one is rounding error. */
const ROUNDING = 1e-12

/** The forces of a truss in an order in which each is found from those before it. */
export function orderOf(t: Truss): Passing[] {
  const known = new Map<number, number>()
  const out: Passing[] = []
  const size = Math.max(0, ...t.loads.flatMap((f) => [Math.abs(f.x), Math.abs(f.y)]))
  const clean = (v: number) => (Math.abs(v) <= ROUNDING * size ? 0 : v)
  const take = (p: Passing) => {
    const all = p.kind === 'cut' ? [p.found] : p.found
    for (const f of all) known.set(f.unknown, (f.value = clean(f.value)))
    out.push(p)
  }
  const zero = () => firstOf(t, (node) => zeroAt(t, node, known))
  for (let p = zero(); p; p = zero()) take(p)
  const whole = wholeOf(t, known)
  if (whole) take(whole)
  while (known.size < t.unknowns.length) {
    const next = firstOf(t, (node) => jointAt(t, node, known)) ?? cutOf(t, known) ?? restOf(t, known)
    take(next)
  }
  return out
}

function firstOf<T>(t: Truss, look: (node: number) => T | undefined): T | undefined {
  for (let node = 0; node < t.structure.nodes.length; node++) {
    const found = look(node)
    if (found) return found
  }
  return undefined
}

const openAt = (t: Truss, node: number, known: ReadonlyMap<number, number>) =>
  t.at[node].filter((u) => !known.has(u))

/** The sum of the forces on a joint along a direction, solved for one of them. */
function sumAlong(
  t: Truss,
  node: number,
  unknown: number,
  along: Vec,
  known: ReadonlyMap<number, number>,
): Found {
  const parts = t.at[node].flatMap((u) => {
    const factor = dot(directionAt(t, u, node), along)
    return known.has(u) && Math.abs(factor) > IN_LINE ? [{ unknown: u, factor }] : []
  })
  const own = dot(directionAt(t, unknown, node), along)
  return solved(unknown, parts, own, dot(t.loads[node], along), known, { along })
}

/** The axis that has more of a direction. */
const nearer = (dir: Vec): Vec => (Math.abs(dir.x) > Math.abs(dir.y) ? LEVEL : UPRIGHT)

/**
 * The two unknown forces of a joint: the first from the sum across the other, best a level or upright one,
 * the second from a sum of level or upright forces; one alone; or the one across the line of the rest.
 */
function jointAt(t: Truss, node: number, known: ReadonlyMap<number, number>): PassingOf<'joint'> | undefined {
  const open = openAt(t, node, known)
  if (open.length === 0) return undefined
  const dir = (u: number) => directionAt(t, u, node)
  if (open.length === 1)
    return { kind: 'joint', node, found: [sumAlong(t, node, open[0], nearer(dir(open[0])), known)] }
  if (open.length === 2) {
    if (Math.abs(cross(dir(open[0]), dir(open[1]))) <= IN_LINE) return undefined
    const isPlain = (u: number) => [LEVEL, UPRIGHT].includes(acrossOf(dir(u)))
    const [first, second] = isPlain(open[1]) || !isPlain(open[0]) ? open : [open[1], open[0]]
    const found = sumAlong(t, node, first, acrossOf(dir(second)), known)
    const both = new Map([...known, [first, found.value] as const])
    return { kind: 'joint', node, found: [found, sumAlong(t, node, second, nearer(dir(second)), both)] }
  }
  const odd = oddOf(t, node, open)
  return odd && { kind: 'joint', node, found: [sumAlong(t, node, odd.unknown, acrossOf(odd.line), known)] }
}

/** Of three and more forces the one that is across the line of all others. */
function oddOf(t: Truss, node: number, open: readonly number[]) {
  for (const unknown of open) {
    const others = open.filter((u) => u !== unknown).map((u) => directionAt(t, u, node))
    const [line] = others
    if (
      others.every((o) => Math.abs(cross(o, line)) <= IN_LINE) &&
      Math.abs(cross(directionAt(t, unknown, node), line)) > IN_LINE
    )
      return { unknown, line }
  }
  return undefined
}

/** Bars without force that the rules of joints show before any other is known. */
function zeroAt(t: Truss, node: number, known: ReadonlyMap<number, number>): Passing | undefined {
  const open = openAt(t, node, known)
  if (open.some((u) => t.unknowns[u].bar === undefined)) return undefined
  if (t.at[node].some((u) => (known.get(u) ?? 0) !== 0)) return undefined
  const p = t.loads[node]
  if (open.length === 2 && p.x === 0 && p.y === 0) {
    const found = jointAt(t, node, known)
    return found && { ...found, kind: 'zero', rule: 'two' }
  }
  const odd = open.length > 2 ? oddOf(t, node, open) : undefined
  if (!odd || Math.abs(cross(p, odd.line)) > IN_LINE * Math.hypot(p.x, p.y)) return undefined
  const found = sumAlong(t, node, odd.unknown, acrossOf(odd.line), known)
  return { kind: 'zero', node, found: [{ ...found, value: 0 }], rule: 'across' }
}

/** Bars among which a cut is looked for; more would take long. */
const MOST_OPEN = 60

/** A cut through at most three unknown bars that divides the truss, and a force it gives. */
function cutOf(t: Truss, known: ReadonlyMap<number, number>): Passing | undefined {
  const open = [...t.unknowns.keys()].filter((u) => !known.has(u) && t.unknowns[u].bar !== undefined)
  if (open.length > MOST_OPEN) return undefined
  for (let i = 0; i < open.length; i++)
    for (let j = i + 1; j < open.length; j++)
      for (let k = j + 1; k < open.length; k++) {
        const cut = [open[i], open[j], open[k]]
        const nodes = sideOf(t, open, cut)
        if (
          !nodes ||
          nodes.length < 2 ||
          nodes.some((n) => openAt(t, n, known).some((u) => t.unknowns[u].bar === undefined))
        )
          continue
        for (const unknown of cut) {
          const found = fromBody(t, nodes, unknown, cut, known)
          if (!found) continue
          const through = [...known.keys()].filter(
            (u) =>
              t.unknowns[u].bar !== undefined &&
              t.unknowns[u].on.filter((o) => nodes.includes(o.node)).length === 1,
          )
          return { kind: 'cut', cut: [...cut, ...through], nodes, found }
        }
      }
  return undefined
}

/** What neither joints nor cuts give, one by one: the joints' equations together. */
function restOf(t: Truss, known: ReadonlyMap<number, number>): Passing {
  const sought = [...t.unknowns.keys()].filter((u) => !known.has(u))
  const { rows, right } = together(t, sought, known)
  const values = leastRows(rows, right, sought.length)
  return { kind: 'together', found: sought.map((unknown, i) => ({ unknown, value: values[i] })) }
}

/** As many of the equations as there are unknowns, independent of each other, solved. */
function leastRows(rows: readonly number[][], right: readonly number[], n: number): number[] {
  // the normal equations of a consistent set have its solution
  const square = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => rows.reduce((s, r) => s + r[i] * r[j], 0)),
  )
  const sums = Array.from({ length: n }, (_, i) => rows.reduce((s, r, k) => s + r[i] * right[k], 0))
  const first = solveDense(square, sums) ?? new Array<number>(n).fill(0)
  // once more on what is left takes away the rounding of the squares
  const rest = right.map((v, k) => v - rows[k].reduce((s, c, i) => s + c * first[i], 0))
  const again = solveDense(
    square,
    Array.from({ length: n }, (_, i) => rows.reduce((s, r, k) => s + r[i] * rest[k], 0)),
  )
  return first.map((v, i) => v + (again?.[i] ?? 0))
}
