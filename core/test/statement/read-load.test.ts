import { describe, expect, it } from 'vitest'
import { newProblem, type Problem } from '../../src/index.js'
import { readLoads } from '../../src/statement/read-load.js'

const beam: Problem = {
  ...newProblem(),
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 6, y: 0 },
    { id: 'C', x: 12, y: 0 },
  ],
  members: [
    { id: 'AB', start: 'A', end: 'B' },
    { id: 'BC', start: 'B', end: 'C' },
  ],
}

const read = (on: string, amount: string, at = '') => readLoads(beam, on, amount, 'down', at)

describe('the line of a load is read whole', () => {
  it.each([
    ['B', '12 kN at 30', [{ type: 'nodal', node: 'B', force: '12 kN', angle: '30 deg' }]],
    ['B', '12 kN ∠ 360/8', [{ force: '12 kN', angle: '(360/8) deg' }]],
    ['B', '12 kN at 0.5 rad', [{ force: '12 kN', angle: '0.5 rad' }]],
    ['AB', '5 kN at 1.5', [{ type: 'point', member: 'AB', at: 1.5, fy: '-5 kN' }]],
    ['AB', '5 kN @ 1.5', [{ at: 1.5, fy: '-5 kN' }]],
    ['AB', '5 kN at 40% up', [{ at: '40%', fy: '5 kN' }]],
    ['AB', '5 kN at 1.5 at 30°', [{ at: 1.5, force: '5 kN', angle: '30 deg' }]],
    ['AB', 'left 5 kN at 2', [{ at: 2, fx: '-5 kN' }]],
    ['AB', '20 kN*m cw at 2', [{ at: 2, m: '-20 kN*m' }]],
    ['AB', '3 kN*m/m ccw', [{ type: 'couple', member: 'AB', q: '3 kN*m/m' }]],
    ['AB', '3 kN*m/m cw', [{ type: 'couple', q: '-3 kN*m/m' }]],
    [
      'AB',
      '5 kN at 1, 2.5, 4',
      [
        { at: 1, fy: '-5 kN' },
        { at: 2.5, fy: '-5 kN' },
        { at: 4, fy: '-5 kN' },
      ],
    ],
    [
      'AB',
      '5 kN at 1; 8 kN up at 3 and 2 kN at 50%',
      [
        { at: 1, fy: '-5 kN' },
        { at: 3, fy: '8 kN' },
        { at: '50%', fy: '-2 kN' },
      ],
    ],
    ['AB', '0 to 6 kN/m from 1 to 3', [{ type: 'distributed', points: [{ at: 1 }, { at: 3 }] }]],
    ['B', '2 t', [{ fy: '-2 t' }]],
    ['AB', '1.5 tf/m', [{ type: 'distributed', q: '-1.5 tf/m' }]],
    ['AB', '20 °C', [{ type: 'temperature', uniform: '20 °C' }]],
    ['A-B', '6', [{ type: 'distributed', member: 'AB', q: -6 }]],
    ['ba', '6', [{ type: 'distributed', member: 'AB' }]],
    ['AB 6 kN/m', '', [{ type: 'distributed', member: 'AB', q: '-6 kN/m' }]],
    ['A B 6 kN/m up', '', [{ type: 'distributed', member: 'AB', q: '6 kN/m' }]],
    ['B 5 kN left', '', [{ type: 'nodal', node: 'B', fx: '-5 kN' }]],
  ])('%s: %s', (on, amount, loads) => {
    const made = read(on, amount)
    expect(made).toMatchObject({ ok: true, loads })
    if (made.ok) expect(made.loads).toHaveLength(loads.length)
  })
})

describe('a name after the amount, as a sentence says it', () => {
  it.each([
    ['12 kN down on B', 'B', '12 kN down'],
    ['6 kN/m on member AB', 'AB', '6 kN/m'],
    ['5 kN at 1 on A B', 'AB', '5 kN at 1'],
  ])('%s', (line, on, amount) => {
    expect(read(line, '')).toEqual(read(on, amount))
    expect(read(line, '')).toMatchObject({ ok: true })
  })
})

