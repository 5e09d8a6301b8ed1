import { describe, expect, it } from 'vitest'
import { createSolver, displayOf, working, type Problem } from '@viga/core'
import { firstView, layersOf } from '@viga/drawing/figure-file'
import { aheadOf, sceneOf } from '../../app/figure/drawn-scene'

/** A row of so many members on supports, one load. */
function row(count: number): Problem {
  const id = (i: number) => `n${i}`
  return {
    format: 'viga-problem',
    version: 1,
    title: 'row',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    materials: [{ id: 'm', E: 2e8 }],
    sections: [{ id: 's', A: 0.01, I: 1e-4 }],
    nodes: Array.from({ length: count + 1 }, (_, i) => ({ id: id(i), x: i, y: i % 2 })),
    members: Array.from({ length: count }, (_, i) => ({
      id: `m${i}`,
      start: id(i),
      end: id(i + 1),
      material: 'm',
      section: 's',
    })),
    supports: Array.from({ length: count + 1 }, (_, i) => ({ node: id(i), type: 'pin' as const })),
    loadCases: [{ id: '1', loads: [{ type: 'point', member: 'm0', at: '50%', fy: -5 }] }],
  }
}

function input(count: number) {
  const problem = row(count)
  const outcome = createSolver()(problem)
  if (outcome.stage !== 'solved') throw new Error('the row is solved')
  const { solution } = outcome
  const { structure } = solution
  const layers = layersOf(['M'], false)
  const solvedOnes = { ...working.numbered(solution, problem), action: solution.cases[0] }
  return {
    structure,
    layers,
    view: firstView(structure, layers, 700, 600),
    loads: [],
    display: displayOf(problem),
    solved: solvedOnes,
    enlarge: 0,
  }
}

describe('drawings that are kept', () => {
  it('are the same when the same is asked for again, told anew', () => {
    const of = input(401)
    const M = sceneOf(of)
    const V = sceneOf({ ...of, layers: { ...of.layers, diagram: 'V' } })
    expect(V).not.toBe(M)
    expect(sceneOf({ ...of, layers: { ...of.layers }, view: { ...of.view } })).toBe(M)
    expect(sceneOf({ ...of, layers: { ...of.layers, diagram: 'V' } })).toBe(V)
  })

  it('are made anew for another view, another result or another size', () => {
    const of = input(401)
    const first = sceneOf(of)
    expect(sceneOf({ ...of, view: { ...of.view, ox: of.view.ox + 1 } })).not.toBe(first)
    expect(sceneOf({ ...of, solved: { ...of.solved } })).not.toBe(first)
    expect(sceneOf({ ...of, diagramSize: 2 }).groups[0]).not.toEqual(first.groups[0])
  })

  it('are not kept of a textbook problem, which is drawn in no time', () => {
    const of = input(5)
    expect(sceneOf(of)).not.toBe(sceneOf(of))
    expect(sceneOf(of)).toEqual(sceneOf(of))
  })
})

describe('the other diagrams of a drawing', () => {
  const withDiagram = (of: ReturnType<typeof input>, diagram: 'N' | 'V' | 'M' | null) => ({
    ...of,
    layers: { ...of.layers, diagram },
  })

  it('are those that were drawn before', () => {
    const of = input(401)
    expect(aheadOf(of)).toEqual([])
    sceneOf(of)
    const V = sceneOf(withDiagram(of, 'V'))
    expect(aheadOf(of)).toEqual([{ diagram: 'V', groups: V.groups }])
    expect(aheadOf(withDiagram(of, 'V')).map((a) => a.diagram)).toEqual(['M'])
    expect(aheadOf(withDiagram(of, 'N')).map((a) => a.diagram)).toEqual(['V', 'M'])
    expect(aheadOf(of)[0].groups).toBe(V.groups)
  })

  it('are the same whether a layer was never chosen or is off', () => {
    const of = input(401)
    const first = sceneOf(of)
    const told = { ...of, layers: { ...of.layers, all: false, zeros: undefined } }
    expect(sceneOf(told)).toBe(first)
    sceneOf(withDiagram(told, 'V'))
    expect(aheadOf(of).map((a) => a.diagram)).toEqual(['V'])
  })

  it('are none of another view, of another result, and none without a diagram', () => {
    const of = input(401)
    sceneOf(withDiagram(of, 'V'))
    sceneOf(withDiagram(of, null))
    expect(aheadOf(of)).toHaveLength(1)
    expect(aheadOf({ ...of, view: { ...of.view, ox: of.view.ox + 1 } })).toEqual([])
    expect(aheadOf({ ...of, solved: { ...of.solved } })).toEqual([])
    expect(aheadOf({ ...of, layers: { ...of.layers, deflected: true } })).toEqual([])
  })
})
