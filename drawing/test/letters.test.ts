import { describe, expect, it } from 'vitest'
import type { Problem } from '@viga/core'
import { figurePicture } from '../src/figure-file'
import { constantRigidity } from '../src/letters'
import { work } from '@viga/core'

/** A beam in letters: w over AB, 2P at a third of it, P at the tip of the overhang. */
const beam: Problem = {
  format: 'viga-problem',
  version: 1,
  title: 'Letters',
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  symbols: { w: '12 kN/m', L: '6 m', P: '20 kN' },
  materials: [{ id: 'm', E: '200 GPa' }],
  sections: [{ id: 's', EI: '20000 kN*m^2', A: '1 m^2' }],
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 'L', y: 0 },
    { id: 'C', x: '3*L/2', y: 0 },
  ],
  members: ['AB', 'BC'].map((id) => ({ id, start: id[0], end: id[1], material: 'm', section: 's' })),
  supports: [
    { node: 'A', type: 'fixed' },
    { node: 'B', type: 'roller' },
  ],
  loadCases: [
    {
      id: '1',
      loads: [
        { type: 'distributed', member: 'AB', direction: 'Y', q: '-w' },
        { type: 'point', member: 'AB', at: 'L/3', fy: '-2*P' },
        { type: 'nodal', node: 'C', fy: '-P' },
      ],
    },
  ],
}

function wordsOf(p: Problem): string[] {
  const outcome = work(p)
  if (outcome.stage === 'invalid') throw new Error('drawn')
  const picture = figurePicture(p, outcome.structure, undefined, {
    shown: ['loads', 'dimensions'],
    case: '1',
  })!
  return [
    ...picture.labels.map((l) => l.mark.text),
    ...picture.groups.flatMap((g) => g.marks.flatMap((m) => (m.t === 'text' ? [m.text] : []))),
  ]
}
const spans = (p: Problem) => wordsOf(p).filter((t) => /m$|L/.test(t) && !/kN/.test(t))

describe('the Figure', () => {
  it('dimensions the places of loads between joints in a chain of their own', () =>
    expect(spans(beam)).toEqual(['2 m', '4 m', '3 m', '6 m', '3 m']))
  it('has one chain where no load stands between joints', () => {
    const { loads } = beam.loadCases![0]
    const p = { ...beam, loadCases: [{ id: '1', loads: loads.filter((l) => l.type !== 'point') }] }
    expect(spans(p)).toEqual(['6 m', '3 m'])
  })
  it('prints letters in place of values, as the problem keeps it', () => {
    const p = { ...beam, view: { letters: 'letters' } }
    expect(spans(p)).toEqual(['L/3', '2L/3', 'L/2', 'L', 'L/2'])
    expect(wordsOf(p)).toEqual(expect.arrayContaining(['w', '2P', 'P']))
    expect(wordsOf(p).join(' ')).not.toMatch(/kN/)
  })
  it('writes rigidities in letters along their members, and one of all members in the caption', () => {
    const sections = ['2*EI', 'EI'].map((EI, i) => ({ id: `s${i}`, EI, A: '1 m^2' }))
    const p: Problem = {
      ...beam,
      view: { letters: 'both' },
      symbols: { ...beam.symbols, EI: '20000 kN*m^2' },
      sections,
      members: beam.members.map((m, i) => ({ ...m, section: `s${i}` })),
    }
    expect(wordsOf(p)).toEqual(expect.arrayContaining(['2EI', 'EI']))
    expect(constantRigidity(p)).toBeUndefined()
    const alike = { ...p, members: beam.members.map((m) => ({ ...m, section: 's1' })) }
    expect(wordsOf(alike)).not.toContain('EI')
    expect(constantRigidity(alike)).toBe('EI constant')
    expect(wordsOf({ ...p, view: {} })).not.toContain('2EI')
  })
  it('prints letters beside values', () =>
    expect(wordsOf({ ...beam, view: { letters: 'both' } })).toEqual(
      expect.arrayContaining(['w = 12 kN/m', '2P = 40 kN', 'P = 20 kN', 'L = 6 m', 'L/3 = 2 m']),
    ))
})
