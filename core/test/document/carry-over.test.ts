import { describe, expect, it } from 'vitest'
import { carriedOver } from '../../src/document/carry-over.js'
import { problemErrors, work, type Problem } from '../../src/index.js'
import { frame } from '../builder.js'

const before: Problem = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .member('A', 'B')
  .support('A', 'fixed')
  .set({
    symbols: { EI: '20000 kN*m^2' },
    materials: [{ id: 'm', E: '200 GPa' }],
    sections: [{ id: 's', A: 0.01, I: '(2*EI)/(200 GPa)' }],
  })
  .load(
    { type: 'nodal', node: 'B', fx: '(20 kN)*cos(45 deg)', fy: '(20 kN)*sin(45 deg)' },
    { type: 'point', member: 'AB', at: '50%', fx: '(5)*cos(0.5)', fy: '(5)*sin(0.5)', m: 2 },
    { type: 'nodal', node: 'B', fx: '(20 kN)*cos(45 deg)', fy: 3 },
  ).problem

describe('a problem stored in the earlier form', () => {
  const after = carriedOver(before)
  it('has its rigidity and its forces at an angle as such', () => {
    expect(after.sections).toEqual([{ id: 's', A: 0.01, EI: '2*EI' }])
    expect(after.loadCases![0].loads).toEqual([
      { type: 'nodal', node: 'B', force: '20 kN', angle: '45 deg' },
      { type: 'point', member: 'AB', at: '50%', force: 5, angle: 0.5, m: 2 },
      { type: 'nodal', node: 'B', fx: '(20 kN)*cos(45 deg)', fy: 3 },
    ])
    expect(problemErrors(after)).toEqual([])
  })
  it('has the same results', () => {
    const [a, b] = [work(before), work(after)]
    if (a.stage !== 'solved' || b.stage !== 'solved') throw new Error('solved')
    a.solution.cases[0].D.forEach((v, i) =>
      expect(Math.abs(v - b.solution.cases[0].D[i])).toBeLessThan(1e-12),
    )
  })
  it('is left alone where nothing is to be carried over', () => {
    expect(carriedOver(after)).toBe(after)
    const other = { ...before, sections: [{ id: 's', A: 0.01, I: '(2*EI)/(210 GPa)' }], loadCases: [] }
    expect(carriedOver(other)).toBe(other)
  })
})
