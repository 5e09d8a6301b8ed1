import { describe, expect, it } from 'vitest'
import { newProblem, type Problem } from '../../src/index.js'
import { readSupport, readSupports } from '../../src/statement/read-support.js'

const p: Problem = {
  ...newProblem(),
  nodes: ['A', 'F', '10'].map((id, x) => ({ id, x, y: 0 })),
  supports: [{ node: 'A', type: 'pin' }],
}

describe('a support in one line', () => {
  it.each([
    ['f', { node: 'F', support: { type: 'pin' } }],
    ['F fixed', { node: 'F', support: { type: 'fixed' } }],
    ['f r', { node: 'F', support: { type: 'roller' } }],
    ['f wall', { node: 'F', support: { type: 'fixed' } }],
    ['f roller 45', { node: 'F', support: { type: 'roller', angle: '45 deg' } }],
    ['10 roller @ 30', { node: '10', support: { type: 'roller', angle: '30 deg' } }],
    ['10 roller@-30°', { node: '10', support: { type: 'roller', angle: '-30 deg' } }],
    ['F roller at atan(3/4)', { node: 'F', support: { type: 'roller', angle: 'atan(3/4)' } }],
    ['F roller turned by 0.5 rad', { node: 'F', support: { type: 'roller', angle: '0.5 rad' } }],
    ['F roller 0', { node: 'F', support: { type: 'roller' } }],
    ['F roller settles 10 mm', { node: 'F', support: { type: 'roller', settlement: { y: '-10 mm' } } }],
    ['F fixed, settlement 5 mm left', { node: 'F', support: { type: 'fixed', settlement: { x: '-5 mm' } } }],
  ])('%s', (line, said) => expect(readSupport(p, line)).toEqual({ ok: true, ...said }))
  it.each([
    ['Q fixed', /no joint Q/, 'Q'],
    ['A fixed', /has a support already/, undefined],
    ['F rollover', /not a support/, 'rollover'],
    ['F roller 45 please', /"45 please" is left over/, '45 please'],
    ['F roller at', /left over/, 'at'],
    ['F roller 3 m', /left over/, '3 m'],
    ['F roller settles 3 kN', /Expected a length/, '3 kN'],
    ['F roller settles 3 mm right', /does not hold/, '3 mm right'],
  ])('%s is refused', (line, words, rest) => {
    const r = readSupport(p, line)
    expect(r).toMatchObject({ ok: false, message: expect.stringMatching(words) as string })
    expect(r.ok ? '' : r.rest).toBe(rest)
  })
})

describe('several supports in one line', () => {
  const q: Problem = { ...p, nodes: ['A', 'B', 'C', 'D'].map((id, x) => ({ id, x, y: 0 })), supports: [] }
  const said = (line: string) => {
    const r = readSupports(q, line)
    return r.ok ? r.supports.map((s) => [s.node, s.type, s.angle].filter(Boolean).join(' ')) : r
  }
  it.each([
    ['A pin, B roller', ['A pin', 'B roller']],
    ['a fixed; d pin and c roller 45', ['A fixed', 'D pin', 'C roller 45 deg']],
    ['A, B pin, C roller', ['A pin', 'B pin', 'C roller']],
    ['A and D fixed', ['A fixed', 'D fixed']],
    ['A, fixed', ['A fixed']],
    ['A', ['A pin']],
  ])('%s', (line, supports) => expect(said(line)).toEqual(supports))
  it.each([
    ['A pin, Q roller', /no joint Q/],
    ['A pin, A roller', /stands in this line twice/],
    ['A pin, B rope', /rope is not a support/],
  ])('%s is refused', (line, words) =>
    expect(said(line)).toMatchObject({ ok: false, message: expect.stringMatching(words) as string }),
  )
})
