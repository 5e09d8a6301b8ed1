import type { MemberActions } from '../structure/actions.js'
import type { StructureMember } from '../structure/types.js'
import type { PlaceState } from './course.js'

/** Gauss–Legendre places and weights on [−1, 1], exact up to degree five; a linear load times ξ³ has four. */
const GAUSS = [
  [-Math.sqrt(0.6), 5 / 9],
  [0, 8 / 9],
  [Math.sqrt(0.6), 5 / 9],
] as const

/**
 * The state at the end of a member whose start is held and whose end is free, under the actions between its
 * ends, SI: what `integrate` finds from a start at rest, without the course between. With ξ the distance of a
 * load from the end: V = ∫q, M = ∫qξ − ∫c, slope = (∫qξ²/2 − ∫cξ)/EI + κL, v = (∫qξ³/6 − ∫cξ²/2)/EI + κL²/2
 * − ∫qξ/(G·As), N = −∫p, u = −∫pξ/EA + εL; forces, moments and misfits at places likewise.
 * Source: Mohr's theorems on the cantilever; Przemieniecki, Theory of Matrix Structural Analysis, ch. 5.
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
    for (const [at, weight] of GAUSS) {
      const t = (1 + at) / 2
      const w = weight * half
      const line = ([from, to]: [number, number]) => (from + (to - from) * t) * w
      put(line(p), line(q), line(c), L - a - half * (1 + at))
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
