import { describe, expect, it } from 'vitest'
import { edit, influenceView, keepInfluence, readTrain, type Problem } from '../../src/index.js'
import { reverseMember } from '../../src/document/edits/reverse.js'
import { splitMemberAt } from '../../src/document/edits/split.js'
import { frame } from '../builder.js'

const beam = (): Problem =>
  frame().node('A', 0, 0).node('B', 8, 0).member('A', 'B').support('A', 'pin').support('B', 'roller').problem

const kept = () =>
  keepInfluence(beam(), { of: { quantity: 'moment', member: 'AB', at: 2 }, along: ['AB'], train: '8 kN' })

describe('the influence line that a problem keeps', () => {
  it('is read again, and what is of another form is passed over', () => {
    expect(influenceView(kept())).toEqual({
      of: { quantity: 'moment', member: 'AB', at: 2 },
      along: ['AB'],
      train: '8 kN',
    })
    expect(influenceView({ view: { influence: { of: 7, along: [1], load: {}, train: 'x' } } })).toEqual({
      train: 'x',
    })
    expect(influenceView({ view: { influence: 'all' } })).toEqual({})
    expect(influenceView(keepInfluence(kept(), { train: undefined })).train).toBeUndefined()
  })
  it('follows a member under another name, turned round, or split', () => {
    const renamed = edit.renameMember(kept(), 'AB', 'girder')
    expect(influenceView(renamed)).toMatchObject({ of: { member: 'girder' }, along: ['girder'] })
    expect(influenceView(reverseMember(kept(), 'AB')).of).toMatchObject({ at: 6 })
    const split = influenceView(splitMemberAt(edit.addNode(kept(), 4, 0, 'C'), 'AB', 'C', 0.5))
    expect(split.of?.at).toBe(2)
  })
})

describe('a train as it is typed', () => {
  const read = (text: string) => readTrain(beam(), text)
  it('has loads and spacings in turn, with units and arithmetic', () => {
    expect(read('80 kN, 2*2 m, 120 kN; 4 m; 0.12 MN')).toEqual({
      ok: true,
      train: [
        { force: 80e3, behind: 0 },
        { force: 120e3, behind: 4 },
        { force: expect.closeTo(120e3, 6) as number, behind: 8 },
      ],
    })
  })
  it.each([
    ['80 kN, 4 m', /in turn/],
    ['80 kN, 4 kN, 80 kN', /^Spacing 1/],
    ['80 m', /^Load 1/],
    ['80, -1, 80', /not negative/],
    [Array.from({ length: 99 }, () => '1').join(','), /at most 40/],
  ])('%s is refused', (text, words) => {
    const found = read(text)
    expect('message' in found && found.message).toMatch(words)
  })
})
