import { describe, expect, it } from 'vitest'
import { doubts, problemErrors, type Problem } from '../../src/index.js'
import { frame } from '../builder.js'
import { tower } from '../../../scripts/bench/tower.js'

const beam = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 8, 0)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'pin')
  .support('C', 'roller')
  .load({ type: 'nodal', node: 'B', fy: -5 })
const kinds = (p: Problem) => doubts(p, problemErrors(p)).map((d) => d.kind)
const find = (p: Problem, kind: string) => doubts(p, problemErrors(p)).find((d) => d.kind === kind)!

describe('what is doubtful in a statement', () => {
  it('is nothing in a sound one', () => expect(doubts(beam.problem)).toEqual([]))

  it.each<[string, Problem, string, { path: string; severity: string; says: string }]>([
    [
      'two joints at one place',
      beam.node('D', 4, 0).node('E', 4, 3).member('D', 'E').problem,
      'coincident',
      { path: 'nodes[3]', severity: 'warning', says: 'B and D stand at the same place' },
    ],
    [
      'a member twice',
      beam.member('B', 'A').problem,
      'duplicate',
      { path: 'members[2]', severity: 'warning', says: 'AB and BA join the same two joints' },
    ],
    [
      'a member over two others',
      beam.member('A', 'C').problem,
      'overlap',
      { path: 'members[2]', severity: 'warning', says: 'overlap' },
    ],
    [
      'a joint on a member',
      beam.node('D', 2, 0).node('E', 2, 3).member('D', 'E').problem,
      'loose-joint',
      { path: 'members[0]', severity: 'warning', says: 'D lies on AB without joining it' },
    ],
    [
      'two members that cross',
      beam.node('D', 2, -1).node('E', 2, 3).member('D', 'E').problem,
      'crossing',
      { path: 'members[0]', severity: 'note', says: 'AB and DE cross' },
    ],
    [
      'a joint alone',
      beam.node('D', 2, 3).problem,
      'unreached',
      { path: 'nodes[3]', severity: 'note', says: 'No member reaches D' },
    ],
    [
      'no support',
      beam.set({ supports: [] }).problem,
      'unsupported',
      { path: 'supports', severity: 'error', says: 'Nothing supports' },
    ],
    [
      'too few supports',
      beam.set({ supports: [{ node: 'A', type: 'pin' }] }).problem,
      'unsupported',
      { path: 'supports', severity: 'error', says: 'two directions' },
    ],
    [
      'a part by itself',
      beam.node('D', 20, 0).node('E', 24, 0).member('D', 'E').problem,
      'separate',
      { path: 'members', severity: 'error', says: 'D and E are apart' },
    ],
    [
      'nothing that acts',
      beam.set({ loadCases: [{ id: '1', loads: [] }] }).problem,
      'unloaded',
      { path: 'loadCases', severity: 'note', says: 'Nothing acts' },
    ],
    [
      'a load of nothing',
      beam.load({ type: 'nodal', node: 'B', fy: 0 }).problem,
      'idle',
      { path: 'loadCases[0].loads[1]', severity: 'note', says: 'no value' },
    ],
    [
      'a member without length',
      beam.node('D', 4, 0).member('B', 'D').problem,
      'invalid',
      { path: 'members[2]', severity: 'error', says: 'has no length' },
    ],
  ])('finds %s', (_, p, kind, { path, severity, says }) => {
    const d = find(p, kind)
    expect(d).toMatchObject({ path, severity })
    expect(d.message).toContain(says)
  })

  it.each<[string, Problem, string]>([
    ['merges joints', beam.node('D', 4, 0).node('E', 4, 3).member('D', 'E').problem, 'coincident'],
    ['takes out the double', beam.member('B', 'A').problem, 'duplicate'],
    ['splits what overlaps', beam.member('A', 'C').problem, 'overlap'],
    [
      'joins a member to the joint on it',
      beam.node('D', 2, 0).node('E', 2, 3).member('D', 'E').problem,
      'loose-joint',
    ],
    [
      'puts a joint at a crossing',
      beam.node('D', 2, -1).node('E', 2, 3).member('D', 'E').problem,
      'crossing',
    ],
    ['takes out a joint alone', beam.node('D', 2, 3).problem, 'unreached'],
    ['takes out a member without length', beam.node('D', 4, 0).member('B', 'D').problem, 'invalid'],
    ['takes out a load of nothing', beam.load({ type: 'nodal', node: 'B', fy: 0 }).problem, 'idle'],
    ['fixes a joint', beam.set({ supports: [] }).problem, 'unsupported'],
  ])('its repair %s, and the doubt is gone', (_, p, kind) => {
    const mended = find(p, kind).repair!.apply(p)
    expect(problemErrors(mended)).toEqual([])
    expect(kinds(mended)).not.toContain(kind)
  })

  it('an overlap mended leaves each stretch once', () => {
    const p = beam.member('A', 'C').problem
    expect(
      find(p, 'overlap')
        .repair!.apply(p)
        .members.map((m) => m.id),
    ).toEqual(['AB', 'BC'])
  })

  it('names a kind twenty times at most, and has nothing to say of a tower of a thousand members', () => {
    let many = frame()
    for (let i = 0; i < 30; i++) many = many.node(`${i}`, i, 0).node(`${i}x`, i, 0)
    expect(doubts(many.problem).filter((d) => d.kind === 'coincident')).toHaveLength(20)
    expect(doubts(tower(20, 24))).toEqual([])
  })
})
