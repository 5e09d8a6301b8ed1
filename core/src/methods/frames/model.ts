import { fixedEndForces, memberStiffness } from '../../analysis/element.js'
import type { Actions } from '../../structure/actions.js'
import type { Structure, StructureMember, StructureSupport } from '../../structure/types.js'
import { elongationOf, resultantOf } from './loads.js'
import { motionOf, type Condition, type Motion } from './kinematics.js'
import { withoutOverhangs, type Overhang } from './overhangs.js'

/** A member end: it turns with its joint, or its moment is known. */
export type End = { known?: number }

/**
 * A member that bends, as slope–deflection and moment distribution see it. Moments on its ends,
 * counter-clockwise positive, are `fixed[i] + Σ stiffness[i][j]·(rotation[j] − chord rotation)`.
 */
export interface Beam {
  member: number
  /** Joints at its start and end. */
  nodes: [number, number]
  ends: [End, End]
  /** Both ends held, before any release, N·m. */
  heldBoth: [number, number]
  /** Its ends held that turn with their joints; a known moment at the other, N·m. */
  fixed: [number, number]
  /** N·m for a turn of 1. */
  stiffness: [[number, number], [number, number]]
  /** One end has a known moment. */
  modified: boolean
  /** Springs at its ends have changed its stiffness. */
  sprung: boolean
}

/** A way the joints may move without any member changing its length. */
export interface Sway {
  node: number
  component: 'x' | 'y'
  /** Displacements of the joints, m, for 1 m of it. */
  u: Float64Array
  /** Chord rotations of the members for 1 m of it, by member. */
  chords: Float64Array
}

/** A frame or beam whose members keep their length, prepared for its equations in rotations and sways. */
export interface RigidFrame {
  structure: Structure
  beams: Beam[]
  overhangs: Overhang[]
  /** Joints whose rotation is sought. */
  joints: number[]
  /** Rotations prescribed by supports, by joint. */
  held: Map<number, number>
  sways: Sway[]
  /** Chord rotations from settlements, temperature and misfit, by member. */
  given: Float64Array
  /** Couples on the joints, those of overhangs included, N·m. */
  couples: Float64Array
  /** Rotational springs of the supports, by joint, N·m. */
  springs: Map<number, number>
  /** Work of the loads and of the springs at rest, N·m, for 1 m of each sway. */
  work: number[]
  /** Work of the springs of supports for 1 m of each sway, for 1 m of each other: a stiffness, N/m. */
  springWork: number[][]
}

const chordOf = (m: StructureMember, u: ArrayLike<number>): number =>
  (-m.sin * (u[2 * m.end] - u[2 * m.start]) + m.cos * (u[2 * m.end + 1] - u[2 * m.start + 1])) / m.length

/** A direction that a support holds: its cosines, its hold and what is prescribed along it. */
function heldLines(s: Structure, actions: Actions) {
  return s.supports.flatMap((p, i) =>
    (['x', 'y'] as const).flatMap((key) => {
      const hold = p.hold[key]
      if (hold === false) return []
      const [c, d] =
        key === 'x' ? [Math.cos(p.angle), Math.sin(p.angle)] : [-Math.sin(p.angle), Math.cos(p.angle)]
      return [{ node: p.node, c, d, hold, value: actions.settlement[i] * p.settlement[key] }]
    }),
  )
}

/**
 * Whether all joints lie on one level: then lengths have no influence, and nothing is asked along the beam.
 */
export const isLevel = (s: Structure): boolean =>
  s.nodes.every((n) => Math.abs(n.y - s.nodes[0].y) <= 1e-9 * Math.max(1, ...s.members.map((m) => m.length)))

function conditions(s: Structure, actions: Actions, left: ReadonlySet<number>): Condition[] {
  const out: Condition[] = []
  for (const h of heldLines(s, actions))
    if (h.hold === true)
      out.push({
        row: new Map([
          [2 * h.node, h.c],
          [2 * h.node + 1, h.d],
        ]),
        value: h.value,
      })
  const level = isLevel(s)
  if (level) s.nodes.forEach((_, i) => out.push({ row: new Map([[2 * i, 1]]), value: 0 }))
  if (level)
    return out.filter(
      (k) => [...k.row].some(([c, v]) => c % 2 === 1 && Math.abs(v) > 1e-9) || k.row.size === 1,
    )
  for (const i of left) {
    const m = s.members[i]
    out.push({
      row: new Map([
        [2 * m.start, -m.cos],
        [2 * m.start + 1, -m.sin],
        [2 * m.end, m.cos],
        [2 * m.end + 1, m.sin],
      ]),
      value: elongationOf(m, actions.members.get(i)),
    })
  }
  return out
}

