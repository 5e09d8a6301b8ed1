import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newProblem, type Load, type Problem } from '../../src/index.js'
import { entryOf, loadOf, waysFor, type Entry } from '../../src/statement/load-entry.js'
import { magnitude, negated } from '../../src/document/sign.js'
import { readLoads } from '../../src/statement/read-load.js'

const amounts = fc.constantFrom<number | string>(
  5,
  2.5,
  '6 kN',
  '1.2 kPa*5 m',
  'w*L^2/8',
  '2 kN + 3 kN',
  '2.5e-3 kN',
  '3*(2 kN - 1 kN)',
)

describe('the sign of a load', () => {
  it('goes into the document and comes back with the text as typed', () => {
    fc.assert(
      fc.property(
        amounts,
        (a) => JSON.stringify(magnitude(negated(a))) === JSON.stringify({ amount: a, negative: true }),
      ),
    )
    fc.assert(
      fc.property(
        amounts,
        (a) => JSON.stringify(magnitude(a)) === JSON.stringify({ amount: a, negative: false }),
      ),
    )
  })
  it('brackets a sum', () => expect(negated('2 kN + 3 kN')).toBe('-(2 kN + 3 kN)'))
})

describe('a load as a row', () => {
  it('is the same load again', () => {
    const sorts = ['force', 'moment', 'uniform'] as const
    fc.assert(
      fc.property(
        amounts,
        fc.constantFrom(...sorts),
        fc.nat(20),
        fc.boolean(),
        (amount, sort, pick, onMember) => {
          if (sort === 'uniform' && !onMember) return
          const ways = waysFor(sort, onMember)
          const way = ways[pick % ways.length]
          const e: Entry = {
            sort,
            amount,
            way,
            ...(way === 'angle' ? { angle: '30 deg' } : {}),
            ...(sort === 'uniform' ? { per: 'length' as const } : onMember ? { at: '40%' } : {}),
          }
          expect(entryOf(loadOf(onMember ? { member: 'AB' } : { node: 'A' }, e))).toEqual(e)
        },
      ),
    )
  })
  it('is refused a row when it takes more', () => {
    const several: Load = { type: 'nodal', node: 'A', fx: 1, fy: 2 }
    const varying: Load = {
      type: 'distributed',
      member: 'AB',
      direction: 'Y',
      points: [
        { at: 0, q: 1 },
        { at: 2, q: 0 },
      ],
    }
    expect([entryOf(several), entryOf(varying)]).toEqual([undefined, undefined])
  })
})

describe('a new load', () => {
  const p: Problem = {
    ...newProblem(),
    symbols: { w: '12 kN/m' },
    nodes: [
      { id: 'A', x: 0, y: 0 },
      { id: 'B', x: 4, y: 0 },
    ],
    members: [{ id: 'AB', start: 'A', end: 'B' }],
  }
  it.each([
    ['ab', '6 kN/m', 'down', '', { type: 'distributed', member: 'AB', direction: 'Y', q: '-6 kN/m' }],
    ['AB', 'w', 'right', '', { type: 'distributed', direction: 'X', q: 'w' }],
    ['AB', '6', 'down', '', { type: 'distributed', q: -6 }],
    ['AB', '6', 'down', '25%', { type: 'point', at: '25%', fy: -6 }],
    ['AB', '5 kN', 'left', '', { type: 'point', at: '50%', fx: '-5 kN' }],
    ['b', '5', 'up', '', { type: 'nodal', node: 'B', fy: 5 }],
    ['B', '3 kN*m', 'cw', '', { type: 'nodal', m: '-3 kN*m' }],
  ] as const)('%s, %s %s', (on, amount, way, at, load) =>
    expect(readLoads(p, on, amount, way, at)).toMatchObject({ ok: true, loads: [load] }),
  )
  it.each([
    ['Q', '5', 'on', /no joint or member Q/],
    ['A', '5 kN/m', 'amount', /is a joint/],
    ['A', '5 m', 'amount', /Expected a force/],
  ] as const)('%s, %s is refused at %s', (on, amount, at, words) => {
    const r = readLoads(p, on, amount, 'down', '')
    expect(r).toMatchObject({ ok: false, at, message: expect.stringMatching(words) as string })
  })
})
