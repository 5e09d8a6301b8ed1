import { checkAnswers, edit, problemErrors, work, type Problem } from '../../src/index.js'
import { describe, expect, it } from 'vitest'
import {
  changeTo,
  fitted,
  isAlone,
  mayBeOwn,
  quantitiesOf,
  type Place,
} from '../../src/statement/answer-place.js'
import { answerName } from '../../src/kinds/answers/index.js'
import { beam } from '../../../web/test/problems'

const turned = (): Problem => ({
  ...beam,
  supports: [
    { node: 'A', type: 'fixed' },
    { node: 'C', type: 'roller', angle: 30 },
  ],
})
const truss = (): Problem => ({ ...beam, kind: 'truss' })

const solved = (p: Problem) => {
  const outcome = work({
    ...p,
    loadCases: [{ id: 'W', title: 'wind', loads: [{ type: 'nodal', node: 'B', fy: '-3 kN' }] }],
  })
  if (outcome.stage !== 'solved') throw new Error('the test beam has a solution')
  return outcome.solution
}

describe('the place of a hand value', () => {
  it('takes the first of what the problem has where nothing is chosen', () => {
    expect(fitted(turned(), { quantity: 'reaction' })).toEqual({
      quantity: 'reaction',
      node: 'A',
      component: 'y',
    })
    expect(fitted(turned(), { quantity: 'moment' })).toEqual({ quantity: 'moment', member: 'AB', at: '0%' })
    expect(fitted(turned(), { quantity: 'maximum' })).toEqual({ quantity: 'maximum', of: 'moment' })
    expect(fitted(turned(), { quantity: 'load-factor' })).toEqual({ quantity: 'load-factor' })
  })

  it('drops what does not belong to the quantity, and keeps case, note and tolerance', () => {
    const from: Place = {
      quantity: 'shear',
      member: 'AB',
      at: '40%',
      side: 'left',
      case: 'W',
      note: 'by cuts',
      tolerance: '2%',
    }
    expect(fitted(turned(), { ...from, quantity: 'displacement' })).toEqual({
      quantity: 'displacement',
      node: 'A',
      component: 'y',
      case: 'W',
      note: 'by cuts',
      tolerance: '2%',
    })
    expect(fitted(turned(), from)).toEqual(from)
    expect(fitted(turned(), { ...from, side: undefined, note: '' })).not.toHaveProperty('note')
  })

  it('knows own axes only at a turned support, and not for a moment', () => {
    expect(mayBeOwn(turned(), { quantity: 'reaction', node: 'C', component: 'y' })).toBe(true)
    expect(mayBeOwn(turned(), { quantity: 'reaction', node: 'A', component: 'y' })).toBe(false)
    expect(fitted(turned(), { quantity: 'reaction', node: 'C', component: 'y', axes: 'own' })).toHaveProperty(
      'axes',
      'own',
    )
    expect(
      fitted(turned(), { quantity: 'reaction', node: 'A', component: 'y', axes: 'own' }),
    ).not.toHaveProperty('axes')
    expect(
      fitted(turned(), { quantity: 'displacement', node: 'C', component: 'y', axes: 'own' }),
    ).not.toHaveProperty('axes')
  })

  it('asks for no place in a member of a truss, but whether it pulls', () => {
    expect(isAlone(truss(), 'AB')).toBe(true)
    expect(
      fitted(truss(), { quantity: 'axial', member: 'BC', at: 2, side: 'left', sense: 'tension' }),
    ).toEqual({ quantity: 'axial', member: 'BC', sense: 'tension' })
    expect(quantitiesOf(truss()).map(([q]) => q)).toEqual([
      'reaction',
      'displacement',
      'axial',
      'load-vector',
      'stiffness',
      'load-factor',
    ])
  })

  it('names rows and columns of the structure by joint, of a member by number', () => {
    const p = turned()
    expect(fitted(p, { quantity: 'stiffness', row: { node: 'B', component: 'rotation' } })).toEqual({
      quantity: 'stiffness',
      row: { node: 'B', component: 'rotation' },
      column: { node: 'A', component: 'x' },
    })
    expect(
      fitted(p, { quantity: 'stiffness', member: 'BC', axes: 'member', row: 3, column: 9 as never }),
    ).toEqual({
      quantity: 'stiffness',
      member: 'BC',
      axes: 'member',
      row: 3,
      column: 1,
    })
    expect(fitted(p, { quantity: 'stiffness', row: { node: 'gone', component: 'x' } })).toMatchObject({
      row: { node: 'A' },
    })
  })

  it('has no place for a reaction without a support, or along a member without one', () => {
    expect(fitted({ ...turned(), supports: [] }, { quantity: 'reaction' })).toBeUndefined()
    expect(fitted({ ...turned(), members: [] }, { quantity: 'shear' })).toBeUndefined()
  })

  it('moves an answer and leaves nothing of its old place', () => {
    const p = edit.addAnswer(turned(), { quantity: 'shear', member: 'AB', at: '40%', side: 'left', value: 3 })
    const moved = edit.setAnswer(p, 'a1', changeTo(fitted(p, { quantity: 'reaction', node: 'C' })!))
    expect(moved.answers).toEqual([{ id: 'a1', quantity: 'reaction', node: 'C', component: 'y', value: 3 }])
  })

  it.each<Place>([
    { quantity: 'reaction', node: 'C', component: 'y', axes: 'own' },
    { quantity: 'displacement', node: 'B', component: 'rotation' },
    { quantity: 'shear', member: 'AB', at: '50%', side: 'right' },
    { quantity: 'maximum', of: 'deflection', member: 'BC', at: '50%' },
    {
      quantity: 'stiffness',
      row: { node: 'B', component: 'x' },
      column: { node: 'B', component: 'rotation' },
    },
    { quantity: 'stiffness', member: 'AB', axes: 'member', row: 2, column: 3 },
  ])('is valid, and Viga finds a value there: %o', (place) => {
    const p = edit.addAnswer(turned(), { ...fitted(turned(), place)!, value: 0 })
    expect(problemErrors(p)).toEqual([])
    const [verdict] = checkAnswers(p, solved(p))
    expect(verdict.reason).toBeUndefined()
    expect(Number.isFinite(verdict.computed)).toBe(true)
    expect(answerName(p.answers![0])).not.toContain('undefined')
  })
})