/**
 * The order in which displacements are solved for: the level ones of the lowest joints of a storey stay
 * free.
 */
function orderOf(s: Structure, there: ReadonlySet<number>): number[] {
  const nodes = [...there]
  const leftmost = (i: number) =>
    nodes.every((k) => Math.abs(s.nodes[k].y - s.nodes[i].y) > 1e-6 || s.nodes[k].x >= s.nodes[i].x - 1e-9)
  const first = nodes.filter(leftmost)
  const others = nodes.filter((i) => !leftmost(i))
  return [
    ...nodes.map((i) => 2 * i + 1),
    ...others.map((i) => 2 * i),
    ...first.sort((a, b) => s.nodes[a].y - s.nodes[b].y).map((i) => 2 * i),
  ]
}

/**
 * The frame under some actions; undefined where what is prescribed contradicts the lengths of its members.
 */
export function rigidFrame(s: Structure, actions: Actions): RigidFrame | undefined {
  const { nodal, overhangs } = withoutOverhangs(s, actions)
  const gone = new Set(overhangs.map((o) => o.member))
  const left = new Set([...s.members.keys()].filter((i) => !gone.has(i)))
  const there = new Set([...left].flatMap((i) => [s.members[i].start, s.members[i].end]))
  const order = orderOf(s, there)
  const usable = conditions(s, actions, left).filter((k) => [...k.row.keys()].every((c) => order.includes(c)))
  const motion = motionOf(2 * s.nodes.length, usable, order)
  if (!motion) return undefined
  const couples = Float64Array.from(s.nodes, (_, i) => nodal[3 * i + 2])
  const beams = beamsOf(s, actions, left, couples)
  const { joints, held, springs } = rotationsOf(s, actions, beams)
  const sways = motion.modes.map(({ column, u }): Sway => ({
    node: Math.floor(column / 2),
    component: column % 2 === 0 ? 'x' : 'y',
    u,
    chords: Float64Array.from(s.members, (m, i) => (left.has(i) ? chordOf(m, u) : 0)),
  }))
  const given = Float64Array.from(s.members, (m, i) => (left.has(i) ? chordOf(m, motion.given) : 0))
  const { work, springWork } = worksOf(s, actions, nodal, left, motion, sways)
  return { structure: s, beams, overhangs, joints, held, sways, given, couples, springs, work, springWork }
}

/** Work for 1 m of each sway: of the loads on joints and members, and of the springs of supports. */
function worksOf(
  s: Structure,
  actions: Actions,
  nodal: Float64Array,
  left: ReadonlySet<number>,
  motion: Motion,
  sways: readonly Sway[],
) {
  const springs = heldLines(s, actions).filter((h) => typeof h.hold === 'number')
  const along = (h: (typeof springs)[number], u: ArrayLike<number>) =>
    h.c * u[2 * h.node] + h.d * u[2 * h.node + 1]
  const work = sways.map(({ u, chords }) => {
    let sum = 0
    s.nodes.forEach((_, i) => (sum += nodal[3 * i] * u[2 * i] + nodal[3 * i + 1] * u[2 * i + 1]))
    for (const i of left) {
      const m = s.members[i]
      const r = resultantOf(actions.members.get(i))
      const [x, y] = [u[2 * m.start], u[2 * m.start + 1]]
      sum += r.along * (m.cos * x + m.sin * y) + r.across * (-m.sin * x + m.cos * y) + r.moment * chords[i]
    }
    for (const h of springs) sum -= (h.hold as number) * (along(h, motion.given) - h.value) * along(h, u)
    return sum
  })
  const springWork = sways.map((a) =>
    sways.map((b) => springs.reduce((t, h) => t + (h.hold as number) * along(h, a.u) * along(h, b.u), 0)),
  )
  return { work, springWork }
}

const supportAt = (s: Structure, node: number): StructureSupport | undefined =>
  s.supports.find((p) => p.node === node)

