import { describe, expect, it } from 'vitest'
import { displayOf, work, type Problem } from '@viga/core'
import { statedValues } from '../src/stated-values'
import { FIGURE_INSETS, fit } from '../src/view'
import { frame } from '../../core/test/builder'

const problem: Problem = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .node('C', 12, 0)
  .member('A', 'B', { releases: { end: { M: '800 kN*m' } } })
  .member('B', 'C')
  .support('A', { type: 'fixed', settlement: { y: '-12 mm', rotation: '0.002 rad' }, settlementCase: 'S' })
  .support('B', { restrain: { x: 'free', y: '5000 kN/m', rotation: '350 kN*m' } })
  .support('C', 'roller')
  .set({
    loadCases: [
      { id: '1', selfWeight: 1.2, loads: [] },
      { id: 'S', loads: [] },
    ],
  }).problem

const drawn = (...cases: string[]) => drawnAt(704, ...cases)

function drawnAt(width: number, ...cases: string[]) {
  const outcome = work(problem)
  if (outcome.stage === 'invalid') throw new Error(outcome.errors[0].message)
  const view = fit(outcome.structure.nodes, width, 664, FIGURE_INSETS)
  return statedValues(outcome.structure, view, displayOf(problem), new Set(cases))
}
const words = (...cases: string[]) => drawn(...cases).labelRequests.map((w) => w.mark.text)

describe('what is stated beside loads', () => {
  it('is drawn with its value: springs of supports and of ends', () =>
    expect(words()).toEqual(['5 000 kN/m'.replace(' ', '\u2009'), '350 kN·m/rad', '800 kN·m/rad']))
  const weights = (...cases: string[]) =>
    drawn(...cases).labelRequests.filter((w) => w.mark.text.startsWith('g = '))
  it('own weight in the case it acts in, once for members alike, along a member that is long enough', () => {
    expect(weights('1').map((w) => w.mark)).toMatchObject([
      { text: 'g = 0.942 kN/m', rotate: expect.closeTo(0) as number },
    ])
    expect(weights('S')).toEqual([])
  })
  it('own weight beside a short member has no unit, and is left out where there is no room', () => {
    const [{ mark, optional }] = drawnAt(220, '1').labelRequests.filter((w) => w.mark.text.startsWith('g'))
    expect({ text: mark.text, rotate: mark.rotate, optional }).toEqual({ text: 'g = 0.942', optional: true })
  })
  it('settlements in theirs, with an arrow that points the way', () => {
    const { groups, labelRequests } = drawn('S')
    expect(labelRequests.map((w) => w.mark.text)).toEqual(expect.arrayContaining(['12 mm', '0.002 rad']))
    expect(groups.map((g) => g.target)).toEqual(['support:A'])
    expect(words('1')).not.toContain('12 mm')
  })
})
