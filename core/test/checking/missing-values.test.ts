import { describe, expect, it } from 'vitest'
import { doubts, ownSections, ownValues, problemErrors, work, type Problem } from '../../src/index.js'
import { frame } from '../builder.js'

const plain = frame()
  .set({
    materials: [{ id: 'steel', E: '205 GPa' }],
    sections: [{ id: 's', A: '60 cm^2', I: '4500 cm^4' }],
  })
  .node('A', 0, 0)
  .node('B', 4, 0)
  .support('A', 'fixed')
  .support('B', 'fixed')
  .set({ members: [{ id: 'AB', start: 'A', end: 'B', material: 'steel', section: 's' }] })

const repaired = (p: Problem) => {
  const found = doubts(p).filter((d) => d.kind === 'missing-value')
  const after = found.reduce((q, d) => d.repair!.apply(q), p)
  expect(problemErrors(after)).toEqual([])
  return { found, after }
}

describe('a value that a load needs', () => {
  it('is asked for with a usual one, by the nearest material, and the depth of a rectangle', () => {
    const warmed = plain.load({ type: 'temperature', member: 'AB', uniform: 20, gradient: 10 }).problem
    const { found, after } = repaired(warmed)
    expect(found.map((d) => [d.path, d.severity, d.repair!.label])).toEqual([
      ['materials[0].alpha', 'error', 'Give steel that of steel, 12e-6/K'],
      ['sections[0].depth', 'error', 'Give s the depth of a rectangle of its A and I, 300 mm'],
    ])
    expect(work(after).stage).toBe('solved')
    expect(doubts(after)).toEqual([])
  })
  it('is the unit weight where own weight acts', () => {
    const p = plain.set({ loadCases: [{ id: '1', selfWeight: 1, loads: [] }] }).problem
    const { found, after } = repaired(p)
    expect(found).toMatchObject([{ severity: 'warning', path: 'materials[0].unitWeight' }])
    expect(after.materials![0].unitWeight).toBe('78.5 kN/m^3')
  })
  it('is of the timber in a timber frame, and of the American steel in feet', () => {
    const timber = plain.set({ materials: [{ id: 'beam', E: '10.9 GPa' }] }).problem
    const of = (p: Problem) =>
      doubts({
        ...p,
        loadCases: [{ id: '1', loads: [{ type: 'temperature', member: 'AB', uniform: 5 }] }],
      })[0].repair!.label
    const members = [{ ...plain.problem.members[0], material: 'beam' }]
    expect(of({ ...timber, members })).toContain('timber c24, 5e-6/K')
    expect(of({ ...plain.problem, units: { length: 'ft', force: 'kip' } })).toContain('6.5e-6/degF')
  })
})

describe('sections that are Viga’s own', () => {
  it('are those of a new sheet that are in use and unchanged', () => {
    const own = { id: 'default', A: '0.01 m^2', I: '1e-4 m^4' }
    const members = [{ ...plain.problem.members[0], section: 'default' }]
    expect(ownSections(plain.set({ sections: [own], members }).problem)).toEqual(['default'])
    expect(ownSections(plain.set({ sections: [own] }).problem)).toEqual([])
    expect(ownSections(plain.set({ sections: [{ ...own, I: '2e-4 m^4' }], members }).problem)).toEqual([])
  })
  it('are named by the values that the members need', () => {
    const own = { id: 'default', A: '0.01 m^2', I: '1e-4 m^4' }
    const member = { ...plain.problem.members[0], section: 'default' }
    const of = (change: object) =>
      ownValues(plain.set({ sections: [own], members: [member], ...change }).problem)
    expect(of({})).toBe('A and I')
    expect(of({ kind: 'truss' })).toBe('A')
    expect(of({ members: [{ ...member, type: 'bar' }] })).toBe('A')
    expect(of({ analysis: { neglectAxial: true } })).toBe('I')
    expect(of({ members: [] })).toBeUndefined()
  })
})
