import { statesEndForce } from '../end-signs.js'
import type { Differing, Rule } from './rule.js'

/** The amount is right, the sign is not. */
export const oppositeSign: Rule = {
  kind: 'opposite-sign',
  tried: ['digits', 'near'],
  find: (v, near) => (near(-v.value) ? { kind: 'opposite-sign', sentence: sentenceOf(v) } : null),
}

function sentenceOf({ problem, solution, answer: a }: Differing): string {
  if (statesEndForce(problem, solution, a))
    return (
      'The amount is right, the sign is opposite: the values at members’ ends are stated as forces on the ' +
      `member, ${a.quantity === 'moment' ? 'counter-clockwise' : 'along its y'} positive.`
    )
  switch (a.quantity) {
    case 'reaction':
    case 'displacement':
      return (
        'The amount is right, the sign is opposite: Viga counts ' +
        `${a.component === 'x' ? 'to the right' : a.component === 'y' ? 'upward' : 'counter-clockwise'} ` +
        'as positive.'
      )
    case 'fixed-end':
      return (
        'The amount is right, the sign is opposite: Viga counts what acts on the member, a moment positive ' +
        'counter-clockwise.'
      )
    case 'load-vector':
      return (
        'The amount is right, the sign is opposite: an entry of P is the load on the joint less the ' +
        'fixed-end ' +
        'forces there.'
      )
    case 'axial':
      return 'The amount is right, the sign is opposite: Viga counts tension as positive.'
    case 'moment':
      return (
        'The amount is right, the sign is opposite: Viga counts a moment as positive when it puts ' +
        'the −y face of the member in tension (sagging, for a member drawn from left to right).'
      )
    case 'shear':
      return (
        'The amount is right, the sign is opposite: Viga counts a shear as positive when it is up on ' +
        'the left part.'
      )
    default:
      return 'The amount is right, the sign is opposite.'
  }
}