describe('what is left over of it is refused, and said', () => {
  it.each([
    ['B', '5 kN cw', '', 'amount', /A force does not act clockwise/],
    ['B', 'cw', '', 'amount', /amount is missing/],
    ['B', '5 kN up 3', '', 'amount', /"3" is left over/],
    ['B', '5 kN up down', '', 'amount', /two ways/],
    ['B', '5 kN up at 30', '', 'amount', /direction or an angle/],
    ['B', '12 kN*m at 30', '', 'amount', /A moment has no angle/],
    ['B', '12 kN at soon', '', 'amount', /soon/],
    ['AB', '5 kN at 1', '2', 'at', /stated in the amount already/],
    ['AB', '6 kN/m at 2', '', 'at', /from one place to another/],
    ['AB', '3 kN*m/m up', '', 'amount', /write cw or ccw/],
    ['AB', '20 K at 2', '', 'amount', /the whole member/],
    ['AB', '2,5 kN', '', 'amount', /point/],
    ['AC', '5 kN', '', 'on', /No member joins A and C/],
    ['Q 5 kN', '', '', 'on', /no joint or member Q/],
  ])('%s: %s %s', (on, amount, at, where, words) => {
    const message = expect.stringMatching(words) as string
    expect(read(on, amount, at)).toMatchObject({ ok: false, at: where, message })
  })
  it('with the text that is left over', () => {
    expect(read('B', '5 kN up 3')).toMatchObject({ rest: '3' })
    expect(read('B', '5 kN cw')).toMatchObject({ rest: 'cw' })
    expect(read('Q 5 kN', '')).toMatchObject({ rest: 'Q' })
    expect(read('5 kN cw on B', '')).toMatchObject({ at: 'on', rest: 'cw' })
  })
})

describe('a load on several joints or members', () => {
  const labels = ['A', 'B', 'C', 'D', 'E']
  const numbered: Problem = {
    ...newProblem(),
    nodes: [...labels, '9'].map((id, x) => ({ id, x, y: 0 })),
    members: [
      ...labels.slice(1).map((end, i) => ({ id: labels[i] + end, start: labels[i], end })),
      { id: '9', start: 'E', end: '9' },
    ],
  }
  const places = (on: string, amount: string) => {
    const made = readLoads(numbered, on, amount, 'down', '')
    return made.ok ? made.loads.map((l) => (l.type === 'nodal' ? l.node : l.member)) : made
  }
  it.each([
    ['B, C, D, E', '10 kN', ['B', 'C', 'D', 'E']],
    ['B..E', '10 kN', ['B', 'C', 'D', 'E']],
    ['D…B', '10 kN', ['B', 'C', 'D']],
    ['A and C', '10 kN', ['A', 'C']],
    ['AB, BC', '6 kN/m', ['AB', 'BC']],
    ['AB..CD', '6 kN/m', ['AB', 'BC', 'CD']],
    ['B, CD', '5 kN', ['B', 'CD']],
    ['members AB and CD', '5 kN', ['AB', 'CD']],
    ['B, C, D 10 kN', '', ['B', 'C', 'D']],
    ['10 kN down on B, C and D', '', ['B', 'C', 'D']],
    ['9', '10 kN/m', ['9']],
    ['10 kN/m on 9', '', ['9']],
    ['B, C', '6 kN/m', ['BC']],
  ])('%s: %s', (on, amount, names) => expect(places(on, amount)).toEqual(names))
  it.each([
    ['9', '10 kN', /9 may be the joint 9 or the member 9: write joint 9, or member 9/],
    ['B, C', '10 kN', /may be the member BC or the joints B and C/],
    ['B, C, Q', '10 kN', /no joint or member Q/],
    ['B, C, D', '6 kN/m', /is a joint/],
  ])('%s: %s is refused', (on, amount, words) =>
    expect(places(on, amount)).toMatchObject({ ok: false, message: expect.stringMatching(words) as string }),
  )
  it('stands where a place is named', () =>
    expect(readLoads(numbered, 'AB', '5 kN at middle', 'down', '')).toMatchObject({
      loads: [{ at: '50%' }],
    }))
})
