import type { Actions, MemberActions } from '../../structure/actions.js'
import type { Structure, StructureSupport } from '../../structure/types.js'
import { antiderivative, evaluatePolynomial, type Polynomial } from '../../analysis/polynomial.js'
import { intensity, places } from '../../analysis/polynomial-course.js'
import { solveDense } from '../dense.js'
import { actionsOn, chainOf } from '../three-moments/beam.js'
import { isLevel } from '../frames/model.js'

/** A part of the beam along which one polynomial holds; its polynomials are of t, m from its left end. */
export interface Part {
  member: number
  x0: number
  x1: number
  EI: number
  M: Polynomial
  slope: Polynomial
  v: Polynomial
}

/** A reaction across the beam, or against turning, at a place of it. */
export interface BeamReaction {
  support: StructureSupport
  x: number
  component: 'y' | 'rotation'
}

/** A level beam from left to right, worked out by integrating twice. */
export interface IntegratedBeam {
  /** The x of its left end, m. */
  left: number
  length: number
  order: number[]
  reactions: BeamReaction[]
  /** N and N·m, up and counter-clockwise. */
  values: number[]
  parts: Part[]
}

const SAME = 1e-9

/** The members of a beam that can be integrated, from left to right; undefined where it is none. */
export function beamOrder(s: Structure): number[] | undefined {
  if (s.kind === 'truss' || !isLevel(s)) return undefined
  if (s.members.some((m) => m.bar || m.GAs > 0 || m.releases.some((r) => r !== false))) return undefined
  if (s.supports.some((p) => Math.abs(Math.sin(p.angle)) > SAME)) return undefined
  return chainOf(s)
}

/** The state at a place: shear, moment, slope and deflection. */
interface At {
  V: number
  M: number
  slope: number
  v: number
}

/** The beam before it is solved: its loads and reactions from the left end, and where something changes. */
interface Laid {
  s: Structure
  order: readonly number[]
  length: number
  /** The beginning of each member, m from the left end. */
  joints: readonly number[]
  on: MemberActions
  reactions: readonly BeamReaction[]
  breaks: readonly number[]
}

const isNear = ({ length }: { length: number }, a: number, b: number) => Math.abs(a - b) <= 1e-10 * length

const leftOf = (s: Structure, i: number) =>
  Math.min(s.nodes[s.members[i].start].x, s.nodes[s.members[i].end].x)

function laidOut(s: Structure, order: readonly number[], actions: Actions): Laid {
  const left = leftOf(s, order[0])
  const length = order.reduce((sum, i) => sum + s.members[i].length, 0)
  const on = actionsOn(s, { members: [...order], from: -Infinity, to: Infinity }, actions)
  const reactions = s.supports.flatMap((support): BeamReaction[] =>
    (['y', 'rotation'] as const)
      .filter((c) => support.hold[c] !== false)
      .map((component) => ({ support, x: s.nodes[support.node].x - left, component })),
  )
  const joints = order.map((i) => leftOf(s, i) - left)
  const all = [...places(length, on), ...joints].sort((a, b) => a - b)
  const breaks = all.filter((x, k) => k === 0 || !isNear({ length }, x, all[k - 1]))
  return { s, order, length, joints, on, reactions, breaks }
}

/** The unknowns of the beam: the slope and the deflection at its left end, and the reactions. */
interface Unknowns {
  slope: number
  v: number
  R: readonly number[]
}

/** The parts of the beam and the states just right of each break, with the loads or without. */
function march(b: Laid, u: Unknowns, loaded: boolean): { parts: Part[]; states: At[] } {
  const parts: Part[] = []
  const states: At[] = []
  let now: At = { V: 0, M: 0, slope: u.slope, v: u.v }
  b.breaks.forEach((x0, k) => {
    now = passed(b, now, x0, u.R, loaded)
    states.push(now)
    const x1 = b.breaks[k + 1]
    if (x1 === undefined) return
    const { part, V } = partBetween(b, now, x0, x1, loaded)
    parts.push(part)
    const end = (p: Polynomial) => evaluatePolynomial(p, x1 - x0)
    now = { V: end(V), M: end(part.M), slope: end(part.slope), v: end(part.v) }
  })
  return { parts, states }
}

