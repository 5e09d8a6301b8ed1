import type { Field } from '../analysis/field.js'
import { integral, multiplyPolynomials } from '../analysis/polynomial.js'
import { COMPONENTS } from '../analysis/dofs.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { memberField } from './fields.js'

/**
 * Global sums in N and N·m (moment about the origin), loads and reactions apart, so that the residual is
 * plain.
 */
export interface Equilibrium {
  loads: { fx: number; fy: number; m: number }
  reactions: { fx: number; fy: number; m: number }
  residual: { fx: number; fy: number; m: number }
  /** External work less strain energy, J. */
  energy: number
}

/** Global reaction x, y, rotation of a support, N and N·m, and in the support's own axes. */
export function reactionAt(
  solution: Solution,
  action: ActionSolution,
  node: number,
): {
  x: number
  y: number
  rotation: number
  own: { x: number; y: number; rotation: number }
  angle: number
} {
  const { of, angle } = solution.dofs
  const [x, y, rotation] = COMPONENTS.map((_, c) =>
    of[3 * node + c] < 0 ? 0 : action.reactions[of[3 * node + c]],
  )
  const turn = angle[node]
  const own = { x, y, rotation }
  if (turn === 0) return { x, y, rotation, own, angle: 0 }
  return {
    x: Math.cos(turn) * x - Math.sin(turn) * y,
    y: Math.sin(turn) * x + Math.cos(turn) * y,
    rotation,
    own,
    angle: turn,
  }
}

/** Displacements of a node in global axes, m and rad; null where there is no such degree of freedom. */
export function displacementAt(
  solution: Solution,
  action: ActionSolution,
  node: number,
): { x: number | null; y: number | null; rotation: number | null } {
  const { of, angle } = solution.dofs
  const [x, y, rotation] = COMPONENTS.map((_, c) =>
    of[3 * node + c] < 0 ? null : action.D[of[3 * node + c]],
  )
  const turn = angle[node]
  if (turn === 0 || x === null || y === null) return { x, y, rotation }
  return { x: Math.cos(turn) * x - Math.sin(turn) * y, y: Math.sin(turn) * x + Math.cos(turn) * y, rotation }
}

/** Equilibrium of the whole and the energy balance, from the results, independently of the solve. */
export function equilibrium(
  solution: Solution,
  action: ActionSolution,
  fields: readonly Field[] = solution.structure.members.map((_, i) => memberField(solution, action, i)),
): Equilibrium {
  const { structure: s } = solution
  const loads = { fx: 0, fy: 0, m: 0 }
  const reactions = { fx: 0, fy: 0, m: 0 }
  const add = (to: typeof loads, x: number, y: number, fx: number, fy: number, m: number) => {
    to.fx += fx
    to.fy += fy
    to.m += m + x * fy - y * fx
  }
  s.nodes.forEach((n, i) =>
    add(
      loads,
      n.x,
      n.y,
      action.actions.nodal[3 * i],
      action.actions.nodal[3 * i + 1],
      action.actions.nodal[3 * i + 2],
    ),
  )
  for (const [i, a] of action.actions.members) {
    const m = s.members[i]
    const from = s.nodes[m.start]
    const at = (x: number, fx: number, fy: number, couple: number) =>
      add(
        loads,
        from.x + m.cos * x,
        from.y + m.sin * x,
        m.cos * fx - m.sin * fy,
        m.sin * fx + m.cos * fy,
        couple,
      )
    for (const p of a.points) at(p.x, p.fx, p.fy, p.m)
    for (const t of a.spans) {
      const h = t.b - t.a
      const force = ([q0, q1]: [number, number]) => ((q0 + q1) / 2) * h
      const lever = ([q0, q1]: [number, number]) => ((q0 + 2 * q1) / 6) * h * h // about a
      at(t.a, force(t.p), force(t.q), lever(t.q) + force(t.c))
    }
  }
  for (const p of s.supports) {
    const r = reactionAt(solution, action, p.node)
    add(reactions, s.nodes[p.node].x, s.nodes[p.node].y, r.x, r.y, r.rotation)
  }
  return {
    loads,
    reactions,
    residual: { fx: loads.fx + reactions.fx, fy: loads.fy + reactions.fy, m: loads.m + reactions.m },
    energy: externalWork(solution, action, fields) - strainEnergy(solution, action, fields),
  }
}

