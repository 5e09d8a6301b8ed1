import { describe, expect, it } from 'vitest'
import { factor } from '../../src/analysis/factor.js'
import { add, sparse } from '../../src/analysis/sparse.js'
import { frame, refusal, truss } from '../builder.js'

const square = () =>
  truss()
    .node('A', 0, 0)
    .node('B', 0, 3)
    .node('C', 3, 3)
    .node('D', 3, 0)
    .member('A', 'B')
    .member('B', 'C')
    .member('C', 'D')
    .support('A', 'pin')
    .support('D', 'pin')

describe('mechanisms are named with what moves', () => {
  it('a square without a diagonal sways', () => {
    const error = refusal(square().problem)
    expect(error).toMatchObject({ kind: 'mechanism', nodes: ['B', 'C'] })
    expect(error.message).toMatch(/B and C can sway sideways/)
  })
  it('a beam on rollers slides as a whole', () => {
    const error = refusal(
      frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').support('A', 'roller').support('B', 'roller')
        .problem,
    )
    expect(error).toMatchObject({ kind: 'mechanism', nodes: ['A', 'B'] })
  })
  it('two independent motions are both named', () => {
    const error = refusal(
      square().node('P', 8, 0).node('Q', 8, 3).member('P', 'Q').support('P', 'pin').problem,
    )
    expect(error).toMatchObject({ kind: 'mechanism', nodes: ['B', 'C', 'Q'] })
  })
  it('a structure without supports is free', () =>
    expect(refusal(frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').problem)).toMatchObject({
      kind: 'mechanism',
      nodes: ['A', 'B'],
    }))
  it('a member released to nothing is named', () => {
    const error = refusal(
      frame()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .member('A', 'B', { releases: { start: { M: true, V: true }, end: { M: true } } })
        .support('A', 'fixed')
        .support('B', 'fixed').problem,
    )
    expect(error).toMatchObject({ kind: 'mechanism', members: ['AB'] })
  })
  it('a sleeve on a roller that slides along the member slides, whatever the angle', () => {
    const built = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 8, 4)
      .member('A', 'B')
      .member('B', 'C', { releases: { start: { N: true } } })
      .support('A', 'fixed')
      .support('C', { restrain: { y: 'fixed' }, angle: '45 deg' })
      .load({ type: 'nodal', node: 'B', fx: 3 })
    expect(refusal(built.problem)).toMatchObject({ kind: 'mechanism', nodes: ['C'] })
  })
  it('a sleeve at both ends is harmless until it is loaded along itself', () => {
    const build = () =>
      frame()
        .node('A', 0, 0)
        .node('B', 4, 0)
        .member('A', 'B', { releases: { start: { N: true }, end: { N: true } } })
        .support('A', 'fixed')
        .support('B', 'fixed')
    expect(build().load({ type: 'point', member: 'AB', at: 1, fy: -3 }).solve().cases[0].forces[0]).toBe(0)
    expect(refusal(build().load({ type: 'point', member: 'AB', at: 1, fx: 3 }).problem)).toMatchObject({
      kind: 'mechanism',
      members: ['AB'],
    })
  })
  it('a moment where nothing holds it spins the joint', () => {
    const error = refusal(square().member('A', 'C').load({ type: 'nodal', node: 'B', m: 2 }).problem)
    expect(error).toMatchObject({ kind: 'mechanism', nodes: ['B'] })
  })
  it('a joint whose every end is hinged is no mechanism; its rotation has no value', () => {
    const s = frame()
      .node('A', 0, 0)
      .node('B', 2, 2)
      .node('C', 4, 0)
      .member('A', 'B', { releases: { end: { M: true } } })
      .member('C', 'B', { releases: { end: { M: true } } })
      .support('A', 'fixed')
      .support('C', 'fixed')
      .load({ type: 'nodal', node: 'B', fy: -5 })
      .solve()
    expect(s.dofs.of[3 * 1 + 2]).toBe(-1)
  })
  it('what is missing or not done yet is named', () => {
    const one = frame().node('A', 0, 0).node('B', 4, 0).support('A', 'fixed')
    expect(refusal(one.member('A', 'B', { section: undefined }).problem)).toMatchObject({
      kind: 'missing',
      members: ['AB'],
      path: 'members[0].section',
    })
    expect(refusal(one.member('A', 'B', {}).set({ sections: [{ id: 's', A: 0.01 }] }).problem)).toMatchObject(
      { kind: 'missing', members: ['AB'] },
    )
    expect(
      refusal(one.member('A', 'B', {}).set({ sections: [{ id: 's', catalogue: 'Quince 200' }] }).problem),
    ).toMatchObject({ kind: 'unsupported' })
  })
})

describe('the factorisation', () => {
  const dense = (rows: number[][]) => {
    const a = sparse(rows.length, 1)
    rows.forEach((r, i) => r.forEach((v, j) => j <= i && v !== 0 && add(a, i, j, v)))
    return a
  }
  it('solves what it factored', () => {
    const f = factor(
      dense([
        [4, 2, 0],
        [2, 5, 3],
        [0, 3, 6],
      ]),
    )
    expect(f.singular).toEqual([])
    expect([...f.solve(Float64Array.from([8, 25, 30]))].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([
      0.8, 2.4, 3.8,
    ])
  })
  it('weighs a pivot against its own diagonal: 1e-16 left over is a mechanism', () => {
    // the last pivot comes out as rounding, not as zero
    const f = factor(
      dense(
        [
          [0.1, 0.3, 0],
          [0.3, 0.9, 0],
          [0, 0, 1],
        ].map((r) => r.map((v) => v / 3)),
      ),
    )
    expect(f.singular).toEqual([1])
    const x = f.motion(1)
    expect(x[0]).toBeCloseTo(-3, 9)
    expect(x[1]).toBe(1)
  })
})