/** The state just right of a place, after the loads and reactions there. */
function passed(b: Laid, before: At, x: number, R: readonly number[], loaded: boolean): At {
  const now = { ...before }
  if (loaded)
    for (const p of b.on.points)
      if (isNear(b, p.x, x)) {
        now.V += p.fy
        now.M -= p.m
      }
  b.reactions.forEach((r, i) => {
    if (!isNear(b, r.x, x)) return
    if (r.component === 'y') now.V += R[i]
    else now.M -= R[i]
  })
  return now
}

/** M, EI v′ = ∫M + C₁ and EI v = ∬M + C₁x + C₂ over one part. */
function partBetween(b: Laid, at: At, x0: number, x1: number, loaded: boolean) {
  const middle = (x0 + x1) / 2
  const member = b.order.filter((_, k) => b.joints[k] <= middle).at(-1)!
  const { EI } = b.s.members[member]
  const { q, c } = loaded ? intensity(x0, x1, b.length, b.on) : { q: [0, 0], c: [0, 0] }
  const V = antiderivative(q, at.V)
  const M = antiderivative([V[0] - c[0], V[1] - c[1], V[2]], at.M)
  const slope = antiderivative(
    M.map((a) => a / EI),
    at.slope,
  )
  return { part: { member, x0, x1, EI, M, slope, v: antiderivative(slope, at.v) }, V }
}

/**
 * Integrates M/EI twice from the left end to the right: the slope and the deflection there and the reactions
 * are found from what the supports ask for and from the free right end.
 */
export function integrateBeam(s: Structure, actions: Actions): IntegratedBeam | undefined {
  const order = beamOrder(s)
  if (!order) return undefined
  const b = laidOut(s, order, actions)
  // unknowns and conditions are measured so that forces, moments, slopes and deflections weigh alike
  const stiff = Math.max(...order.map((i) => s.members[i].EI))
  const unit = { y: 1, rotation: b.length, slope: b.length ** 2 / stiff, v: b.length ** 3 / stiff }
  const unknowns = (u: readonly number[]): Unknowns => ({
    slope: u[0] * unit.slope,
    v: u[1] * unit.v,
    R: b.reactions.map((r, i) => u[i + 2] * unit[r.component]),
  })
  const conditions = (u: readonly number[], loaded: boolean): number[] => {
    const now = unknowns(u)
    const { states } = march(b, now, loaded)
    const last = states[states.length - 1]
    const held = b.reactions.map((r, i) => {
      const here = states[b.breaks.findIndex((x) => isNear(b, x, r.x))]
      const [moved, scale] = r.component === 'y' ? [here.v, unit.v] : [here.slope, unit.slope]
      return (moved - givenWay(s, actions, r, now.R[i], loaded)) / scale
    })
    return [...held, last.V, last.M / b.length]
  }
  const count = b.reactions.length + 2
  const one = (k: number) => Array.from({ length: count }, (_, j) => (j === k ? 1 : 0))
  const none = conditions(one(-1), true)
  const columns = Array.from({ length: count }, (_, k) => conditions(one(k), false))
  const found = solveDense(
    none.map((_, i) => columns.map((c) => c[i])),
    none.map((v) => -v),
  )
  if (!found) return undefined
  const now = unknowns(found)
  return {
    left: leftOf(s, order[0]),
    length: b.length,
    order,
    reactions: [...b.reactions],
    values: [...now.R],
    parts: march(b, now, true).parts,
  }
}

/** The movement of a support: its settlement, or the yielding of its spring under the reaction. */
function givenWay(s: Structure, actions: Actions, r: BeamReaction, R: number, loaded: boolean): number {
  const hold = r.support.hold[r.component]
  if (typeof hold === 'number') return -R / hold
  return loaded ? actions.settlement[s.supports.indexOf(r.support)] * r.support.settlement[r.component] : 0
}
