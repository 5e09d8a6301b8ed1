import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  checkAnswers,
  displacementAt,
  problemErrors,
  reverseMember,
  type Answer,
  type Load,
} from '../../../src/index.js'
import { anyLoad } from '../../any-load.js'
import { frame, solved } from '../../builder.js'

const bent = (...loads: Load[]) =>
  frame()
    .node('A', 0, 0)
    .node('B', 5, 1)
    .node('C', 9, -1)
    .member('A', 'B', { releases: { end: { M: '900 kN*m' } } })
    .member('B', 'C')
    .support('A', 'fixed')
    .support('C', 'pin')
    .load(...loads)

const answers: Answer[] = [
  { id: 'N', quantity: 'axial', member: 'AB', at: '40%', value: 0 },
  { id: 'V', quantity: 'shear', member: 'AB', at: 2, side: 'left', value: 0 },
  { id: 'M', quantity: 'moment', member: 'AB', at: '1.5 m', side: 'right', value: 0 },
  { id: 'd', quantity: 'deflection', member: 'AB', at: 3, value: 0 },
  { id: 'max', quantity: 'maximum', of: 'moment', member: 'AB', value: 0 },
  { id: 'min', quantity: 'minimum', of: 'shear', member: 'AB', value: 0 },
  ...(['member', 'global'] as const).flatMap((axes) =>
    [
      [1, 3],
      [3, 6],
      [2, 5],
    ].map(([row, column]): Answer => ({
      id: `k${axes}${row}${column}`,
      quantity: 'stiffness',
      member: 'AB',
      axes,
      row: row as 1,
      column: column as 1,
      value: 0,
    })),
  ),
]

describe('turning a member round', () => {
  it('changes nothing for the structure, and hand answers that agreed agree still', () =>
    fc.assert(
      fc.property(fc.array(anyLoad, { minLength: 1, maxLength: 4 }), (loads) => {
        const plain = bent(...loads).problem
        const right = checkAnswers({ ...plain, answers }, solved(plain))
        const before = {
          ...plain,
          answers: answers.map((a, i) => ({
            ...a,
            value: right[i].computed!,
            tolerance: Math.max(1e-6, Math.abs(right[i].computed!) * 1e-6),
          })),
        }
        const after = reverseMember(before, 'AB')
        expect(problemErrors(after)).toEqual([])
        const [a, b] = [solved(before), solved(after)]
        const scale = Math.max(1e-4, ...a.cases[0].D.map(Math.abs))
        before.nodes.forEach((_, i) => {
          const [u, v] = [displacementAt(a, a.cases[0], i), displacementAt(b, b.cases[0], i)]
          for (const key of ['x', 'y', 'rotation'] as const)
            expect(Math.abs(u[key]! - v[key]!) / scale).toBeLessThan(1e-6)
        })
        for (const v of checkAnswers(after, b)) expect(v).toMatchObject({ verdict: 'agrees' })
      }),
    ))

  it('is undone by turning it round again', () =>
    fc.assert(
      fc.property(anyLoad, (load) => {
        const before = { ...bent(load).problem, answers }
        const again = reverseMember(reverseMember(before, 'AB'), 'BA')
        expect(again.members).toEqual(before.members)
        expect(again.loadCases![0].loads[0].type).toBe(load.type)
        expect(again.answers!.map((a) => [a.quantity, a.side, a.row, a.column])).toEqual(
          answers.map((a) => [a.quantity, a.side, a.row, a.column]),
        )
      }),
    ))

  it('names it after its joints again, unless its name was chosen', () => {
    const load: Load = { type: 'point', member: 'AB', at: 1, fy: -5 }
    const turned = reverseMember(bent(load).problem, 'AB')
    expect(turned.members[0]).toMatchObject({ id: 'BA', start: 'B', end: 'A' })
    expect(turned.members[0].releases).toEqual({ start: { M: '900 kN*m' } })
    expect(turned.loadCases![0].loads[0]).toMatchObject({ member: 'BA', at: 4.09901951359, fy: -5 })
    const own = bent().problem
    const named = { ...own, members: [{ ...own.members[0], id: 'rafter' }, own.members[1]] }
    expect(reverseMember(named, 'rafter').members[0].id).toBe('rafter')
  })

  it('keeps a hand value at its place, with the sign of the turned axes', () => {
    const stated = (a: Partial<Answer>) => {
      const p = {
        ...frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').problem,
        answers: [{ id: '1', member: 'AB', value: '18.20', ...a } as Answer],
      }
      return reverseMember(p, 'AB').answers![0]
    }
    expect(stated({ quantity: 'moment', at: 1, side: 'left' })).toEqual({
      id: '1',
      member: 'BA',
      quantity: 'moment',
      at: 3,
      side: 'right',
      value: '-18.20',
    })
    expect(stated({ quantity: 'shear', at: '25%' })).toMatchObject({ at: '75%', value: '18.20' })
    expect(stated({ quantity: 'maximum', of: 'moment' })).toMatchObject({
      quantity: 'minimum',
      value: '-18.20',
    })
    expect(stated({ quantity: 'stiffness', axes: 'member', row: 2, column: 6 })).toMatchObject({
      row: 5,
      column: 3,
      value: '-18.20',
    })
    expect(stated({ quantity: 'stiffness', axes: 'global', row: 2, column: 6 })).toMatchObject({
      row: 5,
      column: 3,
      value: '18.20',
    })
  })
})
