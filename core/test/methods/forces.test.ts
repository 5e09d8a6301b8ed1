import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Asked, type Problem } from '../../src/index.js'
import { frame, truss } from '../builder.js'
import { anyFrame } from '../properties/any-frame.js'
import { agrees } from './agrees.js'

const METHOD = working.methodOf('forces')!

function bookOf(problem: Problem, redundants?: Asked[]) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { solution, structure } = outcome
  const fit = METHOD.fits(problem, structure, { redundants })
  if (!fit.fits) throw new Error(fit.why)
  const action = solution.cases[0]
  const solved = () => ({ solution, action })
  return METHOD.open({ problem, structure, action: action.id, options: { redundants }, solved })
}

const twoSpans = () =>
  frame()
    .node('A', 0, 0)
    .node('B', 6, 0)
    .node('C', 10, 0)
    .member('A', 'B')
    .member('B', 'C')
    .support('A', 'pin')
    .support('B', { type: 'roller', settlement: { y: '-10 mm' }, settlementCase: '1' })
    .support('C', 'roller')
    .load({ type: 'point', member: 'AB', at: '50%', fy: -20 }).problem

describe('the force method', () => {
  it('proposes the inner support of a continuous beam, whose settlement is prescribed', () => {
    const named = METHOD.named(bookOf(twoSpans()))
    expect(named[0]).toMatchObject({ name: 'redundant', quantity: 'reaction', node: 'B', component: 'y' })
    const [x, released, flexibility] = named.map((n) => n.value!)
    expect(flexibility * x + released).toBeCloseTo(-0.01, 12)
    expect(agrees(twoSpans(), METHOD)).toBe(true)
  })

  it('finds the same with other redundants, and refuses those that leave a mechanism', () => {
    const p = twoSpans()
    const B = (redundants?: Asked[]) =>
      METHOD.values(bookOf(p, redundants)).find((v) => v.node === 'B' && v.component === 'y')!.value
    expect(B([{ quantity: 'moment', member: 'AB', at: '100%' }])).toBeCloseTo(B(), 9)
    expect(B([{ quantity: 'moment', member: 'AB', at: '600 cm' }])).toBeCloseTo(B(), 9)
    expect(B([{ quantity: 'reaction', node: 'C', component: 'y' }])).toBeCloseTo(B(), 9)
    expect(() => B([{ quantity: 'reaction', node: 'A', component: 'x' }])).toThrow(
      /not statically determinate|without/,
    )
    expect(() => B([{ quantity: 'shear', member: 'AB', at: 0 }])).toThrow(/A redundant is/)
  })

  it('takes the flexibility of a bar itself and of a spring into the diagonal', () => {
    const p = truss()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 4, 3)
      .node('D', 0, 3)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D')
      .member('A', 'C')
      .member('B', 'D')
      .member('A', 'D')
      .support('A', 'pin')
      .support('B', 'roller')
      .load(
        { type: 'nodal', node: 'C', fx: 9, fy: -4 },
        { type: 'misfit', member: 'BD', elongation: 0.002 },
      ).problem
    const [redundant] = METHOD.named(bookOf(p))
    expect(redundant).toMatchObject({ quantity: 'axial', member: expect.stringMatching(/AC|BD/) as string })
    expect(agrees(p, METHOD)).toBe(true)
    const sprung = frame()
      .node('A', 0, 0)
      .node('B', 5, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', { restrain: { x: 'free', y: '700 kN/m', rotation: 'free' } })
      .load({ type: 'point', member: 'AB', at: '70%', fy: -12 }).problem
    expect(agrees(sprung, METHOD)).toBe(true)
  })

  it('agrees with the solver over random frames, closed frames and those on fixed feet', () => {
    let tried = 0
    fc.assert(
      fc.property(anyFrame, (p) => {
        const outcome = work(p)
        if (outcome.stage !== 'solved' || !METHOD.fits(p, outcome.structure).fits) return
        tried++
        agrees(p, METHOD)
      }),
      { numRuns: 40 },
    )
    expect(tried).toBeGreaterThan(10)
    const portal = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 6, 4)
      .node('D', 6, 0)
      .member('A', 'B')
      .member('B', 'C')
      .member('C', 'D')
      .member('A', 'D')
      .support('A', 'fixed')
      .support('D', 'fixed')
      .load({ type: 'nodal', node: 'B', fx: 12 }, { type: 'temperature', member: 'BC', uniform: 25 }).problem
    expect(METHOD.named(bookOf(portal)).filter((n) => n.name === 'redundant')).toHaveLength(6)
    expect(agrees(portal, METHOD)).toBe(true)
  })

  it('does not fit what is determinate', () => {
    const p = frame().node('A', 0, 0).node('B', 3, 0).member('A', 'B').support('A', 'fixed').problem
    const outcome = work({ ...p, loadCases: [{ id: '1', loads: [] }] })
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    expect(METHOD.fits(p, outcome.structure)).toMatchObject({ fits: false })
  })
})
