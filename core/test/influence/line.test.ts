import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  alongPath,
  areaBetween,
  checkAnswer,
  influenceLine,
  lineAt,
  lineExtremes,
  lineStations,
  patches,
  pathOf,
  readAlong,
  readAsked,
  work,
  type Asked,
  type Direction,
  type InfluenceLine,
  type Load,
  type Problem,
} from '../../src/index.js'
import { frame, triangle } from '../builder.js'
import { anyFrame } from '../properties/any-frame.js'

const structureOf = (p: Problem) => {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  return outcome.structure
}

function lineOf(p: Problem, asked: Asked, direction: Direction = '-Y'): InfluenceLine {
  const found = influenceLine(p, structureOf(p), asked, direction)
  if (!found.ok) throw new Error(found.message)
  return found.line
}

/** The value that the solver finds for a quantity under loads alone. */
function solvedWith(p: Problem, asked: Asked, ...loads: Load[]): number {
  const problem: Problem = {
    ...p,
    supports: (p.supports ?? []).map((s) => ({ ...s, settlement: undefined })),
    loadCases: [{ id: 'one', loads }],
    combinations: [],
  }
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { computed } = checkAnswer(problem, outcome.solution, { ...asked, id: 'a', value: 0 })
  return computed ?? NaN
}

const unit = (member: string, at: number | string): Load => ({ type: 'point', member, at, fy: -1 })

const beam = () =>
  frame().node('A', 0, 0).node('B', 8, 0).member('A', 'B').support('A', 'pin').support('B', 'roller')

describe('the influence line of a beam on two supports', () => {
  const p = beam().problem
  const at = (line: InfluenceLine, x: number, side?: 'left' | 'right') => lineAt(line.members[0], x, side)
  it('is (L − x)/L of a reaction, x(L − a)/L of a moment at a', () => {
    expect(at(lineOf(p, { quantity: 'reaction', node: 'A', component: 'y' }), 2)).toBeCloseTo(0.75, 14)
    const moment = lineOf(p, { quantity: 'moment', member: 'AB', at: 3 })
    expect(at(moment, 3)).toBeCloseTo((3 * 5) / 8, 13)
    expect(at(moment, 1)).toBeCloseTo(5 / 8, 13)
    expect(at(moment, 8)).toBeCloseTo(0, 13)
  })
  it('jumps by one of a shear, where two stations stand at one place', () => {
    const shear = lineOf(p, { quantity: 'shear', member: 'AB', at: '25%' })
    expect([at(shear, 2, 'left'), at(shear, 2, 'right')]).toEqual([
      expect.closeTo(-0.25, 13),
      expect.closeTo(0.75, 13),
    ])
    const places = lineStations(shear.members[0], structureOf(p).members[0], 5)
    expect(places.map((s) => s.x)).toEqual([0, 2, 2, 4, 6, 8])
  })
  it('has its peak, its areas and where its sign changes', () => {
    const s = structureOf(p)
    const path = alongPath(s, lineOf(p, { quantity: 'shear', member: 'AB', at: '25%' }), pathOf(s, [0])!)!
    expect(lineExtremes(path)).toMatchObject({
      max: { x: 2, value: expect.closeTo(0.75, 12) as number },
      min: { x: 2, value: expect.closeTo(-0.25, 12) as number },
    })
    expect(patches(path)).toMatchObject([
      { from: 0, to: 2, area: expect.closeTo(-0.25, 12) as number },
      { from: 2, to: 8, area: expect.closeTo(2.25, 12) as number },
    ])
  })
})

it('goes to the joints by the lever rule on a truss', () => {
  const p = triangle().problem
  const line = lineOf(p, { quantity: 'axial', member: 'AB' })
  const along = (id: string) => line.members.find((m) => structureOf(p).members[m.member].id === id)!
  // half a force at C pulls AB with 1/4; halfway up AC half of it stands at C
  expect(lineAt(along('AC'), Math.SQRT2)).toBeCloseTo(0.25, 13)
  expect(lineAt(along('AB'), 1)).toBe(0)
})