/** ½ (work of loads and settlements). */
function externalWork(solution: Solution, action: ActionSolution, fields: readonly Field[]): number {
  const { structure: s, dofs } = solution
  let work = 0
  for (let n = 0; n < s.nodes.length; n++) {
    const d = displacementAt(solution, action, n)
    const [fx, fy, m] = action.actions.nodal.subarray(3 * n, 3 * n + 3)
    work += fx * (d.x ?? 0) + fy * (d.y ?? 0) + m * (d.rotation ?? 0)
  }
  for (let d = dofs.free; d < dofs.list.length; d++) work += action.reactions[d] * action.D[d]
  for (const [i, a] of action.actions.members) {
    for (const seg of fields[i].segments) {
      const mid = (seg.x0 + seg.x1) / 2
      const h = seg.x1 - seg.x0
      for (const t of a.spans) {
        if (mid < t.a || mid > t.b) continue
        const line = ([q0, q1]: [number, number]) => {
          const k = (q1 - q0) / (t.b - t.a)
          return [q0 + k * (seg.x0 - t.a), k]
        }
        work +=
          integral(multiplyPolynomials(line(t.p), seg.u), h) +
          integral(multiplyPolynomials(line(t.q), seg.v), h) +
          integral(multiplyPolynomials(line(t.c), seg.slope), h)
      }
    }
    for (const p of a.points) {
      const at = sideStates(fields[i], p.x, solution.structure.members[i].length)
      work += p.fx * at.u + p.fy * at.v + p.m * at.slope
    }
  }
  return work / 2
}

/** Displacements at a point load: the mean of left and right, should a misfit stand at the very place. */
function sideStates(field: Field, x: number, length: number) {
  const near = (y: number) => Math.abs(x - y) <= 1e-9 * length
  const state = (s: Field['segments'][number], t: number) => ({
    u: s.u.reduceRight((v, a) => v * t + a, 0),
    v: s.v.reduceRight((v, a) => v * t + a, 0),
    slope: s.slope.reduceRight((v, a) => v * t + a, 0),
  })
  const before = near(0)
    ? field.start
    : state(
        field.segments.find((s) => near(s.x1) || x < s.x1)!,
        x - field.segments.find((s) => near(s.x1) || x < s.x1)!.x0,
      )
  const next = field.segments.find((s) => near(s.x0))
  const after = next ? state(next, 0) : near(length) ? field.end : before
  return { u: (before.u + after.u) / 2, v: (before.v + after.v) / 2, slope: (before.slope + after.slope) / 2 }
}

/** ½ (elastic work + work of initial strains), springs included. */
function strainEnergy(solution: Solution, action: ActionSolution, fields: readonly Field[]): number {
  const { structure: s, dofs } = solution
  let twice = 0
  s.members.forEach((m, i) => {
    const a = action.actions.members.get(i)
    for (const seg of fields[i].segments) {
      const h = seg.x1 - seg.x0
      const square = (p: number[]) => integral(multiplyPolynomials(p, p), h)
      if (!m.axiallyRigid) twice += square(seg.N) / (m.E * m.A)
      if (!m.bar) twice += square(seg.M) / (m.E * m.I)
      if (m.GAs > 0) twice += square(seg.V) / m.GAs
      if (a) twice += a.axialStrain * integral(seg.N, h) + (m.bar ? 0 : a.curvature * integral(seg.M, h))
    }
    for (const j of a?.jumps ?? []) {
      const at = momentAndShear(fields[i], j.x, m.length)
      // a slip works with −V: V on the left part points along −(v right − v left)
      twice += at.M * j.kink - at.V * j.slip
    }
    m.releases.forEach((k, r) => {
      if (typeof k === 'number') twice += action.forces[6 * i + r] ** 2 / k
    })
  })
  for (const p of s.supports)
    COMPONENTS.forEach((c, j) => {
      const k = p.hold[c]
      const d = dofs.of[3 * p.node + j]
      if (typeof k === 'number' && d >= 0) twice += k * action.D[d] ** 2
    })
  return twice / 2
}

function momentAndShear(field: Field, x: number, length: number) {
  const near = (y: number) => Math.abs(x - y) <= 1e-9 * length
  const value = (p: number[], t: number) => p.reduceRight((v, a) => v * t + a, 0)
  const before = field.segments.find((s) => near(s.x1) || (x < s.x1 && !near(0)))
  const after = field.segments.find((s) => near(s.x0))
  const of = (key: 'M' | 'V') => {
    const left = before ? value(before[key], x - before.x0) : field.start[key]
    const right = after ? value(after[key], 0) : field.end[key]
    return (left + right) / 2
  }
  return { M: of('M'), V: of('V') }
}
