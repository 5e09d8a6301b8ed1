import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkAnswer, work, workDocument, working, type Asked, type Problem } from '../../src/index.js'
import { frame, triangle } from '../builder.js'
import { anyFrame } from '../properties/any-frame.js'
import { reevaluates } from './agrees.js'

const METHOD = working.methodOf('unit-load')!

/** A displacement as the method and as the solver find it; the parts add up to it. */
function both(problem: Problem, options: working.Options): [found: number, solver: number] {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { solution, structure } = outcome
  const fit = METHOD.fits(problem, structure, options)
  if (!fit.fits) throw new Error(fit.why)
  const action = solution.cases[0]
  const solved = () => ({ solution, action })
  const book = METHOD.open({ problem, structure, action: action.id, options, solved })
  const { values, named } = workDocument(METHOD, book)
  const sum = named.reduce((s, n) => s + (n.value ?? 0), 0)
  expect(Math.abs(sum - values[0].value)).toBeLessThan(1e-9 * Math.abs(sum) + 1e-18)
  reevaluates(book)
  const { computed } = checkAnswer(problem, solution, { ...values[0], id: 'v' })
  return [values[0].value, computed ?? NaN]
}

const close = (p: Problem, options: working.Options, size: number) => {
  const [found, solver] = both(p, options)
  expect(Math.abs(found - solver)).toBeLessThan(1e-9 * Math.max(size, Math.abs(solver)))
}

const of = (node: string, component: 'x' | 'y' | 'rotation'): Asked => ({
  quantity: 'displacement',
  node,
  component,
})

describe('the unit-load method', () => {
  it('finds wL⁴/8EI at the tip of a cantilever, and its slope', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .load({
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        points: [0, '100%'].map((at) => ({ at, q: -4 })),
      }).problem
    const EI = 200e6 * 1e-4
    const [tip] = both(p, { of: of('B', 'y') })
    const [slope] = both(p, { of: of('B', 'rotation') })
    // the test section has a shear area, which gives way by wL²/2GA as well
    expect(tip).toBeCloseTo(-(4 * 3 ** 4) / (8 * EI), 6)
    expect(slope).toBeCloseTo(-(4 * 3 ** 3) / (6 * EI), 9)
  })

  it('counts temperature, misfit, settlements and springs', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .node('C', 4, -3)
      .member('A', 'B')
      .member('B', 'C', { releases: { start: { M: '900 kN*m' } } })
      .support('A', { type: 'fixed', settlement: { y: '-8 mm', rotation: '0.001 rad' }, settlementCase: '1' })
      .load(
        { type: 'temperature', member: 'AB', uniform: 20, gradient: -12 },
        { type: 'misfit', member: 'BC', at: '40%', slip: 0.002, kink: 0.003 },
        { type: 'nodal', node: 'C', fx: 7 },
      ).problem
    for (const component of ['x', 'y', 'rotation'] as const) close(p, { of: of('C', component) }, 1e-3)
  })

  it('finds the sag of a truss bar by bar, with real and unit forces', () => {
    const p = triangle().load(
      { type: 'nodal', node: 'C', fy: -5 },
      { type: 'temperature', member: 'AB', uniform: 30 },
    ).problem
    close(p, { of: of('C', 'y') }, 1e-6)
    close(p, { of: of('B', 'x') }, 1e-6)
  })

  it('takes the forces of an indeterminate problem as given only where that is asked for', () => {
    fc.assert(
      fc.property(anyFrame, fc.constantFrom('x' as const, 'y' as const), (p, component) => {
        const outcome = work(p)
        if (outcome.stage !== 'solved') return
        const options: working.Options = { of: of('B', component), given: 'results' }
        const size = Math.max(...[...outcome.solution.cases[0].D].map(Math.abs), 1e-9)
        close(p, options, size)
      }),
      { numRuns: 40 },
    )
    const fixed = frame()
      .node('A', 0, 0)
      .node('B', 4, 0)
      .member('A', 'B')
      .support('A', 'fixed')
      .support('B', 'roller').problem
    const outcome = work({ ...fixed, loadCases: [{ id: '1', loads: [] }] })
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    expect(METHOD.fits(fixed, outcome.structure).fits).toBe(false)
    expect(METHOD.fits(fixed, outcome.structure, { given: 'results' }).fits).toBe(true)
  })
})
