import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Load, type Problem } from '../../src/index.js'
import { frame, triangle } from '../builder.js'
import { agrees } from './agrees.js'

const STATICS = working.methodOf('statics')!

function bookOf(p: Problem) {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { solution, structure } = outcome
  const action = solution.cases[0]
  return STATICS.open({ problem: p, structure, action: action.id, solved: () => ({ solution, action }) })
}

const textOf = (p: Problem) => working.workingMarkdown(bookOf(p))
const valuesOf = (p: Problem) =>
  Object.fromEntries(
    STATICS.values(bookOf(p)).map((v) => [
      [v.quantity, v.node ?? v.member, v.component ?? v.of].join(' '),
      v.value,
    ]),
  )

const SIZE = fc.double({ min: 1, max: 6, noNaN: true })
const FORCE = fc.integer({ min: -900, max: 900 }).map((v) => v / 100)
const SHARE = fc.integer({ min: 5, max: 95 }).map((v) => `${v}%`)

/** Loads of a chosen sort on one of some members. */
const anyLoads = (members: readonly string[]) =>
  fc.array(
    fc
      .tuple(fc.constantFrom(...members), fc.nat(2), FORCE, FORCE, SHARE)
      .map(([member, kind, p, q, at]): Load => {
        if (kind === 0) return { type: 'point', member, at, fx: p, fy: q, m: p / 2 }
        const points = [
          { at, q: p },
          { at: '100%', q },
        ]
        return kind === 1
          ? { type: 'distributed', member, direction: 'Y', points }
          : { type: 'distributed', member, direction: 'x', points }
      }),
    { minLength: 1, maxLength: 4 },
  )

describe('equilibrium and sections', () => {
  it('give the reactions and extremes of a beam with an overhang in a fixed order', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 6, 0)
      .node('C', 8, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'pin')
      .support('B', 'roller')
      .load(
        {
          type: 'distributed',
          member: 'AB',
          direction: 'Y',
          points: [0, '100%'].map((at) => ({ at, q: -2 })),
        },
        { type: 'nodal', node: 'C', fy: -3 },
      ).problem
    expect(valuesOf(p)).toMatchObject({
      'reaction A y': expect.closeTo(5, 12) as number,
      'reaction B y': expect.closeTo(10, 12) as number,
      'maximum AB moment': expect.closeTo(6.25, 12) as number,
      'minimum AB moment': expect.closeTo(-6, 12) as number,
      'minimum AB shear': expect.closeTo(-7, 12) as number,
    })
    const text = textOf(p)
    expect(text).toContain('Moments about A, of the whole')
    expect(text).not.toContain('together')
  })

  it('take one side of a hinge by itself', () => {
    const p = frame()
      .node('A', 0, 0)
      .node('B', 0, 4)
      .node('C', 5, 5)
      .node('D', 10, 4)
      .node('E', 10, 1)
      .member('A', 'B')
      .member('B', 'C', { releases: { end: { M: true } } })
      .member('C', 'D')
      .member('D', 'E')
      .support('A', 'pin')
      .support('E', 'pin')
      .load({ type: 'nodal', node: 'B', fx: 10 }).problem
    const text = textOf(p)
    expect(text).toContain('of one side')
    expect(text).not.toContain('The rest together')
    expect(agrees(p, STATICS)).toBe(true)
  })

  it('write no remainder of loads that cancel', () => {
    const points = [0, '100%'].map((at) => ({ at, q: -1.7 }))
    const p = frame()
      .node('A', 0, 0)
      .node('B', 1.3, 2.9)
      .node('C', 4.2, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'pin')
      .support('C', 'roller')
      .load(
        { type: 'distributed', member: 'AB', direction: 'Y', points },
        { type: 'distributed', member: 'BC', direction: 'Y', points },
      ).problem
    expect(textOf(p)).toContain('A_{\\text{x}}=0$$')
  })

  it('give what is determinate of a problem that is not, and do not fit where that is nothing', () => {
    const two = (right: 'roller' | 'fixed') =>
      frame()
        .node('A', 0, 0)
        .node('B', 6, 0)
        .node('C', 12, 0)
        .member('A', 'B')
        .member('B', 'C')
        .support('A', right === 'fixed' ? 'fixed' : 'pin')
        .support('B', 'roller')
        .support('C', right)
        .load({ type: 'point', member: 'AB', at: '50%', fx: 4, fy: -8 })
    expect(valuesOf(two('roller').problem)).toEqual({ 'reaction A x': expect.closeTo(-4, 12) as number })
    const fixed = two('fixed').problem
    const outcome = work(fixed)
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    expect(STATICS.fits(fixed, outcome.structure)).toMatchObject({ fits: false })
  })

  it('agree with the solver over Gerber beams', () => {
    fc.assert(
      fc.property(SIZE, SIZE, SIZE, anyLoads(['AB', 'BC', 'CD']), (a, b, c, loads) => {
        const p = frame()
          .node('A', 0, 0)
          .node('B', a, 0)
          .node('C', a + b, 0)
          .node('D', a + b + c, 0)
          .member('A', 'B')
          .member('B', 'C', { releases: { end: { M: true } } })
          .member('C', 'D')
          .support('A', 'pin')
          .support('B', 'roller')
          .support('D', 'roller')
          .load(...loads).problem
        return agrees(p, STATICS)
      }),
      { numRuns: 40 },
    )
  })

  it('agree with the solver over three-hinged frames on uneven feet', () => {
    fc.assert(
      fc.property(SIZE, SIZE, SIZE, FORCE, anyLoads(['AB', 'BC', 'CD', 'DE']), (h, l, k, foot, loads) => {
        const p = frame()
          .node('A', 0, 0)
          .node('B', 0, h)
          .node('C', l, h + 1)
          .node('D', l + k, h)
          .node('E', l + k, Math.min(foot / 10, h - 0.5))
          .member('A', 'B')
          .member('B', 'C', { releases: { end: { M: true } } })
          .member('C', 'D')
          .member('D', 'E')
          .support('A', 'pin')
          .support('E', 'pin')
          .load(...loads).problem
        return agrees(p, STATICS)
      }),
      { numRuns: 40 },
    )
  })

  it('agree with the solver over cantilevers on a slope and trusses', () => {
    fc.assert(
      fc.property(SIZE, FORCE, anyLoads(['AB', 'BC']), (l, rise, loads) => {
        const p = frame()
          .node('A', 0, 0)
          .node('B', l, rise / 3)
          .node('C', l + 2, rise / 4)
          .member('A', 'B')
          .member('B', 'C')
          .support('A', { type: 'fixed', angle: '20 deg' })
          .load(...loads).problem
        return agrees(p, STATICS)
      }),
      { numRuns: 30 },
    )
    const p = triangle({ type: 'roller', angle: '30 deg' }).load({
      type: 'nodal',
      node: 'C',
      fx: 3,
      fy: -5,
    }).problem
    expect(agrees(p, STATICS)).toBe(true)
    expect(textOf(p)).not.toContain('Sections')
  })
})
