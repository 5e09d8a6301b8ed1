import { problemErrors, type Load, type Problem } from '../../src/index.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  asSort,
  JOINT_SORTS,
  lineOf,
  LINE_WAYS,
  MEMBER_SORTS,
  moved,
  readLine,
  readPlaces,
  sortOf,
  spread,
  withLine,
  withoutPoint,
  withPoint,
  withStrain,
} from '../../src/statement/load-sorts.js'
import { readLoads } from '../../src/statement/read-load.js'
import { beam } from '../../../web/test/problems'

const keeps = (load: Load): Problem => ({ ...beam, loadCases: [{ id: '1', loads: [load] }] })
const onMember: Load[] = [
  { type: 'point', member: 'AB', at: '30%', fy: '-5 kN' },
  { type: 'point', member: 'AB', at: 1, m: 4 },
  { type: 'point', member: 'AB', at: 1, fx: 1, fy: 2, m: 3 },
  { type: 'distributed', member: 'AB', direction: 'Y', q: '-w' },
  {
    type: 'distributed',
    member: 'AB',
    direction: 'x',
    points: [
      { at: 0, q: 1 },
      { at: '100%', q: 3 },
    ],
  },
  { type: 'couple', member: 'AB', q: 2 },
  { type: 'temperature', member: 'AB', uniform: 20 },
  { type: 'misfit', member: 'AB', elongation: '2 mm' },
]
const onJoint: Load[] = [
  { type: 'nodal', node: 'B', fy: -3 },
  { type: 'nodal', node: 'B', m: 3 },
  { type: 'nodal', node: 'B', fx: 1, fy: -3, m: 2 },
]

describe('a load as another sort', () => {
  it.each(onMember.flatMap((l) => MEMBER_SORTS.map((s) => [sortOf(l), s, l] as const)))(
    '%s → %s is of that sort, and valid',
    (_, sort, load) => {
      const next = asSort(load, sort)
      // several components are added to the force or moment that is there
      expect(sort === 'components' ? ['force', 'moment', 'components'] : [sort]).toContain(sortOf(next))
      expect(problemErrors(keeps(next))).toEqual([])
    },
  )
  it.each(onJoint.flatMap((l) => JOINT_SORTS.map((s) => [sortOf(l), s, l] as const)))(
    'at a joint, %s → %s',
    (_, sort, load) => {
      const next = asSort(load, sort)
      // several components are added to the force or moment that is there
      expect(sort === 'components' ? ['force', 'moment', 'components'] : [sort]).toContain(sortOf(next))
      expect(problemErrors(keeps(next))).toEqual([])
    },
  )
  it('keeps amount and place', () => {
    expect(asSort(onMember[0], 'moment')).toEqual({ type: 'point', member: 'AB', at: '30%', m: 5 })
    expect(asSort(onMember[3], 'varying')).toMatchObject({
      points: [
        { at: 0, q: 0 },
        { at: '100%', q: '-w' },
      ],
    })
  })
  it.each([...onMember, ...onJoint].map((l) => [sortOf(l), l] as const))(
    '%s goes to another joint or member',
    (_, load) => {
      expect(problemErrors(keeps(moved(load, { node: 'C' })))).toEqual([])
      expect(problemErrors(keeps(moved(load, { member: 'BC' })))).toEqual([])
    },
  )
})

