import { describe, expect, it } from 'vitest'
import { newProblem, type Problem } from '../../src/index.js'
import { readAnswerValue } from '../../src/statement/answer-value.js'

const truss: Problem = {
  ...newProblem(),
  kind: 'truss',
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 3, y: 0 },
  ],
  members: [{ id: 'AB', start: 'A', end: 'B' }],
}
const axial = { quantity: 'axial', member: 'AB' } as const

describe('a hand value', () => {
  it.each([
    ['8.4 C', { value: 8.4, sense: 'compression' }],
    ['8.4C', { value: 8.4, sense: 'compression' }],
    ['8.4 kN T', { value: '8.4 kN', sense: 'tension' }],
    ['8.4 kN t', { value: '8.4 kN', sense: 'tension' }],
    ['8.4 kN tension', { value: '8.4 kN', sense: 'tension' }],
    ['-8.4', { value: -8.4 }],
    ['2 tf', { value: '2 tf' }],
    ['2 tf C', { value: '2 tf', sense: 'compression' }],
  ])('of an axial force: %s', (text, said) =>
    expect(readAnswerValue(truss, axial, text)).toEqual({ ok: true, ...said }),
  )
  it.each([
    ['8.4 t', /tonnes or tension/],
    ['-8.4 C', /not both/],
    ['8.4 m', /Expected a force/],
  ])('%s is asked about', (text, words) =>
    expect(readAnswerValue(truss, axial, text)).toMatchObject({
      ok: false,
      message: expect.stringMatching(words) as string,
    }),
  )
  it('of a reaction has no such letter', () => {
    expect(readAnswerValue(truss, { quantity: 'reaction', node: 'A', component: 'y' }, '8 T').ok).toBe(false)
  })
})
