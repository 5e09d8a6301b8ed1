import { describe, it } from 'vitest'
import { courseOf, equilibrium } from '../../src/index.js'
import { solved } from '../builder.js'
import { forAll, near, size } from './any-frame.js'

describe('for any frame and any loads', () => {
  it('the whole is in equilibrium, and work equals energy', () =>
    forAll((p) => {
      const s = solved(p)
      const e = equilibrium(s, s.cases[0])
      const extent = 20
      near(e.residual.fx, 0, size(s))
      near(e.residual.fy, 0, size(s))
      near(e.residual.m, 0, size(s) * extent)
      const work = Math.max(1, ...s.cases[0].D.map(Math.abs)) * size(s)
      near(e.energy, 0, work)
    }))

  it('every joint is in equilibrium', () =>
    forAll((p) => {
      const s = solved(p)
      const sum = new Float64Array(s.dofs.list.length)
      s.elements.forEach((e, i) => {
        const q = s.cases[0].forces.subarray(6 * i, 6 * i + 6)
        for (let r = 0; r < 6; r++)
          if (e.dofs[r] >= 0) for (let c = 0; c < 6; c++) sum[e.dofs[r]] += e.T[6 * c + r] * q[c]
      })
      s.structure.nodes.forEach((_, n) => {
        const a = s.dofs.angle[n]
        const [fx, fy, m] = s.cases[0].actions.nodal.subarray(3 * n, 3 * n + 3)
        const load = [Math.cos(a) * fx + Math.sin(a) * fy, -Math.sin(a) * fx + Math.cos(a) * fy, m]
        for (let c = 0; c < 3; c++) {
          const d = s.dofs.of[3 * n + c]
          if (d >= 0) near(sum[d], load[c] + s.cases[0].reactions[d], size(s))
        }
      })
    }))

  it('the field along a member arrives at its end forces and end displacements', () =>
    forAll((p) => {
      const s = solved(p)
      s.structure.members.forEach((_, i) => {
        const { end } = courseOf(s, s.cases[0], i)
        const q = s.cases[0].forces.subarray(6 * i, 6 * i + 6)
        const d = s.cases[0].ends.subarray(6 * i, 6 * i + 6)
        near(end.N, q[3], size(s))
        near(end.V, -q[4], size(s))
        near(end.M, q[5], size(s) * 10)
        const moved = Math.max(1e-3, ...s.cases[0].D.map(Math.abs))
        near(end.u, d[3], moved)
        near(end.v, d[4], moved)
        near(end.slope, d[5], moved)
      })
    }))
})