describe('a varying load as it is read', () => {
  const value = fc.oneof(
    fc.integer({ min: 0, max: 50 }),
    fc.constantFrom<string | number>('w', '6 kN/m', '2*w + 1 kN/m'),
  )
  it('comes back from any way it acts, its values positive', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LINE_WAYS),
        fc.array(value, { minLength: 2, maxLength: 4 }),
        (way, qs) => {
          fc.pre(qs.some((q) => q !== 0))
          const points = qs.map((q, i) => ({ at: `${(100 * i) / (qs.length - 1)}%`, q }))
          const load = withLine({ type: 'distributed', member: 'AB', direction: 'Y' }, { way, points })
          expect(lineOf(load)).toEqual({ way, points })
        },
      ),
    )
  })
  it('keeps mixed signs as they are', () =>
    expect(
      lineOf({
        type: 'distributed',
        member: 'AB',
        direction: 'Y',
        points: [
          { at: 0, q: -2 },
          { at: 3, q: 2 },
        ],
      }),
    ).toMatchObject({ way: 'up', points: [{ q: -2 }, { q: 2 }] }))
  it('takes one more point and gives it back', () => {
    const line = {
      way: 'down' as const,
      points: [
        { at: 0, q: 1 },
        { at: '100%', q: 3 },
      ],
    }
    const three = withPoint(line)
    expect(three.points.map((p) => p.at)).toEqual([0, '50%', '100%'])
    expect(withoutPoint(three, 1)).toEqual(line)
    expect(
      withPoint({
        ...line,
        points: [
          { at: 0, q: 1 },
          { at: 2, q: 3 },
        ],
      }).points[2],
    ).toEqual({ at: '100%', q: 3 })
  })
  it.each([
    ['0 to 6 kN/m', [0, '6 kN/m']],
    ['2..6..2 kN/m', ['2 kN/m', '6 kN/m', '2 kN/m']],
    ['w … 2*w', ['w', '2*w']],
    ['6 kN/m', undefined],
  ])('%s', (text, values) => expect(readLine(text)).toEqual(values))
  it('reads places and spreads values between them', () => {
    expect(readPlaces('1 to 3')).toEqual([1, 3])
    expect(readPlaces('20 to 80%')).toEqual(['20%', '80%'])
    expect(readPlaces('2')).toBeUndefined()
    expect(spread([1, 2, 3], 0, '100%')!.map((p) => p.at)).toEqual([0, '50%', '100%'])
    expect(spread([1, 2, 3], 1, 3)!.map((p) => p.at)).toEqual([1, 2, 3])
    expect(spread([1, 2, 3], '1 m', '3 m')).toBeUndefined()
  })
})

describe('warmth and misfit', () => {
  it('a slip brings its place, and takes it away again', () => {
    const slipped = withStrain({ type: 'misfit', member: 'AB', elongation: 1 }, 'slip', '2 mm')
    expect(slipped).toEqual({ type: 'misfit', member: 'AB', elongation: 1, slip: '2 mm', at: '50%' })
    expect(withStrain(slipped as never, 'slip', undefined)).toEqual({
      type: 'misfit',
      member: 'AB',
      elongation: 1,
    })
  })
})

describe('a new load by its unit', () => {
  it.each([
    [
      'AB',
      '0 to 6 kN/m',
      '',
      {
        type: 'distributed',
        points: [
          { at: 0, q: 0 },
          { at: '100%', q: '-6 kN/m' },
        ],
      },
    ],
    [
      'AB',
      '4 kN/m',
      '1 to 3',
      {
        type: 'distributed',
        points: [
          { at: 1, q: '-4 kN/m' },
          { at: 3, q: '-4 kN/m' },
        ],
      },
    ],
    ['AB', '30 K', '', { type: 'temperature', uniform: '30 K' }],
    ['AB', '2 mm', '', { type: 'misfit', elongation: '2 mm' }],
  ])('%s %s %s', (on, amount, at, load) => {
    const made = readLoads(beam, on, amount, 'down', at)
    expect(made).toMatchObject({ ok: true, loads: [load] })
    if (made.ok) expect(problemErrors(keeps(made.loads[0]))).toEqual([])
  })
  it('refuses a line on a joint, and values of the wrong kind, where they are', () => {
    expect(readLoads(beam, 'B', '0 to 3', 'down', '')).toMatchObject({ ok: false, at: 'amount' })
    expect(readLoads(beam, 'AB', '0 to 3 m', 'down', '')).toMatchObject({
      ok: false,
      at: 'amount',
      message: expect.stringContaining('a length') as string,
    })
    expect(readLoads(beam, 'AB', '1 to 2 to 3', 'down', '1 m to 2 m')).toMatchObject({ ok: false, at: 'at' })
  })
})
