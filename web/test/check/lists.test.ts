import { keepMethodChoices, work, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { listed, offered } from '../../app/check/lists'
import { verdictsOf } from '../../app/check/verdicts'
import { beam } from '../problems'

const loaded: Problem = {
  ...beam,
  loadCases: [
    { id: 'G', loads: [{ type: 'distributed', member: 'AB', direction: 'Y', q: -6 }] },
    { id: 'S', loads: [{ type: 'nodal', node: 'B', fy: -3 }] },
  ],
}
const list = (key: string, p: Problem = loaded) => offered(p).find((l) => l.key === key)
const judged = (p: Problem) => verdictsOf(p, work(p))

describe('the prepared lists', () => {
  it('are those that the problem has something for', () => {
    const keys = offered(loaded).map((l) => l.key)
    expect(keys).toContain('reactions')
    expect(keys).toContain('fixed-end')
    expect(keys).toContain('load-vector')
    expect(keys).not.toContain('bars')
    // no load on a member, no fixed-end force
    expect(offered({ ...loaded, loadCases: [loaded.loadCases![1]] }).map((l) => l.key)).not.toContain(
      'fixed-end',
    )
  })

  it('are those of the method by which it was worked', () => {
    const keys = (worked: string) => offered(keepMethodChoices(loaded, { worked })).map((l) => l.key)
    expect(keys('moment-distribution')).toEqual(['fixed-end', 'end-moments'])
    expect(keys('slope-deflection')).toEqual(['fixed-end', 'end-moments', 'rotations'])
    expect(keys('forces')).not.toContain('redundants')
    const chosen = keepMethodChoices(loaded, {
      worked: 'forces',
      redundants: [{ quantity: 'reaction', node: 'B', component: 'y' }],
    })
    const { places } = listed(chosen, list('redundants', chosen), {}, 'G', [])
    expect(places.map(({ place }) => [place.quantity, place.node])).toEqual([['reaction', 'B']])
  })

  it('of fixed-end moments have both ends of each member that is loaded', () => {
    const { places } = listed(loaded, list('fixed-end'), {}, 'G', [])
    expect(places.map(({ place }) => [place.member, place.end])).toEqual([
      ['AB', 'start'],
      ['AB', 'end'],
    ])
  })

  it('of P have an entry for each unknown that no support takes away', () => {
    const { places } = listed(loaded, list('load-vector'), {}, 'G', [])
    const named = places.map(({ place }) => `${place.component} ${place.node}`)
    expect(named).toContain('rotation A')
    expect(named).toContain('y B')
    expect(named).not.toContain('y A')
    expect(named).not.toContain('x A')
  })

  it('hold the values that stand at their places; the others are the rest', () => {
    const p: Problem = {
      ...loaded,
      answers: [
        { id: 'a', quantity: 'reaction', node: 'A', component: 'y', value: 18 },
        { id: 'b', quantity: 'moment', member: 'AB', at: '50%', value: 20 },
        { id: 'c', quantity: 'reaction', node: 'C', component: 'y', value: 1.5, case: 'S' },
      ],
    }
    const inG = listed(p, list('reactions', p), {}, 'G', judged(p))
    expect(inG.places.flatMap((x) => (x.judged ? [x.judged.answer.id] : []))).toEqual(['a'])
    expect(inG.rest.map((r) => r.answer.id)).toEqual(['b', 'c'])
    const inS = listed(p, list('reactions', p), {}, 'S', judged(p))
    expect(inS.places.flatMap((x) => (x.judged ? [x.judged.answer.id] : []))).toEqual(['c'])
    // a place of another case than the first says so
    expect(inS.places.every((x) => x.place.case === 'S')).toBe(true)
    expect(inG.places.every((x) => x.place.case === undefined)).toBe(true)
  })

  it('without a list every value is the rest', () => {
    const p: Problem = {
      ...loaded,
      answers: [{ id: 'a', quantity: 'reaction', node: 'A', component: 'y', value: 18 }],
    }
    expect(listed(p, undefined, {}, 'G', judged(p)).rest).toHaveLength(1)
  })
})
