import { produce } from 'immer'
import { mirroredLoad } from '../../kinds/loads/index.js'
import { memberLabel, nextNodeLabel } from '../labels.js'
import { measure, scaled, tidyPlace, type Point } from '../measure.js'
import { lengthSum } from '../sums.js'
import type { Answer, Load, Member, Node, Problem, Quantity, Support } from '../types.js'
import { mirroredAnswer } from '../../kinds/answers/index.js'
import { mirroredView } from './view-of-member.js'

/** The joints and members that an operation works on. */
export interface Selection {
  nodes: readonly string[]
  members: readonly string[]
}

/** The joints of a selection: those named, and the ends of its members. */
export function jointsOf(p: Problem, { nodes, members }: Selection): string[] {
  const all = new Set(nodes)
  for (const m of p.members)
    if (members.includes(m.id)) {
      all.add(m.start)
      all.add(m.end)
    }
  return p.nodes.map((n) => n.id).filter((id) => all.has(id))
}

/**
 * The members of a selection: those named, and those between two of its joints where joints alone are named.
 */
export function membersOf(p: Problem, { nodes, members }: Selection): string[] {
  if (members.length) return [...members]
  return p.members.filter((m) => nodes.includes(m.start) && nodes.includes(m.end)).map((m) => m.id)
}

/** Moves joints by (dx, dy) in coherent units. */
export function moveNodes(p: Problem, ids: readonly string[], dx: number, dy: number): Problem {
  const m = measure(p)
  return produce(p, (d) => {
    for (const n of d.nodes) {
      const at = m.at.get(n.id)
      if (!ids.includes(n.id) || !at) continue
      if (dx !== 0) n.x = tidyPlace(at.x + dx, m.extent)
      if (dy !== 0) n.y = tidyPlace(at.y + dy, m.extent)
    }
  })
}

export interface CopyOptions {
  /** Step from one copy to the next, coherent units. */
  dx: number
  dy: number
  times: number
  /** The step as it was typed, for coordinates that are kept in words: `L` right of `L/2` is `L/2 + L`. */
  typed?: { dx?: Quantity; dy?: Quantity }
  /**
   * Joins each joint with its copy by a member, as for a storey or a bay. Supported joints whose supports are
   * copied are left out.
   */
  connect?: boolean
  supports?: boolean
  loads?: boolean
}

/** Copies a selection `times` times; where a copy falls on a joint that is there, that joint serves. */
export function copySelection(
  p: Problem,
  selection: Selection,
  { dx, dy, typed = {}, times, connect = false, supports = false, loads = false }: CopyOptions,
): Problem {
  if (dx === 0 && dy === 0) return p
  const joints = jointsOf(p, selection)
  const members = membersOf(p, selection)
  let out = p
  let before = new Map(joints.map((id) => [id, id]))
  for (let k = 1; k <= times; k++) {
    const placed = placeCopies(
      out,
      p,
      joints,
      ({ x, y }) => ({ x: x + k * dx, y: y + k * dy }),
      (n) => ({
        x: lengthSum(p, [
          { times: 1, of: n.x },
          { times: k, of: typed.dx ?? dx },
        ]),
        y: lengthSum(p, [
          { times: 1, of: n.y },
          { times: k, of: typed.dy ?? dy },
        ]),
      }),
    )
    out = copyMembers(placed.problem, p, members, placed.to, (l) => l, loads)
    // a joint that was there already has its own support and loads
    out = copyAtJoints(
      out,
      p,
      joints.filter((id) => placed.fresh.has(id)),
      placed.to,
      {
        supports: supports ? (s) => s : undefined,
        loads: loads ? (l) => l : undefined,
      },
    )
    if (connect)
      for (const id of joints.filter((j) => !supports || !p.supports?.some((s) => s.node === j)))
        out = connected(
          out,
          before.get(id)!,
          placed.to.get(id)!,
          p.members.find((m) => m.start === id || m.end === id),
        )
    before = placed.to
  }
  return out
}

/**
 * Mirrors a selection in a line x = `about` (axis 'vertical') or y = `about`: as a copy with its supports and
 * loads, joints on the line shared; or, without `copy`, in its place.
 */
export function mirrorSelection(
  p: Problem,
  selection: Selection,
  axis: 'vertical' | 'horizontal',
  about: number,
  copy = true,
): Problem {
  const flip = ({ x, y }: Point): Point =>
    axis === 'vertical' ? { x: 2 * about - x, y } : { x, y: 2 * about - y }
  const joints = jointsOf(p, selection)
  const members = membersOf(p, selection)
  const mirrorLoad = (l: Load) => mirroredLoad(l, axis)
  if (copy) {
    const placed = placeCopies(p, p, joints, flip, (n) => flippedWords(p, n, axis, about))
    const out = copyMembers(placed.problem, p, members, placed.to, mirrorLoad, true)
    const own = joints.filter((id) => placed.fresh.has(id))
    return copyAtJoints(out, p, own, placed.to, {
      supports: (s) => mirroredSupport(s, axis),
      loads: mirrorLoad,
    })
  }
  const m = measure(p)
  return produce(p, (d) => {
    for (const n of d.nodes) {
      const at = m.at.get(n.id)
      if (!at || !joints.includes(n.id)) continue
      Object.assign(n, flippedWords(p, { ...n }, axis, about))
    }
    if (d.supports)
      d.supports = d.supports.map((s) => (joints.includes(s.node) ? mirroredSupport(s, axis) : s))
    for (const c of d.loadCases ?? [])
      c.loads = c.loads.map((l) =>
        (l.type === 'nodal' ? joints.includes(l.node) : members.includes(l.member)) ? mirrorLoad(l) : l,
      )
    // values of the structure as a whole have an image where all of it is mirrored
    const isWhole = members.length === p.members.length && joints.length === p.nodes.length
    const inImage = (a: Answer) =>
      a.member !== undefined
        ? members.includes(a.member)
        : a.node !== undefined
          ? joints.includes(a.node)
          : isWhole
    if (p.answers) d.answers = p.answers.map((a) => (inImage(a) ? mirroredAnswer(a, axis) : a))
    if (p.view) d.view = mirroredView(p, members)
  })
}

