import { produce } from 'immer'
import * as D from '../../quantity/dimension.js'
import { siPerCoherent } from '../../quantity/units.js'
import { addMembers } from './edits.js'
import { nextNodeLabel } from '../labels.js'
import { measure, tidy, type Measure, type Point } from '../measure.js'
import { findJoint, findMember, pairsOf } from '../names.js'
import { typedAngle } from '../typed.js'
import { splitMemberAt } from './split.js'
import type { Problem } from '../types.js'

/**
 * Relative tolerance: a place closer than this fraction of the extent to a joint or member counts as being on
 * it.
 */
const NEAR = 1e-6

const nearness = (m: Measure) => NEAR * Math.max(m.extent, 1e-6)

/** A joint at a place: the one that stands there, or a new one, which splits a member it lies on. */
export function placeNode(p: Problem, x: number, y: number): { problem: Problem; id: string } {
  const m = measure(p)
  for (const [id, q] of m.at) if (Math.hypot(q.x - x, q.y - y) <= nearness(m)) return { problem: p, id }
  const id = nextNodeLabel(p)
  const problem = produce(p, (d) => void d.nodes.push({ id, x: tidy(x), y: tidy(y) }))
  return { problem: joinOnMembers(problem, id, m), id }
}

/** Splits every member that a joint lies on. */
export function joinOnMembers(p: Problem, id: string, m: Measure = measure(p)): Problem {
  const q = measure(p).at.get(id)
  if (!q) return p
  return p.members.reduce((out, member) => {
    const [a, b] = [m.at.get(member.start), m.at.get(member.end)]
    if (!a || !b || member.start === id || member.end === id) return out
    const share = shareOn(a, b, q, nearness(m))
    return share === undefined ? out : splitMemberAt(out, member.id, id, share)
  }, p)
}

/** How far along from a to b a point lies between them; undefined when it is not on the line. */
function shareOn(a: Point, b: Point, q: Point, near: number): number | undefined {
  const L = Math.hypot(b.x - a.x, b.y - a.y)
  if (!(L > 0)) return undefined
  const off = Math.abs((b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x)) / L
  const along = ((q.x - a.x) * (b.x - a.x) + (q.y - a.y) * (b.y - a.y)) / L
  return off <= near && along > near && along < L - near ? along / L : undefined
}

/** Joins two joints in one stroke: through every joint that stands on the line between them. */
export function joinThrough(p: Problem, from: string, to: string): Problem {
  const m = measure(p)
  const [a, b] = [m.at.get(from), m.at.get(to)]
  if (!a || !b || from === to) return p
  const between = [...m.at].flatMap(([id, q]) => {
    const share = id === from || id === to ? undefined : shareOn(a, b, q, nearness(m))
    return share === undefined ? [] : [{ id, share }]
  })
  return addMembers(p, [from, ...between.sort((u, v) => u.share - v.share).map((u) => u.id), to])
}

/**
 * A step from a place, as typed while drawing: `4` along the pointed direction, `3, 2` so far right and up,
 * `5 at 30`
 * so far at an angle (degrees unless it says otherwise).
 * @param pointed the direction the pointer shows, any length
 * @returns the step in the problem's length unit, or a sentence
 */
export function readStep(text: string, p: Problem, pointed: Point): Point | { message: string } {
  const { reader } = measure(p)
  const length = (t: string) => {
    const r = reader.read(t, D.length)
    return r.ok ? r.si / siPerCoherent(p.units, D.length) : r.message
  }
  const polar = /^(.*?)\s*(?:\bat\b|∠|<)\s*(.*)$/.exec(text)
  if (polar) {
    const angle = reader.read(typedAngle(polar[2], reader), D.angle)
    const L = length(polar[1])
    if (typeof L === 'string') return { message: L }
    return angle.ok
      ? { x: tidy(L * Math.cos(angle.si)), y: tidy(L * Math.sin(angle.si)) }
      : { message: angle.message }
  }
  const parts = text.split(/[,;]/)
  if (parts.length > 2) return { message: 'Write how far right and how far up, such as 3, 2.' }
  const values = parts.map((t) => length(t.trim()))
  const wrong = values.find((v) => typeof v === 'string')
  if (typeof wrong === 'string') return { message: wrong }
  const [u, v] = values as number[]
  if (v !== undefined) return { x: u, y: v }
  const L = Math.hypot(pointed.x, pointed.y)
  if (!(L > 0)) return { message: 'Point in a direction first, or write how far right and up: 3, 2.' }
  return { x: tidy((u * pointed.x) / L), y: tidy((u * pointed.y) / L) }
}

const RELATIVE = /^(?:from\s+)?(\S+)\s*[:+]\s*(.+)$/
const MEETING = /^(\S.*?)\s+(?:meets|and|×|x)\s+(\S.*)$/

/**
 * A joint stated by others: `from A: 3, 2`, `A: 5 at 30`, or `AB meets CD` for the place where two members'
 * lines cross.
 * @returns the place in the problem's length unit; undefined when the text is none of these; or a sentence
 */
export function readRelative(text: string, p: Problem): Point | { message: string } | undefined {
  const m = measure(p)
  const meeting = MEETING.exec(text.trim())
  if (meeting) {
    const lines = meeting.slice(1, 3).map((text) => lineNamed(p, text))
    const wrong = lines.find((l) => 'message' in l)
    if (wrong && 'message' in wrong) return wrong
    const [a, b, c, d] = lines.flatMap((l) => ('message' in l ? [] : [m.at.get(l.start)!, m.at.get(l.end)!]))
    const det = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x)
    if (Math.abs(det) <= 1e-9 * m.extent ** 2)
      return { message: 'These two lines are parallel: they meet nowhere.' }
    const s = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / det
    return { x: tidy(a.x + s * (b.x - a.x)), y: tidy(a.y + s * (b.y - a.y)) }
  }
  const relative = RELATIVE.exec(text.trim())
  if (!relative) return undefined
  const from = m.at.get(findJoint(p, relative[1]) ?? '')
  if (!from) return { message: `There is no joint ${relative[1]}.` }
  const step = readStep(relative[2], p, { x: 1, y: 0 })
  return 'message' in step ? step : { x: tidy(from.x + step.x), y: tidy(from.y + step.y) }
}

/** The line of a member, or through two joints that no member joins. */
function lineNamed(p: Problem, text: string): { start: string; end: string } | { message: string } {
  const found = findMember(p, text)
  if (found.ok) return p.members.find((m) => m.id === found.member)!
  const pairs = pairsOf(p, text)
  return pairs.length === 1 ? { start: pairs[0][0], end: pairs[0][1] } : { message: found.message }
}
