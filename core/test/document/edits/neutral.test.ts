import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  copySelection,
  divideMember,
  edit,
  mergeNodes,
  mirrorSelection,
  problemErrors,
  reactionAt,
  renumberNodes,
  reverseMember,
  setUnits,
  splitMember,
  work,
  type Load,
  type Problem,
} from '../../../src/index.js'
import { pairsOf } from '../../../src/document/names.js'
import { anyLoad } from '../../any-load.js'
import { frame, solved } from '../../builder.js'

/** A frame with a hinge, a spring, a turned roller and a settlement, so that no reaction is easily right. */
const stated = (loads: Load[]): Problem => {
  const p = frame()
    .node('A', 0, 0)
    .node('B', 5, 1)
    .node('C', 9, -1)
    .member('A', 'B', { releases: { end: { M: '900 kN*m' } } })
    .member('B', 'C')
    .support('A', 'fixed')
    .support('C', 'roller')
    .load(...loads).problem
  return {
    ...p,
    supports: p.supports!.map((s) =>
      s.node === 'C' ? { ...s, angle: '20 deg', settlement: { y: '-4 mm' } } : s,
    ),
    combinations: [{ id: 'twice', factors: { '1': 2 } }],
  }
}

/** The reactions of every case and combination by the place of their support, SI. */
function reactions(p: Problem): Map<string, number[]> {
  expect(problemErrors(p)).toEqual([])
  const s = solved(p)
  const out = new Map<string, number[]>()
  for (const a of [...s.cases, ...s.combinations])
    for (const { node } of s.structure.supports) {
      const { x, y } = s.structure.nodes[node]
      const r = reactionAt(s, a, node)
      out.set(`${a.id} ${x.toFixed(6)} ${y.toFixed(6)}`, [r.x, r.y, r.rotation])
    }
  return out
}

/** Reactions that were there are there still, and the same. */
function expectKept(before: Problem, after: Problem) {
  const [was, is] = [reactions(before), reactions(after)]
  const scale = Math.max(1, ...[...was.values()].flat().map(Math.abs))
  for (const [at, values] of was)
    values.forEach((v, i) => expect(Math.abs(v - (is.get(at)?.[i] ?? NaN)) / scale, at).toBeLessThan(1e-7))
}

const shuffled = <T>(list: T[]): T[] => [...list].reverse()

/** Edits that do not change the mechanics, each with the places it is tried at. */
const NEUTRAL: Record<string, (p: Problem, share: number) => Problem> = {
  'a member turned round': (p) => reverseMember(p, 'AB'),
  'every member turned round': (p) => p.members.reduce((q, m) => reverseMember(q, m.id), p),
  'a member split': (p, share) => splitMember(p, 'AB', [share]).problem,
  'a member divided': (p) => divideMember(p, 'BC', 3).problem,
  'a joint renamed': (p) => edit.renameNode(p, 'B', 'Q'),
  'a member renamed': (p) => edit.renameMember(p, 'AB', 'rafter'),
  'a case renamed': (p) => edit.renameCase(edit.renameCase(p, '1', 'D'), 'D', '1'),
  'joints numbered': (p) => edit.renameNodes(p, renumberNodes(p, 'numbers', 'place')),
  'joints lettered as listed': (p) => edit.renameNodes(p, renumberNodes(p, 'letters', 'listed')),
  'lists in another order': (p) => ({
    ...p,
    nodes: shuffled(p.nodes),
    members: shuffled(p.members),
    supports: shuffled(p.supports!),
  }),
  'units converted': (p) => setUnits(p, 'ft', 'kip', true),
  'units converted and back': (p) => setUnits(setUnits(p, 'mm', 'N', true), 'm', 'kN', true),
  'two joints at one place merged': (p) => {
    const twice: Problem = {
      ...p,
      nodes: [...p.nodes, { id: 'B2', x: 5, y: 1 }],
      members: p.members.map((m) => (m.id === 'BC' ? { ...m, start: 'B2' } : m)),
    }
    return mergeNodes(twice, 'B', 'B2')
  },
  'a copy beside it': (p) =>
    copySelection(p, all(p), { dx: 0, dy: 40, times: 1, supports: true, loads: true }),
  'a mirrored copy beside it': (p) => mirrorSelection(p, all(p), 'vertical', 30),
}
const all = (p: Problem) => ({ nodes: p.nodes.map((n) => n.id), members: p.members.map((m) => m.id) })

/** The same frame pressed hard along its members and in equilibrium on its bent shape. */
const pressed = (loads: Load[]): Problem => {
  const p = stated([
    ...loads,
    { type: 'nodal', node: 'B', fx: -220, fy: -100 },
    { type: 'nodal', node: 'C', fx: -150 },
  ])
  return { ...p, analysis: { order: 2 } }
}

describe.each([
  ['in first order', stated, 60],
  ['in second order', pressed, 15],
] as const)('an edit that does not change the mechanics keeps every reaction %s', (_, problemOf, numRuns) => {
  it.each(Object.entries(NEUTRAL))('%s', (_, change) =>
    fc.assert(
      fc.property(
        fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (loads, share) => {
          const before = problemOf(loads)
          fc.pre(work(before).stage === 'solved')
          expectKept(before, change(before, share))
        },
      ),
      { numRuns },
    ),
  )
})

/** Members whose label names two joints that are not their own. */
const lies = (p: Problem): string[] =>
  p.members
    .filter((m) => {
      const pairs = pairsOf(p, m.id)
      const own = pairs.some(([a, b]) => (a === m.start && b === m.end) || (a === m.end && b === m.start))
      return pairs.length > 0 && !own
    })
    .map((m) => m.id)

describe('an edit leaves no label that names joints which the member does not join', () => {
  it.each(Object.entries(NEUTRAL))('%s', (_, change) =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), (share) => {
        expect(lies(change(stated([]), share))).toEqual([])
      }),
      { numRuns: 20 },
    ),
  )
})
