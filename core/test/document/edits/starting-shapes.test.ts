import { describe, expect, it } from 'vitest'
import {
  addShape,
  beamShape,
  determinacy,
  doubts,
  frameShape,
  gableShape,
  newProblem,
  problemErrors,
  trussShape,
  work,
  type StartingShape,
  type TrussForm,
} from '../../../src/index.js'

const solved = (shape: StartingShape) => {
  const p = addShape(newProblem(), shape)
  expect(problemErrors(p)).toEqual([])
  const o = work(p)
  if (o.stage !== 'solved') throw new Error(o.stage === 'unsolved' ? o.error.message : o.errors[0].message)
  return { p, degree: determinacy(o.solution.structure, o.solution.dofs).degree }
}

describe('starting shapes', () => {
  it.each<[TrussForm, number[]]>([
    ['pratt', [4, 6, 8]],
    ['howe', [4, 6, 8]],
    ['warren', [2, 3, 4, 7]],
    ['warren with verticals', [4, 6, 8]],
    ['k', [4, 6, 8]],
    ['fink', [4]],
  ])('a %s truss is stable and determinate, its members cross nowhere', (form, panels) => {
    for (const n of panels) {
      const shape = trussShape(form, 24, 4, n)
      if ('message' in shape) throw new Error(shape.message)
      const { p, degree } = solved(shape)
      expect(degree).toBe(0)
      expect(p.kind).toBe('truss')
      expect(doubts(p).map((d) => d.kind)).toEqual(['unloaded'])
    }
  })
  it('the diagonals of a Pratt truss pull and those of a Howe truss push under load from above', () => {
    for (const [form, sign] of [
      ['pratt', 1],
      ['howe', -1],
    ] as const) {
      const shape = trussShape(form, 24, 4, 6) as StartingShape
      const p = addShape(newProblem(), shape)
      const top = p.nodes.filter((n) => n.y === 4)
      const o = work({
        ...p,
        loadCases: [{ id: '1', loads: top.map((n) => ({ type: 'nodal' as const, node: n.id, fy: -10 })) }],
      })
      if (o.stage !== 'solved') throw new Error('unsolved')
      const { members, nodes } = o.structure
      members.forEach((m, i) => {
        const inner = [m.start, m.end].every((n) => nodes[n].x > 1 && nodes[n].x < 23)
        const N = o.solution.cases[0].forces[6 * i + 3]
        if (inner && Math.abs(m.cos) > 0.1 && Math.abs(m.sin) > 0.1) expect(Math.sign(N)).toBe(sign)
      })
    }
  })
  it.each(['pratt', 'k'] as const)('a %s truss of odd panels is refused with a sentence', (form) =>
    expect(trussShape(form, 10, 2, 5)).toMatchObject({ message: expect.stringContaining('even') as string }),
  )

  it('beams: one redundant for each support beyond two', () => {
    expect(solved(beamShape([4])).degree).toBe(0)
    expect(solved(beamShape([4, 5, 6])).degree).toBe(2)
    expect(solved(beamShape([4, 5], 'fixed')).degree).toBe(4) // the axial one counts
    expect(solved(beamShape([3], 'cantilever')).degree).toBe(0)
  })
  it('frames: three redundants for each cell of a fixed frame', () => {
    expect(solved(frameShape([6], [4], 'fixed')).degree).toBe(3)
    expect(solved(frameShape([6, 5], [4, 3], 'fixed')).degree).toBe(12)
    expect(solved(frameShape([6], [4], 'pin')).degree).toBe(1)
    expect(solved(gableShape(12, 4, 2, 'fixed')).degree).toBe(3)
  })
  it('stand beside what is there, with labels that go on; trusses in a frame problem are bars', () => {
    const p = addShape(
      addShape(newProblem(), beamShape([4])),
      trussShape('warren', 6, 2, 2) as StartingShape,
      10,
      1,
    )
    expect(p.kind).toBe('frame')
    expect(p.nodes[2]).toEqual({ id: 'C', x: 10, y: 1 })
    expect(p.members.slice(1).every((m) => m.type === 'bar')).toBe(true)
    expect(problemErrors(p)).toEqual([])
  })
})
