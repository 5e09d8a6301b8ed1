import { describe, expect, it } from 'vitest'
import {
  answerAt,
  answerDimension,
  checkDocument,
  siPerCoherent,
  workWithSystem,
  type Answer,
  type AnswerPlace,
  type Quantity,
  type Problem,
} from '../../src/index.js'
import { computedValues } from '../../src/checking/slips/values.js'
import { loadedSpans, truss } from '../builder.js'

const beam = loadedSpans.problem

const moment = (member: string, at: Quantity): AnswerPlace => ({ quantity: 'moment', member, at })
const shear = (member: string, at: Quantity): AnswerPlace => ({ quantity: 'shear', member, at })
const reaction = (node: string): AnswerPlace => ({ quantity: 'reaction', node, component: 'y' })

const PLACES: AnswerPlace[] = [
  moment('AB', 0),
  moment('AB', '100%'),
  shear('AB', '0 m'),
  shear('AB', '6 m'),
  shear('BC', '0%'),
  reaction('A'),
  reaction('B'),
  reaction('C'),
]

const answerOf = (place: AnswerPlace, id: string, value: Quantity): Answer => ({
  id,
  ...answerAt(place, { value }),
})

const solvedOf = (p: Problem) => {
  const { solved } = workWithSystem(p)
  if (!solved) throw new Error('not solved')
  return solved
}

/** The computed values of places in coherent units. */
function valuesOf(p: Problem, places: readonly AnswerPlace[]): number[] {
  const { solution } = solvedOf(p)
  return places.map((a) => {
    return computedValues(p, solution, a)![0] / siPerCoherent(p.units, answerDimension(a))
  })
}

/** What a check says of hand values at places, rounded to four figures. */
function check(p: Problem, places: readonly AnswerPlace[], values: readonly number[]) {
  const answers = places.map((a, i) => answerOf(a, `a${i}`, Number(values[i].toPrecision(4))))
  const stated = { ...p, answers }
  return checkDocument(stated, solvedOf(stated))
}
const verdicts = (d: ReturnType<typeof check>) => d.answers.map((a) => a.verdict)

describe('two slips at once', () => {
  it('are named where no single one explains the sheet', () => {
    const wrong: Problem = {
      ...beam,
      loadCases: [
        {
          id: '1',
          loads: [
            { type: 'distributed', member: 'AB', direction: 'Y', q: 12 },
            { type: 'point', member: 'BC', at: '50%', fy: -30 },
          ],
        },
      ],
      supports: [{ node: 'A', type: 'pin' }, ...beam.supports!.slice(1)],
    }
    const [first] = check(beam, PLACES, valuesOf(wrong, PLACES)).explanations
    expect(first.kind).toBe('pair')
    expect(first.slips?.map((s) => [s.kind, s.subject])).toEqual([
      ['load-sign', { case: '1', load: 0 }],
      ['support', { node: 'A', taken: 'pin' }],
    ])
    expect(first.explains).toHaveLength(PLACES.length)
    expect(first.sentence).toBe(
      'Your values fit two slips at once: the 12 kN/m on AB taken in the opposite direction; and a pin ' +
        'support at A.',
    )
  })
  it('are not looked for where one does', () => {
    const wrong = { ...beam, supports: [{ node: 'A', type: 'pin' as const }, ...beam.supports!.slice(1)] }
    const found = check(beam, PLACES, valuesOf(wrong, PLACES)).explanations
    expect(found[0]).toMatchObject({ kind: 'support', subject: { node: 'A', taken: 'pin' } })
    expect(found.every((e) => e.kind !== 'pair')).toBe(true)
  })
})

describe('values that follow from a wrong one', () => {
  /** M at B wrong by so much; shears and reactions from it by equilibrium. */
  function fromMoment(by: number): number[] {
    const right = valuesOf(beam, PLACES)
    const d = by / 6
    const e = by / 4
    return right.map((v, i) => v + [0, by, d, d, -e, d, -d - e, e][i])
  }
  it('say so, and name the one that stands first', () => {
    const d = check(beam, PLACES, fromMoment(5))
    expect(d.explanations[0]).toMatchObject({ kind: 'followed', wrong: 'a1' })
    expect(d.explanations[0].follow).toEqual(['a2', 'a3', 'a4', 'a5', 'a6', 'a7'])
    expect(verdicts(d)).toEqual(['agrees', 'differs', ...new Array<string>(6).fill('follows')])
    expect(d.answers[2].from).toEqual(['a1'])
    expect(d.score).toEqual({ agree: 1, differ: 7, unknown: 0 })
  })
  it('have no reason of their own beside it', () => {
    for (const a of check(beam, PLACES, fromMoment(5)).answers.slice(2)) expect(a.diagnosis).toBeUndefined()
  })
  it('are not found in values that are wrong each by itself', () => {
    const values = fromMoment(5).map((v, i) => v * (1 + 0.07 * Math.sin(7 * i + 1)))
    const d = check(beam, PLACES, values)
    expect(d.explanations).toEqual([])
    expect(verdicts(d)).not.toContain('follows')
  })
  it('follow from a displacement by the equations of the members', () => {
    const places: AnswerPlace[] = [
      { quantity: 'displacement', node: 'B', component: 'rotation' },
      ...[moment('AB', 0), moment('AB', '100%'), moment('BC', 0), shear('AB', 0)],
    ]
    const EI = 2e8 * 1e-4
    const right = valuesOf(beam, places)
    const turn = 2 * right[0]
    // start: M = −m, m = 2EI/L·θ; end: M = m = 4EI/L·θ; the shear is their sum over L
    const by = [turn, (-2 * EI * turn) / 6, (4 * EI * turn) / 6, (-4 * EI * turn) / 4, (6 * EI * turn) / 36]
    const d = check(
      beam,
      places,
      right.map((v, i) => v + by[i]),
    )
    expect(d.explanations[0]).toMatchObject({
      kind: 'followed',
      wrong: 'a0',
      follow: ['a1', 'a2', 'a3', 'a4'],
    })
  })
})

