import { produce } from 'immer'
import { memberLabel, nextNodeLabel } from '../labels.js'
import { tidy } from '../measure.js'
import type { Problem, Support } from '../types.js'

/** A structure as coordinates and pairs, before it has labels. Lengths in the problem's unit. */
export interface StartingShape {
  kind: 'frame' | 'truss'
  nodes: [number, number][]
  members: [number, number][]
  supports: { node: number; type: NonNullable<Support['type']> }[]
}

export type TrussForm = 'pratt' | 'howe' | 'warren' | 'warren with verticals' | 'fink' | 'k'

/** A beam over so many spans: a pin, then rollers; `ends` fixed, or free for a cantilever. */
export function beamShape(
  spans: readonly number[],
  ends: 'simple' | 'fixed' | 'cantilever' = 'simple',
): StartingShape {
  let x = 0
  const nodes: [number, number][] = [[0, 0], ...spans.map((s): [number, number] => [(x = tidy(x + s)), 0])]
  const supports = nodes.flatMap((_, node): StartingShape['supports'] => {
    const last = node === nodes.length - 1
    if (ends === 'cantilever')
      return node === 0 ? [{ node, type: 'fixed' }] : last ? [] : [{ node, type: 'roller' }]
    if (node === 0) return [{ node, type: ends === 'fixed' ? 'fixed' : 'pin' }]
    return [{ node, type: last && ends === 'fixed' ? 'fixed' : 'roller' }]
  })
  return { kind: 'frame', nodes, members: chain(spans.length + 1), supports }
}

/** A frame of so many bays and storeys: columns, a beam at every floor. */
export function frameShape(
  bays: readonly number[],
  storeys: readonly number[],
  feet: 'fixed' | 'pin',
): StartingShape {
  const wide = bays.length + 1
  const [xs, ys] = [sums(bays), sums(storeys)]
  const nodes = ys.flatMap((y) => xs.map((x): [number, number] => [x, y]))
  const members: [number, number][] = []
  for (let j = 1; j < ys.length; j++) {
    for (let i = 0; i < wide; i++) members.push([(j - 1) * wide + i, j * wide + i])
    for (let i = 1; i < wide; i++) members.push([j * wide + i - 1, j * wide + i])
  }
  return { kind: 'frame', nodes, members, supports: xs.map((_, node) => ({ node, type: feet })) }
}

/** A portal with a pitched roof: two columns, two rafters. */
export function gableShape(span: number, eaves: number, rise: number, feet: 'fixed' | 'pin'): StartingShape {
  return {
    kind: 'frame',
    nodes: [
      [0, 0],
      [0, eaves],
      [tidy(span / 2), tidy(eaves + rise)],
      [span, eaves],
      [span, 0],
    ],
    members: chain(5),
    supports: [0, 4].map((node) => ({ node, type: feet })),
  }
}

/** A truss on a pin and a roller; `panels` even, four or more for all but the Warren form and the Fink. */
export function trussShape(
  form: TrussForm,
  span: number,
  height: number,
  panels: number,
): StartingShape | { message: string } {
  if (form === 'fink') return fink(span, height)
  if (form === 'warren')
    return panels < 2 ? { message: 'A Warren truss has two panels or more.' } : warren(span, height, panels)
  if (panels % 2 || panels < 4)
    return {
      message: 'This truss is symmetric about a vertical: its panels are an even number, four or more.',
    }
  return parallelChords(form, span, height, panels)
}

/**
 * Joins letters and pairs into a problem; the shape stands at (x, y), its labels go on from those present.
 */
export function addShape(p: Problem, shape: StartingShape, x = 0, y = 0): Problem {
  const empty = p.nodes.length === 0
  let out = empty ? produce(p, (d) => void (d.kind = shape.kind)) : p
  const ids = shape.nodes.map(([dx, dy]) => {
    const id = nextNodeLabel(out)
    out = produce(out, (d) => void d.nodes.push({ id, x: tidy(x + dx), y: tidy(y + dy) }))
    return id
  })
  const like = p.members[p.members.length - 1]
  const material = like?.material ?? p.materials?.[0]?.id
  const section = like?.section ?? p.sections?.[0]?.id
  const bar = shape.kind === 'truss' && out.kind === 'frame'
  for (const [a, b] of shape.members) {
    const [start, end] = [ids[a], ids[b]]
    const member = {
      id: memberLabel(out, start, end),
      start,
      end,
      ...(material && { material }),
      ...(section && { section }),
      ...(bar && { type: 'bar' as const }),
    }
    out = produce(out, (d) => void d.members.push(member))
  }
  return produce(out, (d) => {
    d.supports ??= []
    for (const s of shape.supports) d.supports.push({ node: ids[s.node], type: s.type })
  })
}

