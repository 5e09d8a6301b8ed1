import { expect, it } from 'vitest'
import { reactionName } from '../../src/document/reaction-name.js'

it.each([
  ['A', 'y', { letter: 'A', sub: 'y' }],
  ['Ä2', 'x', { letter: 'Ä2', sub: 'x' }],
  ['1', 'y', { letter: 'R', sub: '1y' }],
  ['2a', 'x', { letter: 'R', sub: '2ax' }],
  ['1', 'rotation', { letter: 'M', sub: '1' }],
])('the reaction of %s along %s has a name that reads as no factor', (joint, component, name) =>
  expect(reactionName(joint, component)).toEqual(name),
)
