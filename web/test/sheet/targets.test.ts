import { thing } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { chosen, everything, stillThere, targetOf, targetsOf, toggled } from '../../app/sheet/targets'
import { figureKeyOf, firstLayers } from '../../app/sheet/figure-keys'
import { beam } from '../problems'

const [A, B, AB, load] = [thing.node('A'), thing.node('B'), thing.member('AB'), thing.load('G', 0)]
const loaded = {
  ...beam,
  loadCases: [{ id: 'G', loads: [{ type: 'nodal' as const, node: 'B', fy: -8 }] }],
}

describe('several things as one selection', () => {
  it('are told apart again, whatever their names hold', () => {
    const odd = [thing.node('a:b'), thing.member('x y'), thing.node('1')]
    expect(targetsOf(targetOf(odd))).toEqual(odd)
    expect(targetsOf(null)).toEqual([])
  })
  it('gain and lose one; the last one lost is no selection', () => {
    expect(toggled(null, A)).toBe(A)
    expect(toggled(A, AB)).toBe(targetOf([A, AB]))
    expect(toggled(targetOf([A, AB]), A)).toBe(AB)
    expect(toggled(AB, AB)).toBeNull()
  })
  it('are sorted by kind; a support counts as its joint', () => {
    expect(chosen(targetOf([thing.support('C'), A, AB, load, thing.answer('a')]))).toEqual({
      nodes: ['C', 'A'],
      members: ['AB'],
      loads: [{ caseId: 'G', index: 0 }],
    })
  })
  it('leave out what is no longer there', () => {
    const all = targetOf([A, B, AB, load, thing.load('G', 1), thing.load('S', 0), thing.member('gone')])
    expect(targetsOf(stillThere(loaded, all))).toEqual([A, B, AB, load])
    expect(stillThere({ ...loaded, nodes: [], members: [], loadCases: [] }, all)).toBeNull()
  })
  it('of everything are all joints and members; of nothing none', () => {
    expect(targetsOf(everything(beam))).toHaveLength(5)
    expect(everything({ ...beam, nodes: [], members: [] })).toBeNull()
  })
})

describe('what the Figure shows beside a part', () => {
  it('is kept for each part, and for each step of the working', () => {
    expect(figureKeyOf('results', undefined)).toBe('results')
    expect(figureKeyOf('working', 'stiffness', 'assembly')).toBe('stiffness.assembly')
    // addresses of one part are older than the other methods
    expect(figureKeyOf('working', 'assembly')).toBe('stiffness.assembly')
    expect(figureKeyOf('working', 'stiffness')).toBe('stiffness.stiffness')
    expect([figureKeyOf('working', undefined), figureKeyOf('working', 'nothing')]).toEqual([
      'stiffness.idealisation',
      'stiffness.idealisation',
    ])
  })
  it('is the statement beside the Given, numbers beside the unknowns, a diagram beside the Results', () => {
    const all = firstLayers('N')
    expect(all.given).toMatchObject({ loads: true, dimensions: true, diagram: null })
    expect(all['stiffness.unknowns']).toMatchObject({ unknowns: true, names: true })
    expect(all.results).toMatchObject({ reactions: true, diagram: 'N' })
  })
})
