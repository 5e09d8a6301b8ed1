import { displayOf, resolve, type Load, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { casesShown } from '../src/cases-shown'
import { drawnLoads, loadWords } from '@viga/drawing/words'
import { frame } from '../../core/test/builder'

const span = frame().node('A', 0, 0).node('B', 6, 0).member('A', 'B').support('A', 'fixed')
/** What is said beside a load on the span. */
function words(load: Load, change: Partial<Problem> = {}) {
  const { problem } = span.load(load).set(change)
  const r = resolve(problem)
  if (!r.ok) throw new Error(r.errors[0].message)
  return loadWords(r.structure.cases[0].loads[0], displayOf(problem))
}

describe('what the Figure says beside a load', () => {
  it.each([
    [
      { type: 'nodal', node: 'B', fy: -8 },
      { main: '8 kN', couple: undefined },
    ],
    [{ type: 'nodal', node: 'B', fx: 3, fy: -4 }, { main: '5 kN' }],
    [
      { type: 'nodal', node: 'B', m: -12 },
      { main: '', couple: '12 kN·m' },
    ],
    [{ type: 'distributed', member: 'AB', direction: 'Y', q: -6 }, { main: '6 kN/m' }],
    [{ type: 'couple', member: 'AB', q: 2 }, { main: '2 kN·m/m' }],
    [{ type: 'temperature', member: 'AB', uniform: 20 }, { main: '+20 K' }],
    [{ type: 'temperature', member: 'AB', uniform: -5, gradient: 10 }, { main: '−5 K, +10 K top to bottom' }],
    [{ type: 'misfit', member: 'AB', elongation: '-3 mm' }, { main: '3 mm too short' }],
    [{ type: 'misfit', member: 'AB', at: '50%', kink: 0.01 }, { main: 'kink 0.01 rad' }],
  ] as [Load, object][])('%j', (load, expected) => expect(words(load)).toMatchObject(expected))

  it('is the amount at each end of one that varies, and nothing where it is zero', () => {
    const points = [
      { at: 0, q: 0 },
      { at: '100%', q: -6 },
    ]
    expect(words({ type: 'distributed', member: 'AB', direction: 'Y', points })).toMatchObject({
      main: '',
      end: '6 kN/m',
    })
  })

  it('is in the units of the problem', () => {
    const units = { force: 'kip', length: 'ft' }
    expect(words({ type: 'nodal', node: 'B', fy: '-10 kip' }, { units })).toMatchObject({ main: '10 kip' })
  })
})

describe('the loads that are drawn', () => {
  const two = span
    .load({ type: 'nodal', node: 'B', fy: -8 })
    .loadCase('S', { type: 'nodal', node: 'B', fy: -3 })
    .loadCase('W').problem
  const drawn = (...ids: string[]) => {
    const r = resolve(two)
    if (!r.ok) throw new Error(r.errors[0].message)
    return drawnLoads(r.structure, new Set(ids), displayOf(two))
  }
  it('are those of the cases that are shown', () => {
    expect(drawn('1')).toHaveLength(1)
    expect(drawn('1', 'S')).toHaveLength(2)
    expect(drawn('W')).toEqual([])
  })
  it('of a combination have its factors, in values and in letters', () => {
    const p: Problem = {
      ...two,
      symbols: { w: '4 kN/m' },
      view: { letters: 'both' },
      loadCases: [
        {
          id: 'D',
          loads: [{ type: 'distributed', member: two.members[0].id, direction: 'Y', q: '-w' }],
        },
        { id: 'L', loads: [{ type: 'nodal', node: 'A', fy: -2 }] },
      ],
      combinations: [{ id: 'U', factors: { D: 1.5, L: 0 } }],
    }
    const r = resolve(p)
    if (!r.ok) throw new Error(r.errors[0].message)
    const said = (id: string) =>
      drawnLoads(r.structure, casesShown(p, id), displayOf(p), p).map((l) => l.words.main)
    expect(said('D')).toEqual(['w = 4 kN/m'])
    expect(said('U')).toEqual(['1.5·w = 6 kN/m'])
  })
  it('say of which case they are where several have loads', () => {
    const said = (ids: string[]) => JSON.stringify(drawn(...ids))
    expect(said(['1', 'S'])).toContain('"S"')
    // an empty case beside it is no reason to name the other
    expect(said(['S', 'W'])).not.toBe(said(['1', 'S']))
  })
})
