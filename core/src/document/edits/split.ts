import { produce } from 'immer'
import type { Cut } from '../../kinds/loads/kind.js'
import { splitAnswers } from '../../kinds/answers/index.js'
import { splitLoad } from '../../kinds/loads/index.js'
import { memberLabel, nextNodeLabel } from '../labels.js'
import { measure, tidyPlace, type Measure } from '../measure.js'
import type { Member, Problem } from '../types.js'
import { splitView } from './view-of-member.js'

/** The shortest part a member is split into, of its length: shorter ones would be joints at one place. */
const SHORTEST = 1e-6

/**
 * Splits a member at a joint that lies on it, `share` of its length from the start. What acts on it goes to
 * the half it stands on; released ends stay where they are. The halves are as one to the structure: rigidly
 * joined.
 */
export function splitMemberAt(p: Problem, id: string, node: string, share: number): Problem {
  const index = p.members.findIndex((m) => m.id === id)
  const whole = p.members[index]
  if (!whole || node === whole.start || node === whole.end || !(share > 0 && share < 1)) return p
  const m = measure(p)
  const L = m.length(whole.start, whole.end)
  const [first, second] = halves(p, whole, node)
  const cut: Cut = { m, whole: id, L, cut: share * L, share, first: first.id, second: second.id }
  return produce(p, (d) => {
    d.members.splice(index, 1, first, second)
    for (const c of d.loadCases ?? [])
      c.loads = c.loads.flatMap((l) => (l.type !== 'nodal' && l.member === id ? splitLoad(l, cut) : [l]))
    if (p.answers) d.answers = splitAnswers(p.answers, cut, [whole.start, whole.end])
    if (p.view) d.view = splitView(p, id, cut)
  })
}

/**
 * Splits a member by new joints at these shares of its length, in order from its start. Returns the problem
 * and the new joints.
 */
export function splitMember(
  p: Problem,
  id: string,
  shares: readonly number[],
): { problem: Problem; nodes: string[] } {
  const whole = p.members.find((m) => m.id === id)
  const m = measure(p)
  const [a, b] = [m.at.get(whole?.start ?? ''), m.at.get(whole?.end ?? '')]
  const sorted = apart(shares)
  const nodes: string[] = []
  if (!whole || !a || !b) return { problem: p, nodes }
  let problem = p
  let rest = id
  let before = 0
  for (const s of sorted) {
    const node = nextNodeLabel(problem)
    nodes.push(node)
    const place = {
      x: tidyPlace(a.x + s * (b.x - a.x), m.extent),
      y: tidyPlace(a.y + s * (b.y - a.y), m.extent),
    }
    problem = produce(problem, (d) => {
      d.nodes.push({ id: node, ...place })
    })
    const index = problem.members.findIndex((o) => o.id === rest)
    problem = splitMemberAt(problem, rest, node, (s - before) / (1 - before))
    rest = problem.members[index + 1].id
    before = s
  }
  return { problem, nodes }
}

/**
 * Shares of a length in order, less those that stand at an end or at the one before: a part would have no
 * length.
 */
function apart(shares: readonly number[]): number[] {
  const kept: number[] = []
  for (const s of [...shares].sort((x, y) => x - y))
    if (s - (kept.at(-1) ?? 0) > SHORTEST && s < 1 - SHORTEST) kept.push(s)
  return kept
}

/** Where two members cross between their ends, as shares of their lengths; undefined when they do not. */
export function crossing(m: Measure, one: Member, other: Member): { one: number; other: number } | undefined {
  const [a, b, c, d] = [one.start, one.end, other.start, other.end].map((id) => m.at.get(id))
  if (!a || !b || !c || !d) return undefined
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y]
  const det = ux * vy - uy * vx
  if (Math.abs(det) <= 1e-9 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return undefined
  const s = ((c.x - a.x) * vy - (c.y - a.y) * vx) / det
  const t = ((c.x - a.x) * uy - (c.y - a.y) * ux) / det
  const inside = (v: number) => v > SHORTEST && v < 1 - SHORTEST
  return inside(s) && inside(t) ? { one: s, other: t } : undefined
}

/** Puts a joint where two members cross and splits both there. */
export function joinCrossing(p: Problem, one: string, other: string): Problem {
  const [a, b] = [one, other].map((id) => p.members.find((m) => m.id === id))
  const at = a && b && crossing(measure(p), a, b)
  if (!at) return p
  const { problem, nodes } = splitMember(p, one, [at.one])
  return splitMemberAt(problem, other, nodes[0], at.other)
}

function halves(p: Problem, whole: Member, node: string): [Member, Member] {
  const others = { ...p, members: p.members.filter((m) => m !== whole) }
  const named = whole.id === memberLabel(others, whole.start, whole.end)
  const without = (end: 'start' | 'end'): Pick<Member, 'releases'> => {
    const kept = whole.releases?.[end]
    return kept ? { releases: { [end]: kept } } : {}
  }
  const like = { ...whole }
  delete like.releases
  const first: Member = {
    ...like,
    id: named ? memberLabel(others, whole.start, node) : whole.id,
    end: node,
    ...without('start'),
  }
  const second: Member = {
    ...like,
    id: memberLabel({ ...others, members: [...others.members, first] }, node, whole.end),
    start: node,
    ...without('end'),
  }
  return [first, second]
}
