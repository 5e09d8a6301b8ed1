import { describe, expect, it } from 'vitest'
import {
  dropPlace,
  edit,
  keepPlace,
  keptPlaces,
  OWN_SIGNS,
  reverseMember,
  setSigns,
  signFactors,
  signsOf,
} from '../../src/index.js'
import { frame } from '../builder.js'

const { problem } = frame().node('A', 0, 0).node('B', 6, 0).member('A', 'B').support('A', 'fixed')

describe('sign conventions kept with a problem', () => {
  it('are the core’s own until others are chosen, and those that are written wrongly', () => {
    expect(signsOf(problem)).toEqual(OWN_SIGNS)
    expect(signsOf({ view: { signs: { axial: 'sideways', shear: 'left-down' } } })).toEqual({
      ...OWN_SIGNS,
      shear: 'left-down',
    })
  })
  it('turn the sign of what they name', () => {
    const p = setSigns(setSigns(problem, { moment: 'hogging' }), { axial: 'compression' })
    expect(signFactors(signsOf(p))).toEqual({ N: -1, V: 1, M: -1 })
  })
})

describe('places kept with a problem', () => {
  const kept = keepPlace(keepPlace(problem, { member: 'AB', at: '2 m' }), { member: 'AB', at: '25%' })
  it('are kept once, in their order, and dropped by their place in the list', () => {
    expect(keepPlace(kept, { member: 'AB', at: '2 m' })).toBe(kept)
    expect(keptPlaces(dropPlace(kept, 0))).toEqual([{ member: 'AB', at: '25%' }])
  })
  it('follow their member: renamed, turned round, removed', () => {
    expect(keptPlaces(edit.renameMember(kept, 'AB', 'rail')).map((k) => k.member)).toEqual(['rail', 'rail'])
    const turned = reverseMember(kept, 'AB')
    expect(keptPlaces(turned).map((k) => [k.member, k.at])).toEqual([
      ['BA', expect.anything()],
      ['BA', '75%'],
    ])
    expect(keptPlaces(edit.removeMembers(kept, ['AB']))).toEqual([])
  })
  it('of another form are passed over', () =>
    expect(keptPlaces({ view: { readings: [3, { member: 'AB' }, { member: 'AB', at: 1 }] } })).toEqual([
      { member: 'AB', at: 1 },
    ]))
})
