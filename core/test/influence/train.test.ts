import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  alongPath,
  influenceLine,
  movingEnvelope,
  pathOf,
  reversedTrain,
  trainValue,
  work,
  worstPlaces,
  type Asked,
  type Problem,
} from '../../src/index.js'
import { cubicAt, cubicThrough, SAMPLES, signChanges } from '../../src/influence/cubic.js'
import { frame } from '../builder.js'

const spans = (...lengths: number[]): Problem => {
  let b = frame().node('A', 0, 0).support('A', 'pin')
  let x = 0
  lengths.forEach((l, i) => {
    const [from, to] = [String.fromCharCode(65 + i), String.fromCharCode(66 + i)]
    b = b
      .node(to, (x += l), 0)
      .member(from, to)
      .support(to, 'roller')
  })
  return b.problem
}

function pathFor(p: Problem, asked: Asked) {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const s = outcome.structure
  const found = influenceLine(p, s, asked, '-Y')
  if (!found.ok) throw new Error(found.message)
  return alongPath(
    s,
    found.line,
    pathOf(
      s,
      s.members.map((_, i) => i),
    )!,
  )!
}

describe('a train of loads', () => {
  it('on a beam of two supports has its largest moment at a section under one of its loads', () => {
    const path = pathFor(spans(10), { quantity: 'moment', member: 'AB', at: '50%' })
    const { max } = worstPlaces(path, [
      { force: 20, behind: 0 },
      { force: 80, behind: 4 },
    ])
    // the heavy load in the middle: 80·2.5 + 20·0.5
    expect(max.value).toBeCloseTo(210, 9)
    expect(max.x).toBeCloseTo(9, 9)
  })
  it('turned round is a train of the same loads', () => {
    const train = [
      { force: 1, behind: 0 },
      { force: 2, behind: 3 },
      { force: 3, behind: 4 },
    ]
    expect(reversedTrain(train).map((t) => [t.force, t.behind])).toEqual([
      [3, 0],
      [2, 1],
      [1, 4],
    ])
    expect(reversedTrain(reversedTrain(train))).toEqual(train)
  })
  it('is nowhere worse than at the places that are found, and is so bad there', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 2, max: 12, noNaN: true }), { minLength: 1, maxLength: 3 }),
        fc.array(
          fc.record({
            force: fc.double({ min: 1, max: 100, noNaN: true }),
            gap: fc.double({ min: 0.2, max: 5, noNaN: true }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        fc.constantFrom('moment' as const, 'shear' as const, 'reaction' as const),
        (lengths, loads, quantity) => {
          const asked: Asked =
            quantity === 'reaction'
              ? { quantity, node: 'B', component: 'y' }
              : { quantity, member: 'AB', at: '37%' }
          const path = pathFor(spans(...lengths), asked)
          let behind = 0
          const train = loads.map(({ force, gap }, i) => ({ force, behind: i ? (behind += gap) : 0 }))
          const { max, min } = worstPlaces(path, train)
          const small = 1e-9 * Math.max(1, Math.abs(max.value), Math.abs(min.value))
          const end = lengths.reduce((a, b) => a + b, 0) + behind
          for (let k = 0; k <= 400; k++) {
            const v = trainValue(path, train, (k * end) / 400)
            expect(v).toBeLessThanOrEqual(max.value + small)
            expect(v).toBeGreaterThanOrEqual(min.value - small)
          }
          for (const worst of [max, min]) {
            const both = (['left', 'right'] as const).map((side) => trainValue(path, train, worst.x, side))
            expect(Math.min(...both.map((v) => Math.abs(v - worst.value)))).toBeLessThanOrEqual(small)
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('a cubic', () => {
  const coefficient = fc.double({ min: -10, max: 10, noNaN: true })
  it('is found from four of its values', () => {
    fc.assert(
      fc.property(
        fc.tuple(coefficient, coefficient, coefficient, coefficient),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (k, s) => {
          const found = cubicThrough(SAMPLES.map((t) => cubicAt(k, t)))
          expect(Math.abs(cubicAt(found, s) - cubicAt(k, s))).toBeLessThan(1e-11)
        },
      ),
    )
  })
  it('changes its sign where its factors do', () => {
    // (s − 0.2)(s − 0.5)(s − 0.9)
    expect(signChanges([-0.09, 0.73, -1.6, 1])).toEqual(
      [0.2, 0.5, 0.9].map((s) => expect.closeTo(s, 12) as number),
    )
    expect(signChanges([1, 0, 0, 0])).toEqual([])
  })
})

describe('the envelope of a moving train', () => {
  const moving = (p: Problem, train: { force: number; behind: number }[], quantity: 'moment' | 'shear') => {
    const outcome = work(p)
    if (outcome.stage !== 'solved') throw new Error(outcome.stage)
    const structure = outcome.structure
    const path = pathOf(structure, [...structure.members.keys()])!
    return movingEnvelope({ problem: p, structure, path, train, quantity })!
  }

  it('has the absolute largest moment of a simple beam where the textbook rule has it', () => {
    // the resultant of 20 and 10, 3 m apart, is 1 m behind the first; the middle of the beam halves that way
    const { greatest } = moving(
      spans(10),
      [
        { force: 20, behind: 0 },
        { force: 10, behind: 3 },
      ],
      'moment',
    )
    const under = 5 - 0.5
    expect(greatest.value).toBeCloseTo((30 * under * under) / 10, 9)
    expect(Math.min(greatest.x, 10 - greatest.x)).toBeCloseTo(under, 5)
    expect(Math.abs(greatest.front - (greatest.turned ? 5.5 + 3 : 5.5))).toBeLessThan(4.1)
  })

  it('has the largest shear at a support, with the train at its end', () => {
    const { greatest, least } = moving(spans(8), [{ force: 12, behind: 0 }], 'shear')
    expect(greatest.value).toBeCloseTo(12, 9)
    expect(greatest.x).toBeCloseTo(0, 6)
    expect(least.value).toBeCloseTo(-12, 9)
    expect(least.x).toBeCloseTo(8, 6)
  })

  it('nowhere lies within what the train makes at any of its places', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 24 }),
        fc.double({ min: 0, max: 13, noNaN: true }),
        (k, front) => {
          const p = spans(6, 4)
          const train = [
            { force: 5, behind: 0 },
            { force: 8, behind: 2.5 },
          ]
          const { points } = moving(p, train, 'moment')
          const point = points[k]
          const path = pathFor(p, { quantity: 'moment', member: 'AB', at: `${(100 * k) / 24}%` })
          const value = trainValue(path, train, front)
          expect(value).toBeLessThanOrEqual(point.max.value + 1e-9)
          expect(value).toBeGreaterThanOrEqual(point.min.value - 1e-9)
        },
      ),
      { numRuns: 6 },
    )
  })
})
