import { work } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { placePressed } from '../../app/check/asking'
import { beam } from '../problems'

const structure = (() => {
  const outcome = work(beam)
  if (outcome.stage === 'invalid') throw new Error('valid')
  return outcome.structure
})()
const at = (x: number, y: number, diagram: 'M' | 'V' | null = 'M') =>
  placePressed(beam, structure, { x, y }, diagram)

describe('a press on the Figure under Check', () => {
  it('on a support asks for its reaction, on another joint for its displacement', () => {
    expect(at(0.1, 0.1)).toEqual({ quantity: 'reaction', node: 'A', component: 'y' })
    expect(at(4, -0.1)).toEqual({ quantity: 'displacement', node: 'B', component: 'y' })
  })
  it('on a member asks for what the diagram shows, at a place as a person says it', () => {
    expect(at(1.234, 0.1)).toEqual({ quantity: 'moment', member: 'AB', at: 1.2 })
    expect(at(6.02, 0, 'V')).toEqual({ quantity: 'shear', member: 'BC', at: '50%' })
  })
  it('beside everything asks for nothing', () => expect(at(2, 3)).toBeUndefined())
})
