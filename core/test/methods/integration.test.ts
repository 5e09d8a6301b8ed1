import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Load, type Problem } from '../../src/index.js'
import { frame } from '../builder.js'
import { agrees } from './agrees.js'

const METHOD = working.methodOf('integration')!

/** A level beam over joints at these places, bending alone: without axial or shear deformation. */
function beam(
  xs: readonly number[],
  turned: number,
  more: (b: ReturnType<typeof frame>) => typeof b,
): Problem {
  let b = frame()
  xs.forEach((x, i) => (b = b.node(String.fromCharCode(65 + i), x, 0)))
  xs.slice(1).forEach((_, i) => {
    const ends = [String.fromCharCode(65 + i), String.fromCharCode(66 + i)] as const
    b = i === turned ? b.member(ends[1], ends[0]) : b.member(...ends)
  })
  return more(b).problem
}

const fit = (p: Problem) => {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  return METHOD.fits(p, outcome.structure)
}

const FORCE = fc.integer({ min: -900, max: 900 }).map((v) => v / 100)

describe('double integration', () => {
  it('agrees with the solver over beams with springs, settlements, overhangs and turned members', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 6, noNaN: true }), { minLength: 2, maxLength: 4 }),
        fc.integer({ min: -1, max: 3 }),
        fc.constantFrom('fixed' as const, 'pin' as const),
        fc.constantFrom('roller' as const, 'spring' as const),
        fc.array(fc.tuple(fc.nat(3), fc.nat(2), FORCE, FORCE, fc.integer({ min: 5, max: 95 })), {
          minLength: 1,
          maxLength: 4,
        }),
        (spans, turned, left, second, loads) => {
          let x = 0
          const xs = [0, ...spans.map((l) => (x += l))]
          const p = beam(xs, turned, (b) => {
            const members = b.problem.members.map((m) => m.id)
            const all = loads.map(([m, kind, v, w, at]): Load => {
              const member = members[m % members.length]
              const place = `${at}%`
              if (kind === 0) return { type: 'point', member, at: place, fy: v, m: w }
              if (kind === 1) return { type: 'nodal', node: 'B', fy: v, m: w }
              const points = [
                { at: place, q: v },
                { at: '100%', q: w },
              ]
              return { type: 'distributed', member, direction: 'Y', points }
            })
            return b
              .support('A', { type: left, settlement: { y: '-4 mm' }, settlementCase: '1' })
              .support(
                'C',
                second === 'roller' ? 'roller' : { restrain: { x: 'free', y: '900 kN/m', rotation: 'free' } },
              )
              .load(...all)
          })
          return agrees(p, METHOD)
        },
      ),
      { numRuns: 50 },
    )
  })

  it('writes the curve of a cantilever as its book has it', () => {
    const p = beam([0, 3], -1, (b) => b.support('A', 'fixed').load({ type: 'nodal', node: 'B', fy: -6 }))
    const outcome = work(p)
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    const { solution, structure } = outcome
    const action = solution.cases[0]
    const solved = () => ({ solution, action })
    const book = METHOD.open({ problem: p, structure, action: action.id, solved })
    // EI v = P x³/6 − P L x²/2
    expect(working.workingMarkdown(book)).toContain('EI v=-9\\,{x}^{2}+{x}^{3}')
  })

  it('does not fit inner hinges, axial loads, slopes and shear deformation', () => {
    const load: Load = { type: 'nodal', node: 'B', fy: -6 }
    const cantilever = (more: Load = load) =>
      beam([0, 3], -1, (b) => b.support('A', 'fixed').load(load, more))
    expect(fit(cantilever()).fits).toBe(true)
    expect(fit(cantilever({ type: 'nodal', node: 'B', fx: 2 })).fits).toBe(false)
    expect(fit(cantilever({ type: 'temperature', member: 'AB', gradient: 20 })).fits).toBe(false)
    const slope = frame()
      .node('A', 0, 0)
      .node('B', 3, 1)
      .member('A', 'B')
      .support('A', 'fixed')
      .load(load).problem
    expect(fit(slope).fits).toBe(false)
    const hinged = frame()
      .node('A', 0, 0)
      .node('B', 3, 0)
      .node('C', 5, 0)
      .member('A', 'B', { releases: { end: { M: true } } })
      .member('B', 'C')
      .support('A', 'fixed')
      .support('C', 'roller')
      .load(load).problem
    expect(fit(hinged).fits).toBe(false)
  })
})

describe('the moment–area theorems', () => {
  it('give the slope and the deflection of a cantilever from one area', () => {
    const p = beam([0, 3], -1, (b) => b.support('A', 'fixed').load({ type: 'nodal', node: 'B', fy: -8 }))
    const outcome = work(p)
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    const { solution, structure } = outcome
    const [action] = solution.cases
    const book = METHOD.open({
      problem: p,
      structure,
      action: action.id,
      solved: () => ({ solution, action }),
    })
    const EI = structure.members[0].EI / 1000
    const value = (at: string) => book.entry(at)!.value
    // −PL²/2EI and −PL³/3EI
    expect(value('area/AB')).toBeCloseTo((-8 * 9) / (2 * EI), 12)
    expect(value('deviation/AB')).toBeCloseTo((-8 * 27) / (3 * EI), 12)
    expect(value('area-deflection/B')).toBeCloseTo((-8 * 27) / (3 * EI), 12)
    const text = working.workingMarkdown(book)
    expect(text).toContain('Moment–area theorems')
  })
})
