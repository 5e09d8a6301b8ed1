import { describe, expect, it } from 'vitest'
import {
  courseOf,
  criticalFactors,
  criticalInput,
  effectiveLengths,
  modeOf,
  modeSolution,
  type Problem,
} from '../../src/index.js'
import { frame, solved } from '../builder.js'

const EI = 2e8 * 1e-4
const L = 3

const modes = (p: Problem, count: number) => {
  const s = solved(p)
  const input = criticalInput(s, s.cases[0])!
  const factors = criticalFactors(input, count)
  const shape = (k: number, member = 0) => {
    const mode = modeOf(input, factors[k])!
    const course = courseOf(modeSolution(s, mode), mode, member)
    const at = (x: number) => course.stretches.find((t) => x <= t.x1 + 1e-9)!.value('v', x)
    const most = Math.max(...Array.from({ length: 41 }, (_, i) => Math.abs(at((i * L) / 40))))
    return (share: number) => at(share * L) / most
  }
  return { s, input, factors, shape }
}
const column = (a: 'pin' | 'fixed', b: Parameters<ReturnType<typeof frame>['support']>[1]) =>
  frame()
    .node('A', 0, 0)
    .node('B', 0, L)
    .member('A', 'B')
    .support('A', a)
    .support('B', b)
    .load({ type: 'nodal', node: 'B', fy: -1 }).problem

describe('critical loads, as many as asked', () => {
  it('of a pinned column are 1, 4 and 9 times π²EI/L², with waves of sines', () => {
    const { factors, shape } = modes(column('pin', { restrain: { x: 'fixed' } }), 3)
    const euler = (Math.PI ** 2 * EI) / L ** 2
    ;[1, 4, 9].forEach((n, k) => expect(factors[k] / euler).toBeCloseTo(n, k === 0 ? 9 : 6))
    for (let k = 0; k < 3; k++) {
      const v = shape(k)
      const peak = v(0.5 / (k + 1))
      for (const x of [0.13, 0.4, 0.77]) expect(v(x) / peak).toBeCloseTo(Math.sin((k + 1) * Math.PI * x), 4)
    }
  })
  it('of a column fixed at both ends, which moves no joint: 4π²EI/L², a full cosine', () => {
    const p = column('fixed', { restrain: { x: 'fixed', rotation: 'fixed' } })
    const { factors, shape } = modes(p, 2)
    expect(factors[0] / ((4 * Math.PI ** 2 * EI) / L ** 2)).toBeCloseTo(1, 9)
    expect(factors[1] / ((4 * 4.493409457909064 ** 2 * EI) / L ** 2)).toBeCloseTo(1, 9)
    const v = shape(0)
    for (const x of [0.2, 0.5, 0.8]) expect(v(x) / v(0.5)).toBeCloseTo((1 - Math.cos(2 * Math.PI * x)) / 2, 4)
  })
  it('come as often as they have modes: two columns alike side by side', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 0, L)
      .node('C', 5, 0)
      .node('D', 5, L)
      .member('A', 'B')
      .member('C', 'D')
      .support('A', 'fixed')
      .support('C', 'fixed')
      .load({ type: 'nodal', node: 'B', fy: -1 }, { type: 'nodal', node: 'D', fy: -1 }).problem
    const { factors } = modes(p, 3)
    const cantilever = (Math.PI ** 2 * EI) / (4 * L ** 2)
    ;[1, 1, 9].forEach((n, k) => expect(factors[k] / cantilever).toBeCloseTo(n, 8))
  })
  it('of a two-hinged portal that sways: φ·tan φ = 6·(I_b·h)/(I_c·l)', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('D', 'C')
      .support('A', 'pin')
      .support('D', 'pin')
      .load({ type: 'nodal', node: 'B', fy: -1 }, { type: 'nodal', node: 'C', fy: -1 })
      .set({ analysis: { neglectAxial: true } }).problem
    const { factors, input, s } = modes(p, 1)
    const phi = 4 * Math.sqrt(factors[0] / EI)
    expect(phi * Math.tan(phi)).toBeCloseTo((6 * 4) / 6, 6)
    const [left] = effectiveLengths(s.structure, input.starts, factors[0])
    expect(left.K).toBeCloseTo(Math.PI / phi, 9)
    expect(left.K).toBeGreaterThan(2)
  })
})
