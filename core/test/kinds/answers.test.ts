import { describe, expect, it } from 'vitest'
import { measure } from '../../src/document/measure.js'
import type { Answer } from '../../src/index.js'
import {
  ANSWER_KINDS,
  answerName,
  mirroredAnswer,
  reversedAnswer,
  splitAnswers,
  stepOfAnswer,
  type AnswerQuantity,
} from '../../src/kinds/answers/index.js'
import { OUTLINE } from '../../src/methods/stiffness/outline.js'
import { frame } from '../builder.js'

const EXAMPLES: { [Q in AnswerQuantity]: [Answer & { quantity: Q }, string] } = {
  reaction: [{ id: 'a', quantity: 'reaction', node: 'A', component: 'y', value: 5 }, 'A y'],
  displacement: [
    { id: 'a', quantity: 'displacement', node: 'B', component: 'rotation', value: '1 deg' },
    'rotation of B',
  ],
  axial: [
    { id: 'a', quantity: 'axial', member: 'AB', sense: 'compression', value: 3 },
    'N of AB, compression',
  ],
  shear: [
    { id: 'a', quantity: 'shear', member: 'AB', at: '25%', side: 'left', value: 2 },
    'V of AB at 25%, just before',
  ],
  moment: [{ id: 'a', quantity: 'moment', member: 'AB', at: 1, value: -4 }, 'M of AB at 1'],
  deflection: [
    { id: 'a', quantity: 'deflection', member: 'AB', at: '50%', value: '2 mm' },
    'deflection of AB at 50%',
  ],
  maximum: [{ id: 'a', quantity: 'maximum', of: 'moment', member: 'AB', value: 9 }, 'largest M in AB'],
  minimum: [{ id: 'a', quantity: 'minimum', of: 'shear', value: -9 }, 'least V'],
  stiffness: [
    { id: 'a', quantity: 'stiffness', member: 'AB', axes: 'member', row: 2, column: 6, value: 7 },
    'k of AB 2, 6 in member axes',
  ],
  'fixed-end': [
    { id: 'a', quantity: 'fixed-end', member: 'AB', end: 'end', component: 'y', value: 6 },
    'FEV of AB at end',
  ],
  'load-vector': [
    { id: 'a', quantity: 'load-vector', node: 'B', component: 'rotation', value: 8 },
    'P at B turn',
  ],
  'load-factor': [{ id: 'a', quantity: 'load-factor', value: 3.1 }, 'critical load factor'],
}

const m = measure(frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').problem)
const cut = { m, whole: 'AB', L: 4, cut: 2, share: 0.5, first: 'AC', second: 'CB' }

describe.each(Object.keys(ANSWER_KINDS) as AnswerQuantity[])('a hand value: %s', (quantity) => {
  const [answer, name] = EXAMPLES[quantity]

  it('has its name and a step of the stiffness method', () => {
    expect(answerName(answer)).toBe(name)
    expect(OUTLINE.steps.map((s) => s.key)).toContain(stepOfAnswer(answer, true))
  })

  it.each([true, false])('is itself when its member is reversed twice (end forces: %s)', (endForces) => {
    const reversal = { m, L: 4, endForces }
    expect(reversedAnswer(reversedAnswer(answer, reversal), reversal)).toEqual(answer)
  })

  it.each(['vertical', 'horizontal'] as const)('is itself when mirrored twice: %s', (mirror) => {
    expect(mirroredAnswer(mirroredAnswer(answer, mirror), mirror)).toEqual(answer)
  })

  it('names none but the halves after its member is split', () => {
    for (const a of splitAnswers([answer], cut, ['A', 'B']))
      expect([undefined, 'AC', 'CB']).toContain(a.member)
  })
})

describe('a value at the place where its member is split', () => {
  const at = (side?: 'left' | 'right'): Answer => ({
    id: 'a',
    quantity: 'shear',
    member: 'AB',
    at: '2 m',
    value: 1,
    ...(side ? { side } : {}),
  })
  it.each([
    [undefined, 'AC', '100%'],
    ['left', 'AC', '100%'],
    ['right', 'CB', 0],
  ] as const)('stands on the half that its side means: %s', (side, member, place) => {
    expect(splitAnswers([at(side)], cut, ['A', 'B'])).toMatchObject([{ member, at: place }])
  })
})

it('keeps the direction of a moment stated as a force on the member when the member is reversed', () => {
  const end: Answer = { id: 'a', quantity: 'moment', member: 'AB', at: '4 m', value: 5 }
  const turned = (endForces: boolean) => reversedAnswer(end, { m, L: 4, endForces })
  expect(turned(true)).toMatchObject({ at: 0, value: 5 })
  expect(turned(false)).toMatchObject({ at: 0, value: -5 })
})