/** The mirrored coordinates of a joint, kept in words where they are an expression. */
function flippedWords(p: Problem, n: Node, axis: 'vertical' | 'horizontal', about: number) {
  const flipped = (q: Quantity) =>
    lengthSum(p, [
      { times: 2, of: about },
      { times: -1, of: q },
    ])
  return axis === 'vertical' ? { x: flipped(n.x), y: n.y } : { x: n.x, y: flipped(n.y) }
}

/**
 * Puts a copy of each joint where `place` says, stated as `words` says, or takes the joint that is there.
 * @returns the new problem, the copy of each joint, and those whose copy is a new joint
 */
function placeCopies(
  out: Problem,
  source: Problem,
  joints: readonly string[],
  place: (at: Point) => Point,
  words: (n: Node) => { x: Quantity; y: Quantity },
) {
  const m = measure(source)
  const near = 1e-6 * Math.max(m.extent, 1e-9)
  const present = measure(out).at
  const to = new Map<string, string>()
  const fresh = new Set<string>()
  const stated = new Map(source.nodes.map((n) => [n.id, n]))
  let problem = out
  for (const id of joints) {
    const target = place(m.at.get(id)!)
    const there = [...present].find(([, q]) => Math.hypot(q.x - target.x, q.y - target.y) <= near)?.[0]
    if (there !== undefined) {
      to.set(id, there)
      continue
    }
    const label = nextNodeLabel(problem)
    to.set(id, label)
    fresh.add(id)
    const { x, y } = words(stated.get(id)!)
    const clean = (q: Quantity) => (typeof q === 'number' ? tidyPlace(q, m.extent) : q)
    problem = produce(problem, (d) => {
      d.nodes.push({ id: label, x: clean(x), y: clean(y) })
    })
  }
  return { problem, to, fresh }
}

const joins = (p: Problem, a: string, b: string) =>
  p.members.some((m) => (m.start === a && m.end === b) || (m.start === b && m.end === a))

function connected(p: Problem, a: string, b: string, like: Member | undefined): Problem {
  if (a === b || joins(p, a, b)) return p
  const { material, section, type } = like ?? p.members[p.members.length - 1] ?? {}
  return produce(p, (d) => {
    d.members.push({
      id: memberLabel(p, a, b),
      start: a,
      end: b,
      ...(material && { material }),
      ...(section && { section }),
      ...(type && { type }),
    })
  })
}

function copyMembers(
  out: Problem,
  source: Problem,
  ids: readonly string[],
  to: ReadonlyMap<string, string>,
  load: (l: Load) => Load,
  withLoads: boolean,
): Problem {
  return ids.reduce((p, id) => {
    const original = source.members.find((m) => m.id === id)
    const [a, b] = [to.get(original?.start ?? ''), to.get(original?.end ?? '')]
    if (!original || a === undefined || b === undefined || a === b || joins(p, a, b)) return p
    const member: Member = { ...original, id: memberLabel(p, a, b), start: a, end: b }
    return produce(p, (d) => {
      d.members.push(member)
      if (!withLoads) return
      for (const c of d.loadCases ?? [])
        for (const l of source.loadCases?.find((o) => o.id === c.id)?.loads ?? [])
          if (l.type !== 'nodal' && l.member === id) c.loads.push({ ...load(l), member: member.id } as Load)
    })
  }, out)
}

function copyAtJoints(
  out: Problem,
  source: Problem,
  joints: readonly string[],
  to: ReadonlyMap<string, string>,
  how: { supports?: (s: Support) => Support; loads?: (l: Load) => Load },
): Problem {
  return produce(out, (d) => {
    for (const id of joints) {
      const node = to.get(id)!
      if (node === id) continue
      const support = source.supports?.find((s) => s.node === id)
      if (how.supports && support && !d.supports?.some((s) => s.node === node))
        (d.supports ??= []).push({ ...how.supports(support), node })
      if (how.loads)
        for (const c of d.loadCases ?? [])
          for (const l of source.loadCases?.find((o) => o.id === c.id)?.loads ?? [])
            if (l.type === 'nodal' && l.node === id) c.loads.push({ ...how.loads(l), node } as Load)
    }
  })
}

const turned = (raw: Quantity): Quantity => scaled(raw, -1)

function mirroredSupport(s: Support, axis: 'vertical' | 'horizontal'): Support {
  const out: Support = { ...s }
  if (s.angle !== undefined) out.angle = turned(s.angle)
  if (s.settlement) {
    const flip = (key: 'x' | 'y' | 'rotation') =>
      s.settlement![key] === undefined ? {} : { [key]: turned(s.settlement![key]) }
    out.settlement = { ...s.settlement, ...flip(axis === 'vertical' ? 'x' : 'y'), ...flip('rotation') }
  }
  return out
}
