import { displayOf, work, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { forcesAlong } from '../../app/results/forces-along'
import { beam } from '../problems'

/** A beam of 8 m on A and C, 4 kN/m over AB and a force in the middle of BC. */
const loaded: Problem = {
  ...beam,
  loadCases: [
    {
      id: 'G',
      loads: [
        { type: 'distributed', member: 'AB', direction: 'Y', q: -4 },
        { type: 'point', member: 'BC', at: '50%', fy: -6 },
      ],
    },
  ],
}
const outcome = work(loaded)
if (outcome.stage !== 'solved') throw new Error('solved')
const { solution } = outcome
const rows = (member: number) => forcesAlong(solution, solution.cases[0], member, displayOf(loaded))

// ΣM about C: A·8 = 16·6 + 6·2, so A = 13.5 kN and C = 8.5 kN
describe('the forces that a table shows of a member', () => {
  it('are those at its ends, named by their joints', () => {
    const all = rows(0)
    expect([all[0].at, all.at(-1)!.at]).toEqual(['A', 'B'])
    expect(all[0]).toMatchObject({ joint: true })
    expect(all[0].V).toBeCloseTo(13.5, 9)
    expect(all[0].M).toBeCloseTo(0, 9)
    expect(all.at(-1)!.V).toBeCloseTo(-2.5, 9)
  })

  it('have the largest moment where the shear is zero', () => {
    const most = rows(0).reduce((a, b) => (b.M > a.M ? b : a))
    expect(most.V).toBeCloseTo(0, 9)
    expect(most.M).toBeCloseTo(13.5 ** 2 / 8, 9)
    expect(most.at).toBe('3.375 m')
    expect(most.joint).toBe(false)
  })

  it('stand on both sides of a jump, the moment the same', () => {
    const at = rows(1).filter((r) => r.at.startsWith('2 m'))
    expect(at.map((r) => r.at)).toEqual(['2 m left', '2 m right'])
    expect(at[0].V - at[1].V).toBeCloseTo(6, 9)
    expect(at[0].M).toBeCloseTo(at[1].M, 9)
    expect(at[1].V).toBeCloseTo(-8.5, 9)
  })

  it('name each place once, from start to end', () => {
    for (const member of [0, 1]) {
      const names = rows(member).map((r) => r.at)
      expect(new Set(names).size).toBe(names.length)
    }
  })
})