const chain = (n: number): [number, number][] => Array.from({ length: n - 1 }, (_, i) => [i, i + 1])
const sums = (steps: readonly number[]): number[] =>
  steps.reduce((all, s) => [...all, tidy(all[all.length - 1] + s)], [0])

const simple = (last: number): StartingShape['supports'] => [
  { node: 0, type: 'pin' },
  { node: last, type: 'roller' },
]

/** Bottom joints 0 … n, top joints n + 1 … over the middles of the panels. */
function warren(span: number, height: number, n: number): StartingShape {
  const w = span / n
  const bottom = Array.from({ length: n + 1 }, (_, i): [number, number] => [tidy(i * w), 0])
  const top = Array.from({ length: n }, (_, i): [number, number] => [tidy((i + 0.5) * w), height])
  const members: [number, number][] = [...chain(n + 1)]
  for (let i = 0; i < n; i++) members.push([i, n + 1 + i], [n + 1 + i, i + 1])
  for (let i = 1; i < n; i++) members.push([n + i, n + 1 + i])
  return { kind: 'truss', nodes: [...bottom, ...top], members, supports: simple(n) }
}

/** Bottom joints 0 … n, top joints over 1 … n − 1, end posts, and webs by form. */
function parallelChords(
  form: Exclude<TrussForm, 'warren' | 'fink'>,
  span: number,
  height: number,
  n: number,
): StartingShape {
  const w = span / n
  const nodes = [
    ...Array.from({ length: n + 1 }, (_, i): [number, number] => [tidy(i * w), 0]),
    ...Array.from({ length: n - 1 }, (_, i): [number, number] => [tidy((i + 1) * w), height]),
  ]
  const top = (i: number) => n + i
  const members: [number, number][] = [
    ...chain(n + 1),
    [0, top(1)],
    ...Array.from({ length: n - 2 }, (_, i): [number, number] => [top(i + 1), top(i + 2)]),
    [top(n - 1), n],
  ]
  const half = n / 2
  const middles = new Map<number, number>()
  for (let i = 1; i < n; i++) {
    if (form === 'k' && i !== half) {
      middles.set(i, nodes.length)
      nodes.push([tidy(i * w), tidy(height / 2)])
      members.push([i, middles.get(i)!], [middles.get(i)!, top(i)])
    } else members.push([i, top(i)])
  }
  for (let i = 1; i < n - 1; i++) {
    const left = i < half
    if (form === 'pratt') members.push(left ? [top(i), i + 1] : [i, top(i + 1)])
    else if (form === 'howe') members.push(left ? [i, top(i + 1)] : [top(i), i + 1])
    else if (form === 'warren with verticals') members.push(i % 2 ? [top(i), i + 1] : [i, top(i + 1)])
    else {
      const middle = middles.get(left ? i : i + 1)!
      const inner = left ? i + 1 : i
      members.push([middle, top(inner)], [middle, inner])
    }
  }
  return { kind: 'truss', nodes, members, supports: simple(n) }
}

/** A roof truss with a W of webs: bottom in thirds, rafters in halves. */
function fink(span: number, height: number): StartingShape {
  const at = (k: number, l: number): [number, number] => [tidy(k * span), tidy(l * height)]
  return {
    kind: 'truss',
    nodes: [at(0, 0), at(1 / 3, 0), at(2 / 3, 0), at(1, 0), at(1 / 4, 1 / 2), at(1 / 2, 1), at(3 / 4, 1 / 2)],
    members: [
      [0, 1],
      [1, 2],
      [2, 3],
      [0, 4],
      [4, 5],
      [5, 6],
      [6, 3],
      [4, 1],
      [1, 5],
      [5, 2],
      [2, 6],
    ],
    supports: simple(3),
  }
}
