import { describe, expect, it } from 'vitest'
import { edit, goneWith, splitMember } from '../../src/index.js'
import { frame } from '../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 8, 0)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'pin')
  .support('C', 'roller')
  .load({ type: 'nodal', node: 'B', fy: -1 }, { type: 'point', member: 'BC', at: 1, fx: 2 }).problem

describe('what a removal takes along', () => {
  it.each([
    [['C'], 'Joint C was removed, and with it the member BC, 1 support and 1 load.'],
    [['A', 'C'], 'Joints A and C were removed, and with them the members AB and BC, 2 supports and 1 load.'],
  ])('of joints %j', (ids, words) => expect(goneWith(p, edit.removeNodes(p, ids))).toBe(words))
  it('of a member', () => {
    expect(goneWith(p, edit.removeMembers(p, ['BC']))).toBe('Member BC was removed, and with it 1 load.')
    expect(goneWith(p, edit.removeMembers(p, ['AB']))).toBeUndefined()
  })
  it('is nothing where something comes in its place, or nothing goes', () => {
    expect(goneWith(p, splitMember(p, 'BC', [0.5]).problem)).toBeUndefined()
    expect(goneWith(p, edit.renameNode(p, 'C', 'K'))).toBeUndefined()
    expect(goneWith(p, edit.removeLoad(p, '1', 0))).toBeUndefined()
    expect(goneWith(p, p)).toBeUndefined()
  })
})
