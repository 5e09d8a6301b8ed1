import { removeLoad, removeMembers } from '../document/edits/edits.js'
import { coincident, mergeNodes } from '../document/edits/merge.js'
import { measure, type Measure } from '../document/measure.js'
import { crossing, joinCrossing } from '../document/edits/split.js'
import { splitMemberAt } from './whole-values.js'
import type { Member, Problem, ProblemError } from '../document/types.js'
import { isIdleLoad } from '../kinds/loads/index.js'
import { holding } from './holding.js'
import { missingValues } from './missing-values.js'
import { membersNear } from './nearness.js'

/** Something doubtful in a statement, with the place it concerns and, where there is one, a repair. */
export interface Doubt {
  kind:
    | 'invalid'
    | 'coincident'
    | 'duplicate'
    | 'overlap'
    | 'loose-joint'
    | 'crossing'
    | 'unreached'
    | 'unsupported'
    | 'unloaded'
    | 'separate'
    | 'idle'
    | 'missing-value'
  /**
   * `error` keeps the problem from being solved or kept, `warning` is likely a slip, `note` may well be
   * meant.
   */
  severity: 'error' | 'warning' | 'note'
  path: string
  message: string
  nodes: string[]
  members: string[]
  repair?: { label: string; apply: (p: Problem) => Problem }
}

/** Limit on the doubts of one kind that are listed. */
const MOST = 20
/** Relative tolerance: a joint closer to the line of a member than this fraction of the extent lies on it. */
const ON_LINE = 1e-6

/**
 * Finds what is doubtful in a problem: joints at one place, members without length, doubled or overlapping,
 * joints on a
 * member that do not join it, crossings, parts without support or apart from the rest, nothing acting on it.
 * @param errors what the reader refuses in it, if anything
 */
export function doubts(p: Problem, errors: readonly ProblemError[] = []): Doubt[] {
  const m = measure(p)
  const all = [
    ...errors.map((e) => refused(p, e)),
    ...coincidentJoints(p, m),
    ...doubles(p),
    ...onMembers(p, m),
    ...holding(p),
    ...idle(p),
    ...missingValues(p),
  ]
  const count = new Map<string, number>()
  return all.filter(({ kind }) => {
    count.set(kind, (count.get(kind) ?? 0) + 1)
    return count.get(kind)! <= MOST
  })
}

function refused(p: Problem, { path, message }: ProblemError): Doubt {
  const member = /^members\[(\d+)\]$/.exec(path)
  const id = member ? p.members[Number(member[1])]?.id : undefined
  return {
    kind: 'invalid',
    severity: 'error',
    path,
    message,
    nodes: [],
    members: id === undefined ? [] : [id],
    ...(id === undefined
      ? {}
      : { repair: { label: `Take out ${id}`, apply: (q: Problem) => removeMembers(q, [id]) } }),
  }
}

function coincidentJoints(p: Problem, m: Measure): Doubt[] {
  return coincident(p, m).map(([kept, gone]) => ({
    kind: 'coincident',
    severity: 'warning',
    path: `nodes[${p.nodes.findIndex((n) => n.id === gone)}]`,
    message: `${kept} and ${gone} stand at the same place, but are two joints.`,
    nodes: [kept, gone],
    members: [],
    repair: { label: `Make one joint of them, ${kept}`, apply: (q) => mergeNodes(q, kept, gone) },
  }))
}

function doubles(p: Problem): Doubt[] {
  const seen = new Map<string, Member>()
  return p.members.flatMap((member, i): Doubt[] => {
    const key = [member.start, member.end].sort().join('\n')
    const first = seen.get(key)
    if (!first) {
      seen.set(key, member)
      return []
    }
    return [
      {
        kind: 'duplicate',
        severity: 'warning',
        path: `members[${i}]`,
        message: `${first.id} and ${member.id} join the same two joints, ${member.start} and ${member.end}.`,
        nodes: [],
        members: [first.id, member.id],
        repair: { label: `Take out ${member.id}`, apply: (q) => removeMembers(q, [member.id]) },
      },
    ]
  })
}

