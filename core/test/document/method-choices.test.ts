import { describe, expect, it } from 'vitest'
import {
  edit,
  keepMethodChoices,
  methodChoices,
  reverseMember,
  type Asked,
  type Problem,
} from '../../src/index.js'
import { splitMemberAt } from '../../src/document/edits/split.js'
import { loadedSpans } from '../builder.js'

const moment: Asked = { quantity: 'moment', member: 'AB', at: '100%' }
const reaction: Asked = { quantity: 'reaction', node: 'C', component: 'y' }

const kept = (): Problem =>
  keepMethodChoices(loadedSpans.problem, {
    redundants: [moment, reaction],
    of: { quantity: 'displacement', node: 'B', component: 'rotation' },
  })

describe('the choices that a problem keeps for its methods', () => {
  it('follow a new name of a joint and of a member', () => {
    const p = edit.renameNode(edit.renameMember(kept(), 'AB', 'left'), 'C', 'Z')
    expect(methodChoices(p).redundants).toEqual([
      { ...moment, member: 'left' },
      { ...reaction, node: 'Z' },
    ])
  })

  it('follow the reversal of a member', () => {
    const p = reverseMember(kept(), 'AB')
    expect(methodChoices(p).redundants![0].at).toBe('0%')
  })

  it('follow the split of a member', () => {
    const p = { ...kept(), nodes: [...kept().nodes, { id: 'D', x: 3, y: 0 }] }
    const split = splitMemberAt(p, 'AB', 'D', 0.5)
    const [end] = methodChoices(split).redundants!
    const half = split.members.find((m) => m.id === end.member)!
    expect([half.start, half.end]).toEqual(['D', 'B'])
    // 100% of the whole is the end of the half, stated as its length or as a share
    expect([3, '3', '100%']).toContain(end.at)
  })

  it('are passed over where they are of another form, and go when they are taken back', () => {
    expect(
      methodChoices({ view: { methods: { redundants: 'all', of: { quantity: 3 }, digit: -1 } } }),
    ).toEqual({})
    expect(methodChoices(keepMethodChoices(kept(), { redundants: undefined }))).toEqual({
      of: { quantity: 'displacement', node: 'B', component: 'rotation' },
    })
  })
})
