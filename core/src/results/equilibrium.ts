import { COMPONENTS } from '../analysis/dofs.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { courseOf } from './courses.js'
import { displacementAt, reactionAt } from './at-node.js'
import { GAUSS, memberPlaces, nodePlaces } from './moved.js'

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

/**
 * Equilibrium of the whole and the energy balance, from the results, independently of the solve; in second
 * order the moments are those on the displaced shape, and there is no balance of energy (NaN).
 */
export function equilibrium(solution: Solution, action: ActionSolution): Equilibrium {
  const { structure: s } = solution
  const loads = { fx: 0, fy: 0, m: 0 }
  const reactions = { fx: 0, fy: 0, m: 0 }
  const add = (to: typeof loads, x: number, y: number, fx: number, fy: number, m: number) => {
    to.fx += fx
    to.fy += fy
    to.m += m + x * fy - y * fx
  }
  const placeOf = nodePlaces(solution, action)
  s.nodes.forEach((_, i) =>
    add(
      loads,
      ...placeOf(i),
      action.actions.nodal[3 * i],
      action.actions.nodal[3 * i + 1],
      action.actions.nodal[3 * i + 2],
    ),
  )
  for (const [i, a] of action.actions.members) {
    const { cos, sin } = s.members[i]
    const along = memberPlaces(solution, action, i)
    const at = (x: number, fx: number, fy: number, couple: number) =>
      add(loads, ...along(x), cos * fx - sin * fy, sin * fx + cos * fy, couple)
    for (const p of a.points) at(p.x, p.fx, p.fy, p.m)
    for (const t of a.spans) {
      const h = t.b - t.a
      if (action.bent) {
        for (const [share, weight] of GAUSS) {
          const on = ([q0, q1]: [number, number]) => weight * h * (q0 + (q1 - q0) * share)
          at(t.a + share * h, on(t.p), on(t.q), on(t.c))
        }
        continue
      }
      const force = ([q0, q1]: [number, number]) => ((q0 + q1) / 2) * h
      const lever = ([q0, q1]: [number, number]) => ((q0 + 2 * q1) / 6) * h * h // about a
      at(t.a, force(t.p), force(t.q), lever(t.q) + force(t.c))
    }
  }
  for (const p of s.supports) {
    const r = reactionAt(solution, action, p.node)
    add(reactions, ...placeOf(p.node), r.x, r.y, r.rotation)
  }
  return {
    loads,
    reactions,
    residual: { fx: loads.fx + reactions.fx, fy: loads.fy + reactions.fy, m: loads.m + reactions.m },
    energy: action.bent ? NaN : externalWork(solution, action) - strainEnergy(solution, action),
  }
}

/** ½ (work of loads and settlements). */
function externalWork(solution: Solution, action: ActionSolution): number {
  const { structure: s, dofs } = solution
  let work = 0
  for (let n = 0; n < s.nodes.length; n++) {
    const d = displacementAt(solution, action, n)
    const [fx, fy, m] = action.actions.nodal.subarray(3 * n, 3 * n + 3)
    work += fx * (d.x ?? 0) + fy * (d.y ?? 0) + m * (d.rotation ?? 0)
  }
  for (let d = dofs.free; d < dofs.list.length; d++) work += action.reactions[d] * action.D[d]
  for (const i of action.actions.members.keys()) work += courseOf(solution, action, i).loadWork()
  return work / 2
}

/** ½ (elastic work + work of initial strains), springs included. */
function strainEnergy(solution: Solution, action: ActionSolution): number {
  const { structure: s, dofs } = solution
  let twice = 0
  s.members.forEach((m, i) => {
    twice += courseOf(solution, action, i).strainWork()
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