/** Joints that lie on a member without joining it, members that lie on one another, and crossings. */
function onMembers(p: Problem, m: Measure): Doubt[] {
  const out: Doubt[] = []
  const near = membersNear(p, m)
  p.members.forEach((member, i) => {
    const [a, b] = [m.at.get(member.start), m.at.get(member.end)]
    if (!a || !b) return
    const L = Math.hypot(b.x - a.x, b.y - a.y)
    if (!(L > 0)) return
    for (const id of near.nodes(i)) {
      const q = m.at.get(id)!
      const along = ((q.x - a.x) * (b.x - a.x) + (q.y - a.y) * (b.y - a.y)) / L
      const off = Math.abs((b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x)) / L
      const end = ON_LINE * m.extent
      if (id === member.start || id === member.end || off > end || along <= end || along >= L - end) continue
      const over = p.members.find(
        (o) =>
          o !== member &&
          [o.start, o.end].includes(id) &&
          [o.start, o.end].some((e) => e === member.start || e === member.end) &&
          lies(m, o, member),
      )
      out.push({
        kind: over ? 'overlap' : 'loose-joint',
        severity: 'warning',
        path: `members[${i}]`,
        message: over
          ? `${member.id} lies on ${over.id}: the two overlap without being joined at ${id}.`
          : `${id} lies on ${member.id} without joining it.`,
        nodes: [id],
        members: over ? [member.id, over.id] : [member.id],
        repair: over
          ? {
              label: `Join ${member.id} at ${id}`,
              apply: (q) => withoutDoublesOf(q, splitMemberAt(q, member.id, id, along / L)),
            }
          : { label: `Join ${member.id} to ${id}`, apply: (q) => splitMemberAt(q, member.id, id, along / L) },
      })
    }
    for (const j of near.members(i)) {
      const other = p.members[j]
      if (j <= i || !crossing(m, member, other)) continue
      out.push({
        kind: 'crossing',
        severity: 'note',
        path: `members[${i}]`,
        message: `${member.id} and ${other.id} cross without being joined.`,
        nodes: [],
        members: [member.id, other.id],
        repair: { label: 'Put a joint where they cross', apply: (q) => joinCrossing(q, member.id, other.id) },
      })
    }
  })
  return out
}

/** Whether both ends of a member lie on the line of another. */
function lies(m: Measure, one: Member, on: Member): boolean {
  const [a, b] = [m.at.get(on.start)!, m.at.get(on.end)!]
  const L = Math.hypot(b.x - a.x, b.y - a.y)
  return [one.start, one.end].every((id) => {
    const q = m.at.get(id)!
    return Math.abs((b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x)) / L <= ON_LINE * m.extent
  })
}

/** After an overlap is split, its halves may double members that were there before. */
function withoutDoublesOf(before: Problem, p: Problem): Problem {
  const pair = (m: Member) => [m.start, m.end].sort().join('\n')
  const there = new Map(before.members.map((m) => [m.id, m]))
  const pairs = new Set(p.members.filter((m) => there.get(m.id) === m).map(pair))
  return removeMembers(
    p,
    p.members.filter((m) => there.get(m.id) !== m && pairs.has(pair(m))).map((m) => m.id),
  )
}

/** Doubts about loading: no load acts, or every load is zero. */
function idle(p: Problem): Doubt[] {
  if (p.members.length === 0) return []
  const cases = p.loadCases ?? []
  const settles = (p.supports ?? []).some((s) => s.settlement)
  const acting = cases.some((c) => c.loads.length > 0 || (c.selfWeight ?? 0) !== 0)
  if (!acting && !settles)
    return [
      {
        kind: 'unloaded',
        severity: 'note',
        path: 'loadCases',
        message: 'Nothing acts on the structure yet.',
        nodes: [],
        members: [],
      },
    ]
  return cases.flatMap((c, ci): Doubt[] =>
    c.loads.flatMap((l, i): Doubt[] => {
      if (!isIdleLoad(l)) return []
      return [
        {
          kind: 'idle',
          severity: 'note',
          path: `loadCases[${ci}].loads[${i}]`,
          message: `A load on ${l.type === 'nodal' ? l.node : l.member} has no value.`,
          nodes: l.type === 'nodal' ? [l.node] : [],
          members: l.type === 'nodal' ? [] : [l.member],
          repair: { label: 'Take it out', apply: (q) => removeLoad(q, c.id, i) },
        },
      ]
    }),
  )
}
