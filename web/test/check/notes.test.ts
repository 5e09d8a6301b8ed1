import { describe, expect, it } from 'vitest'
import { judgeSheet, work, type Answer, type Problem } from '@viga/core'
import { checkNotes } from '../../app/check/notes'
import { FIGURE_INSETS, fit, onScreen } from '@viga/drawing/view'
import { beam } from '../problems'

const loaded: Problem = {
  ...beam,
  loadCases: [
    {
      id: 'G',
      loads: [
        { type: 'distributed', member: 'AB', direction: 'Y', q: -3 },
        { type: 'distributed', member: 'BC', direction: 'Y', q: -3 },
      ],
    },
    { id: 'W', loads: [{ type: 'nodal', node: 'B', fy: 2 }] },
  ],
}

/** The notes of some hand answers beside the case G, with the middle of the rings they look on. */
function notes(answers: Answer[], actionId = 'G') {
  const problem = { ...loaded, answers }
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { structure } = outcome.solution
  const view = fit(structure.nodes, 704, 664, FIGURE_INSETS)
  const verdicts = judgeSheet(problem, outcome.solution)
  return {
    at: (x: number) => onScreen(view, x, 0),
    all: checkNotes(
      problem,
      structure,
      answers.map((answer, i) => ({ answer, verdict: verdicts[i] })),
      actionId,
      view,
    ),
  }
}
const moment = (at: Answer['at'], value: number, more: { id?: string; case?: string } = {}): Answer => ({
  id: `m${String(at)}`,
  quantity: 'moment',
  member: 'AB',
  at,
  value,
  ...more,
})

describe('hand answers on the Figure', () => {
  it.each<[Answer['at'], number]>([
    ['25%', 1],
    ['100%', 4],
    [0, 0],
    [3, 3],
    ['1.5 m', 1.5],
    ['50 cm + 1 m', 1.5],
    ['2*0.7 m', 1.4],
    [undefined, 2],
    ['9 m', 4],
  ])('at %s of a member of 4 m stands at x = %s m', (at, x) => {
    const { all, at: place } = notes([moment(at, 1)])
    expect(all[0].about?.c.x).toBeCloseTo(place(x).x, 9)
  })
  it('say whether they agree or differ', () => {
    // w·L²/8 = 24 kN·m over 8 m
    const { all } = notes([
      moment('100%', 24),
      moment('4 m', 25, { id: 'off' }),
      moment(4, -24, { id: 'turned' }),
    ])
    expect(all.map((w) => [w.mark.text, w.mark.fill])).toEqual([
      ['= 24.00', 'ink-2'],
      ['≠ 25.00', 'pencil'],
      ['≠ −24.00', 'pencil'],
    ])
  })
  it('say where all of them follow the opposite convention', () => {
    const { all } = notes([moment('50%', -18), moment('100%', -24)])
    expect(all.map((w) => [w.mark.text, w.mark.fill])).toEqual([
      ['± −18.00', 'load'],
      ['± −24.00', 'load'],
    ])
  })
  it('are those of the shown case alone, the first where none is said', () => {
    const answers = [moment('50%', 1), moment('75%', 2, { case: 'W' })]
    expect(notes(answers).all.map((w) => w.key)).toEqual(['cm50%'])
    expect(notes(answers, 'W').all.map((w) => w.key)).toEqual(['cm75%'])
  })
  it('have no place when they are of a matrix', () =>
    expect(
      notes([{ id: 'k', quantity: 'stiffness', member: 'AB', axes: 'member', row: 2, column: 2, value: 1 }])
        .all,
    ).toEqual([]))
  it('stand at their joint when they are of one', () => {
    const { all, at } = notes([{ id: 'r', quantity: 'reaction', node: 'C', component: 'y', value: 12 }])
    expect(all[0].about?.c).toEqual(at(8))
    expect(all[0].mark.text).toBe('= 12.00')
  })
})
