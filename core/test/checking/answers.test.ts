import { describe, expect, it } from 'vitest'
import { checkAnswer, withKeys, type Answer, type AnswerKeys } from '../../src/index.js'
import { frame } from '../builder.js'

const b = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 8, 0)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'pin')
  .support('B', 'roller')
  .support('C', 'roller')
  .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -8 })
const middle: Answer = { id: 'a', quantity: 'moment', member: 'AB', at: '100%', value: 0 }
const check = (a: AnswerKeys) => checkAnswer(b.problem, b.solve(), withKeys(middle, a))

// one span of two loaded: M at B is −wL²/16 = −8, A 14, B 20, C −2
describe('hand answers', () => {
  it.each([
    [{ value: -8 }, 'agrees'],
    [{ value: -8.07 }, 'agrees'],
    [{ value: -8.2 }, 'differs'],
    [{ value: -8.2, tolerance: '3%' }, 'agrees'],
    [{ value: '-8.3 kN*m', tolerance: '0.5 kN*m' }, 'agrees'],
    [{ quantity: 'reaction', node: 'B', component: 'y', value: 20 }, 'agrees'],
    [{ quantity: 'maximum', of: 'moment', member: undefined, at: undefined, value: 12.25 }, 'agrees'],
    [{ quantity: 'maximum', of: 'moment', member: 'AB', at: 1.75, value: 12.25 }, 'agrees'],
    [{ quantity: 'maximum', of: 'moment', member: 'AB', at: 3, value: 12.25 }, 'differs'],
    [{ member: 'XY', value: 1 }, 'unknown'],
    [{ at: '130%', value: 1 }, 'unknown'],
    [{ quantity: 'load-factor', value: 3 }, 'unknown'],
    [{ case: 'none', value: 3 }, 'unknown'],
    // the loaded span held at both ends: wL²/12 = 10.67 there, wL/2 = 16
    [{ quantity: 'fixed-end', end: 'start', component: 'rotation', value: 10.67 }, 'agrees'],
    [{ quantity: 'fixed-end', end: 'end', component: 'rotation', value: '-8*4^2/12' }, 'agrees'],
    [{ quantity: 'fixed-end', end: 'end', component: 'y', value: 16 }, 'agrees'],
    [{ quantity: 'fixed-end', member: 'BC', end: 'end', component: 'rotation', value: 0 }, 'agrees'],
    [{ quantity: 'fixed-end', end: 'start', component: 'rotation', value: 16 }, 'differs'],
    // P is the load on the joint less the fixed-end forces there
    [{ quantity: 'load-vector', node: 'B', component: 'rotation', value: 10.67 }, 'agrees'],
    [{ quantity: 'load-vector', node: 'B', component: 'y', value: -16 }, 'agrees'],
    [{ quantity: 'load-vector', node: 'C', component: 'rotation', value: 0 }, 'agrees'],
    [{ quantity: 'load-vector', node: 'B', component: 'rotation', value: -10.67 }, 'differs'],
  ] as [Partial<Answer>, string][])('%j %s', (a, verdict) => expect(check(a).verdict).toBe(verdict))

  it.each([
    [{ value: 8 }, 'opposite-sign'],
    [{ value: -80 }, 'unit-factor'],
    [{ value: -8000 }, 'unit-factor'],
    [{ quantity: 'reaction', node: 'B', component: 'y', value: 14 }, 'other-place'],
    [{ value: -16 }, 'factor'],
    [{ value: -5.123 }, undefined],
  ] as [Partial<Answer>, string | undefined][])('%j: %s', (a, kind) =>
    expect(check(a).diagnosis?.kind).toBe(kind),
  )
})
