import { describe, expect, it } from 'vitest'
import { newProblem, type Problem } from '../../src/index.js'
import { readSupport } from '../../src/statement/read-support.js'

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
  ])('%s', (line, said) => expect(readSupport(p, line)).toEqual({ ok: true, ...said }))
  it.each([
    ['Q fixed', /no joint Q/, 'Q'],
    ['A fixed', /has a support already/, undefined],
    ['F rollover', /not a support/, 'rollover'],
    ['F roller 45 please', /"45 please" is left over/, '45 please'],
    ['F roller at', /left over/, 'at'],
    ['F roller 3 m', /left over/, '3 m'],
  ])('%s is refused', (line, words, rest) => {
    const r = readSupport(p, line)
    expect(r).toMatchObject({ ok: false, message: expect.stringMatching(words) as string })
    expect(r.ok ? '' : r.rest).toBe(rest)
  })
})