describe('the signs of the slope–deflection equations', () => {
  const ENDS = [
    moment('AB', 0),
    moment('AB', '6 m'),
    moment('BC', '0 m'),
    shear('AB', 0),
    shear('AB', '100%'),
  ]
  const usual = valuesOf(beam, ENDS)
  const deflection = [-usual[0], usual[1], -usual[2], usual[3], -usual[4]]
  it('are another convention, not a mistake', () => {
    const d = check(beam, ENDS, deflection)
    expect(verdicts(d)).toEqual(['convention', 'agrees', 'convention', 'agrees', 'convention'])
    expect(d.explanations).toEqual([])
    expect(d.consistency).toEqual([])
  })
  it('hold for every end moment of a sheet, or for none', () =>
    expect(verdicts(check(beam, ENDS, [...deflection.slice(0, 2), usual[2], ...usual.slice(3)]))).toEqual([
      'differs',
      'agrees',
      'agrees',
      'agrees',
      'agrees',
    ]))
  it('leave the usual signs to values within the span', () => {
    const inside = moment('AB', '40%')
    const [v] = valuesOf(beam, [inside])
    expect(verdicts(check(beam, [...ENDS, inside], [...deflection, v])).at(-1)).toBe('agrees')
    expect(verdicts(check(beam, [...ENDS, inside], [...deflection, -v])).at(-1)).toBe('differs')
  })
  it('are told from the opposite convention, in which extremes may be either', () => {
    const extremes: AnswerPlace[] = [
      { quantity: 'maximum', of: 'moment', member: 'AB' },
      { quantity: 'minimum', of: 'moment', member: 'AB' },
    ]
    const [most, least] = valuesOf(beam, extremes)
    const opposite = usual.slice(0, 3).map((v) => -v)
    const all = [...ENDS.slice(0, 3), ...extremes]
    for (const [a, b] of [
      [-most, -least],
      [-least, -most],
    ])
      expect(verdicts(check(beam, all, [...opposite, a, b]))).toEqual(new Array<string>(5).fill('convention'))
  })
})

describe('a reason for one value', () => {
  const tower = truss()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .node('C', 4, 3)
    .member('A', 'B')
    .member('B', 'C')
    .member('A', 'C')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'nodal', node: 'C', fx: 12 }).problem
  const reason = (p: Problem, value: number | string, place: AnswerPlace) => {
    const stated = { ...p, answers: [answerOf(place, 'a', value)] }
    return checkDocument(stated, solvedOf(stated)).answers[0].diagnosis
  }
  it('speaks of feet and inches only where such units stand', () => {
    const right = valuesOf(beam, [reaction('A')])[0]
    expect(reason(beam, Number((12 * right).toPrecision(4)), reaction('A'))).toBeUndefined()
    const feet = { ...beam, units: { length: 'ft', force: 'kip' } }
    const inFeet = valuesOf(feet, [reaction('A')])[0]
    expect(reason(feet, Number((12 * inFeet).toPrecision(4)), reaction('A'))).toMatchObject({
      kind: 'unit-factor',
      factor: 12,
    })
    expect(reason(feet, Number((11.94 * inFeet).toPrecision(4)), reaction('A'))?.kind).not.toBe('unit-factor')
  })
  it('is an exact match elsewhere before a factor of a unit', () => {
    // the force of AC is 15, that of BC −9, that of AB 0
    expect(reason(tower, -9, { quantity: 'axial', member: 'AC' })).toMatchObject({ kind: 'other-place' })
    expect(reason(tower, 150, { quantity: 'axial', member: 'AC' })).toMatchObject({
      kind: 'unit-factor',
      factor: 10,
    })
  })
})

describe('a value that is undetermined', () => {
  it('is unknown, with its reason', () => {
    const held: Problem = {
      ...beam,
      members: beam.members.map((m) => ({ ...m, axiallyRigid: true })),
      supports: [
        { node: 'A', type: 'fixed' },
        { node: 'B', type: 'roller' },
        { node: 'C', type: 'pin' },
      ],
    }
    const d = check(held, [{ quantity: 'axial', member: 'AB', at: 0 }], [10])
    expect(d.answers[0]).toMatchObject({ verdict: 'unknown' })
    expect(d.answers[0].reason).toMatch(/cannot be determined/)
  })
})
