import { describe, expect, it } from 'vitest'
import { solve } from '../../src/analysis/solve.js'
import { influenceLine, lineAt, work, type Asked, type Problem, type Structure } from '../../src/index.js'
import { releasedFor } from '../../src/methods/mueller-breslau.js'
import { displacementAt } from '../../src/results/at-node.js'
import { frame, loadedSpans } from '../builder.js'

function structureOf(problem: Problem): Structure {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  return outcome.structure
}

describe('the structure released for a quantity', () => {
  it('has lost what the quantity is, and nothing else', () => {
    const s = structureOf(loadedSpans.problem)
    const reaction = releasedFor(s, { asked: { quantity: 'reaction', node: 'B', component: 'y' } })!
    expect(reaction.structure.supports.map((p) => s.nodes[p.node].id)).not.toContain('B')
    const moment = releasedFor(s, { asked: { quantity: 'moment', member: 'AB', at: '50%' }, at: 3 })!
    expect(moment.structure.members).toHaveLength(s.members.length + 1)
    expect(moment.structure.members[0].releases[5]).toBe(true)
    expect(moment.forces.map((f) => f.value)).toEqual([1, -1])
    expect(releasedFor(s, { asked: { quantity: 'displacement', node: 'B' } as Asked })).toBeUndefined()
    expect(releasedFor(s, { asked: { quantity: 'moment', member: 'AB', at: '0%' }, at: 0 })).toBeUndefined()
  })

  it('takes, moved by one, the shape of the influence line', () => {
    const { problem } = frame()
      .node('A', 0, 0)
      .node('M', 3, 0)
      .node('B', 6, 0)
      .node('C', 10, 0)
      .member('A', 'M')
      .member('M', 'B')
      .member('B', 'C')
      .support('A', 'pin')
      .support('B', 'roller')
      .support('C', 'roller')
    const s = structureOf(problem)
    const asked = { quantity: 'reaction', node: 'B', component: 'y' } as Asked
    const { structure, forces } = releasedFor(s, { asked })!
    const [M, B] = ['M', 'B'].map((id) => s.nodes.findIndex((n) => n.id === id))
    expect(forces.map((f) => [f.x, f.y])).toEqual([[6, 0]])
    const load = { type: 'nodal' as const, node: B, fx: 0, fy: 1000, m: 0 }
    const unit = { id: 'u', title: '', category: 'other' as const, selfWeight: 0, loads: [load] }
    const moved = solve({ ...structure, cases: [unit] })
    if (!moved.ok) throw new Error(moved.error.message)
    const v = (node: number) => displacementAt(moved.solution, moved.solution.cases[0], node).y ?? NaN
    const found = influenceLine(problem, s, asked, '-Y')
    if (!found.ok) throw new Error(found.message)
    const [first] = found.line.members
    expect(lineAt(first, 3)).toBeCloseTo(v(M) / v(B), 9)
  })
})
