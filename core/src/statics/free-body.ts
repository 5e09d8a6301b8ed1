import { sidesAt } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { courseOf } from '../results/courses.js'
import { reactionAt } from '../results/at-node.js'
import { GAUSS, memberPlaces, nodePlaces, type At } from '../results/moved.js'

/** A place in the plane of the structure, m. */
export interface Place {
  x: number
  y: number
}

/**
 * A force on a free body: global components in N, a moment in N·m (counter-clockwise), and where it acts. A
 * distributed load is its resultant at its centroid, with the stretch it is spread over.
 */
export interface BodyForce extends Place {
  kind: 'load' | 'reaction' | 'cut'
  /** The joint or the member whose force it is. */
  of: { node: string } | { member: string }
  fx: number
  fy: number
  m: number
  /** In second order: the place to which the one it acts on has moved; moments are those of there. */
  moved?: Place
  /** The ends of the stretch that a distributed load is spread over. */
  spread?: readonly [Place, Place]
  /** Of a cut: N, V, M of the member there, in its own sign convention. */
  internal?: { N: number; V: number; M: number }
}

/** A piece of a member, from x0 to x1 in m from its start. */
export interface Piece {
  member: number
  x0: number
  x1: number
}

/** The part of a structure that is looked at by itself: some joints and pieces of members. */
export interface Part {
  joints: ReadonlySet<number>
  pieces: readonly Piece[]
}

/** The whole structure as a part: nothing is cut. */
export const wholePart = ({ structure: s }: Solution): Part => ({
  joints: new Set(s.nodes.keys()),
  pieces: s.members.map((m, member) => ({ member, x0: 0, x1: m.length })),
})

/** A joint by itself: every member that meets there is cut at its end. */
export const jointPart = (node: number): Part => ({ joints: new Set([node]), pieces: [] })

/** A member by itself, or a piece of it, cut from the joints at its ends. */
export const memberPart = ({ structure: s }: Solution, member: number, x0 = 0, x1?: number): Part => ({
  joints: new Set(),
  pieces: [{ member, x0, x1: x1 ?? s.members[member].length }],
})

/** All forces on a part: loads, reactions, and the internal forces that cuts lay bare. */
export function freeBody(solution: Solution, action: ActionSolution, part: Part): BodyForce[] {
  const out: BodyForce[] = []
  for (const node of part.joints) out.push(...jointForces(solution, action, node))
  for (const piece of part.pieces) out.push(...loadsOn(solution, action, piece))
  out.push(...cutForces(solution, action, part))
  return out
}

const isNothing = (f: Pick<BodyForce, 'fx' | 'fy' | 'm'>) => f.fx === 0 && f.fy === 0 && f.m === 0

/** The place after the loading, where it counts. */
const movedTo = (action: ActionSolution, [x, y]: At): Pick<BodyForce, 'moved'> =>
  action.bent ? { moved: { x, y } } : {}

/** The load and the reaction at a joint. */
function jointForces(solution: Solution, action: ActionSolution, node: number): BodyForce[] {
  const { nodes, supports } = solution.structure
  const { id, x, y } = nodes[node]
  const [fx, fy, m] = action.actions.nodal.subarray(3 * node, 3 * node + 3)
  const where = { x, y, ...movedTo(action, nodePlaces(solution, action)(node)) }
  const load: BodyForce = { kind: 'load', of: { node: id }, ...where, fx, fy, m }
  const out = isNothing(load) ? [] : [load]
  if (!supports.some((p) => p.node === node)) return out
  const r = reactionAt(solution, action, node)
  const reaction: BodyForce = {
    kind: 'reaction',
    of: { node: id },
    ...where,
    fx: r.x,
    fy: r.y,
    m: r.rotation,
  }
  return isNothing(reaction) ? out : [...out, reaction]
}

/** The loads on a piece of a member, each distributed one as its resultant. */
function loadsOn(solution: Solution, action: ActionSolution, { member, x0, x1 }: Piece): BodyForce[] {
  const m = solution.structure.members[member]
  const actions = action.actions.members.get(member)
  if (!actions) return []
  const from = solution.structure.nodes[m.start]
  const at = (x: number): Place => ({ x: from.x + m.cos * x, y: from.y + m.sin * x })
  const along = memberPlaces(solution, action, member, false)
  const force = (x: number, px: number, py: number, couple: number): BodyForce => ({
    kind: 'load',
    of: { member: m.id },
    ...at(x),
    ...movedTo(action, along(x)),
    fx: m.cos * px - m.sin * py,
    fy: m.sin * px + m.cos * py,
    m: couple,
  })
  // a load that stands at a cut belongs to the piece after it; at the member's end, to the last piece
  const near = 1e-9 * m.length
  const inside = (x: number) => x >= x0 - near && (x < x1 - near || x1 >= m.length - near)
  const out = actions.points.filter((p) => inside(p.x)).map((p) => force(p.x, p.fx, p.fy, p.m))
  for (const s of actions.spans) {
    const [a, b] = [Math.max(s.a, x0), Math.min(s.b, x1)]
    if (b - a <= near) continue
    const value = ([q0, q1]: [number, number], x: number) => q0 + ((q1 - q0) * (x - s.a)) / (s.b - s.a)
    const total = (q: [number, number]) => ((value(q, a) + value(q, b)) / 2) * (b - a)
    const lever = (q: [number, number]) => ((value(q, a) + 2 * value(q, b)) / 6) * (b - a) ** 2
    const [px, py] = [total(s.p), total(s.q)]
    // the resultant stands where its moment about a is that of the load across the member
    const x = py === 0 ? (a + b) / 2 : a + lever(s.q) / py
    // a load that changes its sign may have its resultant far off: then a couple takes its place
    const within = x >= a && x <= b
    const mid = within ? x : (a + b) / 2
    const couple = total(s.c) + (within ? 0 : lever(s.q) - py * (mid - a))
    const resultant: BodyForce = { ...force(mid, px, py, couple), spread: [at(a), at(b)] }
    if (resultant.moved) {
      const parts = GAUSS.map(([share, weight]) => {
        const x = a + share * (b - a)
        const [p, q] = [s.p, s.q].map((l) => weight * (b - a) * value(l, x))
        return { ...force(x, p, q, 0), m: weight * (b - a) * value(s.c, x) }
      })
      Object.assign(resultant, centred(resultant, parts, b - a))
    }
    out.push(resultant)
  }
  return out.filter((f) => !isNothing(f))
}