const ASKED = fc.constantFrom<Asked>(
  { quantity: 'reaction', node: 'A', component: 'y' },
  { quantity: 'reaction', node: 'A', component: 'rotation' },
  { quantity: 'displacement', node: 'B', component: 'x' },
  { quantity: 'displacement', node: 'B', component: 'y' },
  { quantity: 'moment', member: 'AB', at: '30%' },
  { quantity: 'shear', member: 'AB', at: '30%' },
  { quantity: 'axial', member: 'AB', at: '30%' },
  { quantity: 'deflection', member: 'AB', at: '30%' },
  { quantity: 'moment', member: 'AB', at: '0%' },
  { quantity: 'fixed-end', member: 'AB', end: 'end', component: 'rotation' },
)

describe('the influence line of any frame', () => {
  it('is what the solver finds for the force at every place', () => {
    fc.assert(
      fc.property(
        anyFrame,
        ASKED,
        fc.nat(3),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (p, asked, m, t) => {
          fc.pre(Math.abs(t - 0.3) > 0.01)
          const line = lineOf(p, asked)
          const { members } = structureOf(p)
          const i = m % members.length
          const value = lineAt(line.members[i], t * members[i].length)!
          const found = solvedWith(p, asked, unit(members[i].id, `${100 * t}%`))
          const size = Math.max(
            ...line.members.flatMap((o) => o.stretches.flatMap((s) => s.value.map(Math.abs))),
          )
          // values of a line are SI for each N: forces and moments for each kN are the same numbers
          const per = asked.quantity === 'displacement' || asked.quantity === 'deflection' ? 1000 : 1
          expect(Math.abs(value * per - found)).toBeLessThan(
            1e-9 * Math.max(size * per, Math.abs(found)) + 1e-15,
          )
        },
      ),
      { numRuns: 60 },
    )
  })

  it('has the area that a uniform load of one makes', () => {
    fc.assert(
      fc.property(anyFrame, ASKED, (p, asked) => {
        const s = structureOf(p)
        const path = alongPath(
          s,
          lineOf(p, asked),
          pathOf(
            s,
            s.members.map((_, i) => i),
          )!,
        )!
        const whole = areaBetween(path, 0, Infinity)
        const ends = [0, '100%'].map((at) => ({ at, q: -1 }))
        const loads = s.members.map(({ id }): Load => ({
          type: 'distributed',
          member: id,
          direction: 'Y',
          points: ends,
        }))
        const found = solvedWith(p, asked, ...loads)
        const per = asked.quantity === 'displacement' || asked.quantity === 'deflection' ? 1000 : 1
        const size = patches(path).reduce((sum, t) => sum + Math.abs(t.area), 0)
        expect(Math.abs(whole * per - found)).toBeLessThan(
          1e-9 * Math.max(size * per, Math.abs(found)) + 1e-15,
        )
        expect(patches(path).reduce((sum, t) => sum + t.area, 0)).toBeCloseTo(whole, 9)
      }),
      { numRuns: 40 },
    )
  })
})

describe('what is asked for', () => {
  const p = beam().problem
  it('is refused where there is no such thing, with its reason', () => {
    const why = (asked: unknown) => {
      const read = readAsked(p, asked)
      return 'ok' in read ? 'fine' : read.message
    }
    expect(why({ quantity: 'moment', member: 'AB', at: '40%' })).toBe('fine')
    expect(why({ quantity: 'moment', member: 'AX', at: 0 })).toBe('There is no member AX.')
    expect(why({ quantity: 'maximum', of: 'moment', member: 'AB' })).toMatch(/moves with the force/)
    expect(why({ quantity: 'weight' })).not.toBe('fine')
    expect(why([1])).toMatch(/an object/)
  })
  it('members of a path are parted by spaces or commas, and each joins the one before', () => {
    const two = beam().node('C', 12, 0).member('B', 'C').support('C', 'roller').problem
    const s = structureOf(two)
    expect(readAlong(s, 'AB, BC')).toEqual([0, 1])
    expect(readAlong(s, 'BC AB')).toEqual([1, 0])
    expect(readAlong(s, 'AB CD')).toEqual({ unknown: 'CD' })
    expect(pathOf(s, [1, 0])).toMatchObject([
      { member: 1, reversed: true, from: 0 },
      { member: 0, reversed: true, from: 4 },
    ])
    expect(pathOf(s, [0, 0])).toBeUndefined()
  })
})
