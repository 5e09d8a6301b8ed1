import type { MemberActions } from '../structure/actions.js'
import type { StructureMember } from '../structure/types.js'
import type { PlaceState } from './course.js'

/**
 * Gauss–Legendre places and weights on [−1, 1], exact up to degree five; a linear load times ξ³ has four.
 */
const PLACES = [-Math.sqrt(0.6), 0, Math.sqrt(0.6)]
const WEIGHTS = [5 / 9, 8 / 9, 5 / 9]

/** An intensity at a part t of its span. */
const part = (line: [number, number], t: number) => line[0] + (line[1] - line[0]) * t

/**
 * The state at the free end of a cantilever that is held at its start, under the actions between its ends,
 * SI. It equals the end of `integrate` from a start at rest, without the course between. With ξ the distance
 * of a load from the end: V = ∫q, M = ∫qξ − ∫c, slope = (∫qξ²/2 − ∫cξ)/EI + κL, v = (∫qξ³/6 − ∫cξ²/2)/EI +
 * κL²/2 − ∫qξ/(G·As), N = −∫p, u = −∫pξ/EA + εL; forces, moments and misfits at places likewise. Source:
 * Mohr's theorems on the cantilever; Przemieniecki, Theory of Matrix Structural Analysis, ch. 5.
 */
export function freeEnd(m: StructureMember, actions: MemberActions): PlaceState {
  const L = m.length
  const perEA = m.axiallyRigid ? 0 : 1 / m.EA
  const perEI = m.bar ? 0 : 1 / m.EI
  const perGAs = m.GAs > 0 ? 1 / m.GAs : 0
  const end: PlaceState = { N: 0, V: 0, M: 0, slope: 0, v: 0, u: actions.axialStrain * L }
  const put = (fx: number, fy: number, couple: number, xi: number) => {
    end.N -= fx
    end.V += fy
    end.M += fy * xi - couple
    end.slope += ((fy * xi) / 2 - couple) * xi * perEI
    end.v += ((fy * xi) / 6 - couple / 2) * xi * xi * perEI - fy * xi * perGAs
    end.u -= fx * xi * perEA
  }
  for (const { a, b, p, q, c } of actions.spans) {
    const half = (b - a) / 2
    for (let g = 0; g < PLACES.length; g++) {
      const t = (1 + PLACES[g]) / 2
      const w = WEIGHTS[g] * half
      put(part(p, t) * w, part(q, t) * w, part(c, t) * w, L - a - half * (1 + PLACES[g]))
    }
  }
  for (const f of actions.points) put(f.fx, f.fy, f.m, L - f.x)
  if (!m.bar) {
    end.slope += actions.curvature * L
    end.v += (actions.curvature * L * L) / 2
  }
  for (const j of actions.jumps) {
    end.slope += j.kink
    end.v += j.slip + j.kink * (L - j.x)
  }
  return end
}