/**
 * A resultant on the bent shape: it stands where its parts have no more moment than it has, or has a couple
 * where that is farther off than the stretch is long.
 */
function centred(
  { fx, fy, m, moved }: BodyForce,
  parts: readonly BodyForce[],
  stretch: number,
): Pick<BodyForce, 'm' | 'moved'> {
  const { x, y } = moved!
  const over = parts.reduce((sum, p) => sum + p.m + (p.moved!.x - x) * p.fy - (p.moved!.y - y) * p.fx, -m)
  const square = fx * fx + fy * fy
  return Math.abs(over) > Math.sqrt(square) * stretch || square === 0
    ? { m: m + over, moved }
    : { m, moved: { x: x + (over * fy) / square, y: y - (over * fx) / square } }
}

/** The forces at every place where the part was cut from the rest. */
function cutForces(solution: Solution, action: ActionSolution, { joints, pieces }: Part): BodyForce[] {
  const { members } = solution.structure
  const out: BodyForce[] = []
  const reached = new Set<string>()
  for (const { member, x0, x1 } of pieces) {
    const m = members[member]
    const near = 1e-9 * m.length
    if (x0 > near || !joints.has(m.start)) out.push(faceForce(solution, action, member, x0, 'after'))
    if (x1 < m.length - near || !joints.has(m.end))
      out.push(faceForce(solution, action, member, x1, 'before'))
    if (x0 <= near) reached.add(`${member} start`)
    if (x1 >= m.length - near) reached.add(`${member} end`)
  }
  members.forEach((m, i) => {
    for (const end of ['start', 'end'] as const) {
      if (!joints.has(m[end]) || reached.has(`${i} ${end}`)) continue
      // the joint bears the opposite of what it does to the member, at its own place
      const own = movedTo(action, nodePlaces(solution, action)(m[end]))
      const face = faceForce(
        solution,
        action,
        i,
        end === 'start' ? 0 : m.length,
        end === 'start' ? 'after' : 'before',
      )
      out.push({ ...face, ...own, fx: -face.fx, fy: -face.fy, m: -face.m })
    }
  })
  return out.filter((f) => !isNothing(f))
}

/** The internal force on the face of a piece that begins after x, or ends before x. */
function faceForce(
  solution: Solution,
  action: ActionSolution,
  member: number,
  x: number,
  piece: 'after' | 'before',
): BodyForce {
  const m = solution.structure.members[member]
  const from = solution.structure.nodes[m.start]
  const sides = sidesAt(courseOf(solution, action, member), x)
  // loads at a cut belong to the piece after it, so both faces see the state before them; at the far end of
  // the member, where its last piece bears them, the state after them
  const { N, V, M } = x >= m.length * (1 - 1e-9) ? sides.right : sides.left
  const sign = piece === 'before' ? 1 : -1
  const [px, py] = [sign * N, -sign * V]
  return {
    kind: 'cut',
    of: { member: m.id },
    x: from.x + m.cos * x,
    y: from.y + m.sin * x,
    ...movedTo(action, memberPlaces(solution, action, member, false)(x)),
    fx: m.cos * px - m.sin * py,
    fy: m.sin * px + m.cos * py,
    m: sign * M,
    internal: { N, V, M },
  }
}

/** One force's part in the three equations of equilibrium about a point. */
export interface Term {
  force: BodyForce
  fx: number
  fy: number
  /** Its moment about the point, N·m, counter-clockwise. */
  m: number
  /** Lever arms of fy and fx about the point, m. */
  dx: number
  dy: number
}

/** The equations of equilibrium of a free body, term by term. */
export interface Balance {
  terms: Term[]
  fx: number
  fy: number
  m: number
  /**
   * The largest magnitude among force and moment terms: a sum is zero when it is small against these. In
   * second order lever arms leave out what members shorten, so that ΣM closes less well.
   */
  scale: { force: number; moment: number }
}

/** ΣFx, ΣFy and ΣM about a point. */
export function balance(forces: readonly BodyForce[], about: Place): Balance {
  const terms = forces.map((force): Term => {
    const at = force.moved ?? force
    const [dx, dy] = [at.x - about.x, at.y - about.y]
    return { force, fx: force.fx, fy: force.fy, m: force.m + dx * force.fy - dy * force.fx, dx, dy }
  })
  const sum = (pick: (t: Term) => number) => terms.reduce((total, t) => total + pick(t), 0)
  const most = (pick: (t: Term) => number[]) => Math.max(0, ...terms.flatMap(pick).map(Math.abs))
  return {
    terms,
    fx: sum((t) => t.fx),
    fy: sum((t) => t.fy),
    m: sum((t) => t.m),
    scale: {
      force: most((t) => [t.fx, t.fy]),
      moment: most((t) => [t.m, t.dx * t.fy, t.dy * t.fx]),
    },
  }
}
