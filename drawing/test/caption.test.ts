import { describe, expect, it } from 'vitest'
import { displayOf, work, type Structure } from '@viga/core'
import { caption } from '../src/caption'
import { dimensionGroups } from '../src/dimensions'
import type { TextMark } from '../src/marks'
import { FIGURE_INSETS, fit } from '../src/view'
import { firstLayers } from '../../web/app/sheet/figure-keys'
import { beam } from '../../web/test/problems'

const nothing = { ...firstLayers('M').given, loads: false, dimensions: false }
const say = (
  shown: Partial<typeof nothing>,
  problem = beam,
  enlarged = 0,
  action: string | null = null,
  part: 'given' | 'results' = 'results',
) => caption(problem, part, { ...nothing, ...shown }, displayOf(problem), enlarged, action).text

describe('the sentence under the Figure', () => {
  it('is the title where nothing needs a word', () =>
    expect(say({}, { ...beam, members: [] })).toBe('test beam.'))
  it('names the diagram with its unit and its side', () => {
    expect(say({ diagram: 'M' })).toBe('Bending moments, kN·m, on the side in tension.')
    expect(say({ diagram: 'V' })).toBe('Shear, kN, positive up on the left part.')
    expect(say({ diagram: 'N' })).toBe('Axial forces, kN, T tension, C compression.')
    expect(say({ diagram: 'N' }, { ...beam, kind: 'truss' })).toContain(
      'solid: tension (T); hollow: compression (C); dotted: no force',
    )
  })
  it('says how many times the deflected shape is enlarged', () => {
    expect(say({ deflected: true }, beam, 200)).toBe('Deflected shape, 200 times enlarged.')
    expect(say({ deflected: true }, beam, 0.5)).toBe('Deflected shape, drawn at 0.5.')
  })
  it('names the case where there are several, by its title where it has one', () => {
    const several = {
      ...beam,
      loadCases: [
        { id: 'G', title: 'Dead', loads: [] },
        { id: 'W', loads: [] },
      ],
    }
    expect(say({ unknowns: true }, several, 0, 'G')).toBe(
      'The unknowns: circles are free, squares held. G: Dead.',
    )
    expect(say({ unknowns: true }, several, 0, 'W')).toMatch(/ W\.$/)
  })
  it('says what g is where own weight is drawn', () => {
    const saidOf = (text: string) => {
      const mark: TextMark = { t: 'text', text, x: 0, y: 0, size: 12, fill: 'load' }
      const label = { key: 'w', mark, box: { x: 0, y: 0, w: 0, h: 0 }, off: { x: 0, y: 0 } }
      return caption(beam, 'results', nothing, displayOf(beam), 0, null, { map: false, labels: [label] }).text
    }
    expect(saidOf('g = 0.942 kN/m')).toContain('g is own weight, kN/m.')
    expect(saidOf('9 kN/m')).not.toContain('weight')
  })
  it('speaks of Viga’s own section beside the statement alone', () => {
    expect(say({}, beam, 0, null, 'given')).toContain('A and I are assumed by Viga.')
    expect(say({ reactions: true })).toBe('Reactions, kN and kN·m.')
  })
})

const metres = { perSI: 1, unit: 'm' }

describe('chains of dimensions', () => {
  const words = (xs: number[], ys = [0]) => {
    const nodes = xs.flatMap((x, i) => ys.map((y, j) => ({ id: `${i}.${j}`, x, y })))
    const structure = {
      nodes,
      members: nodes.slice(1).map((n, i) => ({ id: n.id, start: i, end: i + 1 })),
    } as unknown as Structure
    const view = fit(nodes, 704, 664, FIGURE_INSETS)
    return dimensionGroups({ structure, view, loads: [], length: metres }, { bottom: 600, left: 40 }).map(
      (g) => g.marks.flatMap((m) => (m.t === 'text' ? [m.text] : [])),
    )
  }
  it('say each span, and equal bays together', () => {
    expect(words([0, 2, 5])).toEqual([['2 m', '3 m']])
    expect(words([0, 3, 6, 9, 12])).toEqual([['4 bays of 3 m']])
    expect(words([0, 6], [0, 3.5])).toEqual([['6 m'], ['3.5 m']])
  })
  it('leave out a value that has no room', () => expect(words([0, 0.05, 30])).toEqual([['29.95 m']]))
  it('are none for a structure without members', () => {
    const outcome = work({ ...beam, members: [] })
    if (outcome.stage === 'invalid') throw new Error('drawn')
    expect(
      dimensionGroups(
        {
          structure: outcome.structure,
          view: fit(outcome.structure.nodes, 704, 664, FIGURE_INSETS),
          loads: [],
          length: metres,
        },
        { bottom: 0, left: 0 },
      ),
    ).toEqual([])
  })
})