/** Ends whose moment is known: hinged, or alone at a joint that nothing holds from turning. */
function endOf(s: Structure, left: ReadonlySet<number>, couples: Float64Array, i: number, e: 0 | 1): End {
  const m = s.members[i]
  if (m.releases[3 * e + 2] === true) return { known: 0 }
  const node = e === 0 ? m.start : m.end
  if ((supportAt(s, node)?.hold.rotation ?? false) !== false) return {}
  const turning = [...left].filter((k) => {
    const o = s.members[k]
    return (
      !o.bar && ((o.start === node && o.releases[2] !== true) || (o.end === node && o.releases[5] !== true))
    )
  })
  return turning.length === 1 ? { known: couples[node] } : {}
}

function beamsOf(s: Structure, actions: Actions, left: ReadonlySet<number>, couples: Float64Array): Beam[] {
  return [...left].flatMap((i): Beam[] => {
    const m = s.members[i]
    if (m.bar) return []
    const acting = actions.members.get(i)
    const held = acting ? fixedEndForces(m, memberStiffness(m), acting) : new Float64Array(6)
    const ends: Beam['ends'] = [endOf(s, left, couples, i, 0), endOf(s, left, couples, i, 1)]
    const plain: Beam = {
      member: i,
      nodes: [m.start, m.end],
      ends,
      heldBoth: [held[2], held[5]],
      fixed: [held[2], held[5]],
      stiffness: [
        [(4 * m.EI) / m.length, (2 * m.EI) / m.length],
        [(2 * m.EI) / m.length, (4 * m.EI) / m.length],
      ],
      modified: false,
      sprung: false,
    }
    return [withKnownEnds(withSprungEnds(plain, m))]
  })
}

/** Springs between an end and its joint: (I + k·S⁻¹)⁻¹ of stiffness and fixed-end moments. */
function withSprungEnds(b: Beam, m: StructureMember): Beam {
  const [s0, s1] = [m.releases[2], m.releases[5]].map((r) => (typeof r === 'number' && r > 0 ? 1 / r : 0))
  if (s0 === 0 && s1 === 0) return b
  const [[a, c], [, d]] = b.stiffness
  const [p, q, r, t] = [1 + a * s0, c * s1, c * s0, 1 + d * s1]
  const det = p * t - q * r
  const solve = (x: number, y: number): [number, number] => [(t * x - q * y) / det, (p * y - r * x) / det]
  const [k00, k10] = solve(a, c)
  const [k01, k11] = solve(c, d)
  return {
    ...b,
    sprung: true,
    fixed: solve(...b.fixed),
    stiffness: [
      [k00, k01],
      [k10, k11],
    ],
  }
}

/**
 * An end of known moment follows by itself: the other one has the modified stiffness and fixed-end moment.
 */
function withKnownEnds(b: Beam): Beam {
  const known = b.ends.map((e) => e.known)
  if (known[0] !== undefined && known[1] !== undefined)
    return {
      ...b,
      modified: true,
      fixed: [known[0], known[1]],
      stiffness: [
        [0, 0],
        [0, 0],
      ],
    }
  const j = known.findIndex((k) => k !== undefined)
  if (j < 0) return b
  const i = 1 - j
  const k = b.stiffness
  const carried = k[i][j] / k[j][j]
  const fixed: [number, number] = [0, 0]
  fixed[j] = known[j]!
  fixed[i] = b.fixed[i] + carried * (known[j]! - b.fixed[j])
  const own = k[i][i] - carried * k[j][i]
  const stiffness: Beam['stiffness'] =
    i === 0
      ? [
          [own, 0],
          [0, 0],
        ]
      : [
          [0, 0],
          [0, own],
        ]
  return { ...b, modified: true, fixed, stiffness }
}

/** Which rotations are sought, which are prescribed, and the springs that resist them. */
function rotationsOf(s: Structure, actions: Actions, beams: readonly Beam[]) {
  const turning = new Set(beams.flatMap((b) => b.nodes.filter((_, e) => b.ends[e].known === undefined)))
  const held = new Map<number, number>()
  const springs = new Map<number, number>()
  s.supports.forEach((p, i) => {
    const { rotation } = p.hold
    if (rotation === true) held.set(p.node, actions.settlement[i] * p.settlement.rotation)
    else if (rotation !== false) springs.set(p.node, rotation)
  })
  return { joints: [...turning].filter((n) => !held.has(n)).sort((a, b) => a - b), held, springs }
}
