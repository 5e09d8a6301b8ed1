import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  checkAnswers,
  drawnDiagrams,
  goneWith,
  judgeDrawn,
  mirrorSelection,
  reverseMember,
  setDrawnDiagram,
  setSigns,
  setUnits,
  splitMember,
  type Answer,
  type Problem,
} from '../../src/index.js'
import { ANSWER_LISTS } from '../../src/statement/answer-lists.js'
import { frame, solved } from '../builder.js'

const CASES = new URL('../cases/', import.meta.url)
const read = (file: string) => JSON.parse(readFileSync(new URL(file, CASES), 'utf8')) as Problem
const files = readdirSync(CASES).filter((f) => f.endsWith('.viga.json'))

/** Every kind of hand value that the problem gives room for, each with the right value to seven figures. */
function withRightAnswers(p: Problem): Problem {
  const places = ANSWER_LISTS.flatMap((l) => l.places(p, { at: ['30%', '50%'] }))
  const more = p.members
    .slice(0, 4)
    .flatMap((m) => ANSWER_LISTS.find((l) => l.key === 'member-matrix')!.places(p, { member: m.id }))
  const actions = [undefined, ...(p.combinations ?? []).slice(0, 1).map((c) => c.id)]
  const asked = [...places, ...more].flatMap((place) =>
    actions.map((id) => ({ ...place, ...(id === undefined ? {} : { case: id }) })),
  )
  const answers = asked.map((place, i): Answer => ({ ...place, id: `a${i}`, value: 0 }))
  const right = checkAnswers({ ...p, answers }, solved({ ...p, answers }))
  // the axial load of a member that keeps its length is put on the joint at its start
  const rigid = p.members.flatMap((m) => (m.axiallyRigid ? [m.start, m.end] : []))
  return {
    ...p,
    answers: answers.flatMap((a, i) => {
      const value = right[i].computed
      return value === null || (a.quantity === 'load-vector' && rigid.includes(a.node))
        ? []
        : [{ ...a, value, tolerance: Math.max(1e-5, Math.abs(value) * 1e-5) }]
    }),
  }
}

const differing = (p: Problem) =>
  checkAnswers(p, solved(p))
    .filter((v) => v.verdict !== 'agrees')
    .map((v) => p.answers!.find((a) => a.id === v.id))

describe('hand values follow an edit that changes nothing for the structure', () => {
  const problems = files.map((f) => [f, withRightAnswers(read(f))] as const)
  it.each(problems)('%s: a member reversed', (_, p) => {
    expect(differing(p)).toEqual([])
    for (const m of p.members.slice(0, 5)) {
      const after = reverseMember(p, m.id)
      expect(after.answers).toHaveLength(p.answers!.length)
      expect(differing(after)).toEqual([])
    }
  })
  it.each(problems)('%s: a member split', (_, p) => {
    for (const m of p.members.filter((o) => o.type !== 'bar' && p.kind === 'frame').slice(0, 4)) {
      const after = splitMember(p, m.id, [0.37]).problem
      expect(differing(after)).toEqual([])
      // what is left out is what the halves have not
      const kept = new Set(after.answers!.map((a) => a.id))
      for (const a of p.answers!.filter((o) => !kept.has(o.id)))
        expect([a.quantity, a.of]).toSatisfy(([quantity, of]: string[]) =>
          ['stiffness', 'fixed-end', 'load-vector', 'deflection'].includes(of ?? quantity),
        )
    }
  })
  it.each(problems)('%s: a member split into three', (_, p) => {
    const m = p.members.find((o) => o.type !== 'bar' && p.kind === 'frame')
    if (m) expect(differing(splitMember(p, m.id, [0.25, 0.8]).problem)).toEqual([])
  })
  it.each(problems)('%s: the whole mirrored', (_, p) => {
    // own weight acts downward in the image, too
    const weighs = p.loadCases!.some((c) => c.selfWeight)
    for (const axis of weighs ? (['vertical'] as const) : (['vertical', 'horizontal'] as const)) {
      const all = { nodes: p.nodes.map((n) => n.id), members: p.members.map((m) => m.id) }
      expect(differing(mirrorSelection(p, all, axis, 2, false))).toEqual([])
    }
  })
})

const beam = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .member('A', 'B')
  .support('A', 'fixed')
  .support('B', 'roller')
  .load({ type: 'point', member: 'AB', at: 4, fy: -12 }).problem

describe('a value at a jump', () => {
  const at = (value: number): Problem => ({
    ...beam,
    answers: [{ id: 'v', quantity: 'shear', member: 'AB', at: '4 m', value }],
  })
  it('goes to the half on whose side it is right, where the cut is at the jump', () => {
    // 52/9 kN before the load of 12 kN, −56/9 kN behind it
    for (const [value, half] of [
      [52 / 9, 'AC'],
      [-56 / 9, 'CB'],
    ] as const) {
      const after = splitMember(at(value), 'AB', [4 / 6]).problem
      expect(after.answers![0].member).toBe(half)
      expect(checkAnswers(after, solved(after))[0].verdict).toBe('agrees')
    }
  })
  it('is given no side that nobody stated, where the cut is elsewhere', () =>
    expect(splitMember(at(52 / 9), 'AB', [0.5]).problem.answers![0].side).toBeUndefined())
})

describe('an extreme', () => {
  it('just right of a jump belongs to the second half of a member cut there', () => {
    const V = solved(beam)
    const value = checkAnswers(
      { ...beam, answers: [{ id: 'v', quantity: 'minimum', of: 'shear', member: 'AB', value: 0 }] },
      V,
    )[0].computed!
    const p: Problem = {
      ...beam,
      answers: [{ id: 'v', quantity: 'minimum', of: 'shear', member: 'AB', value }],
    }
    const after = splitMember(p, 'AB', [4 / 6]).problem
    expect(after.answers).toEqual([{ id: 'v', quantity: 'minimum', of: 'shear', member: 'CB', value }])
    expect(checkAnswers(after, solved(after))[0].verdict).toBe('agrees')
  })
  it('is said to be gone with a member that is split, where nothing has it any more', () => {
    const p: Problem = {
      ...beam,
      answers: [
        { id: 'f', quantity: 'fixed-end', member: 'AB', end: 'start', component: 'rotation', value: 5 },
      ],
    }
    expect(goneWith(p, splitMember(p, 'AB', [0.5]).problem)).toBe(
      '1 hand value was removed: what it states does not exist any more.',
    )
  })
})

describe('end moments stated as forces on the member', () => {
  const stated = (p: Problem): Problem => ({
    ...setSigns(p, { ends: 'member' }),
    answers: [
      { id: 'AB', quantity: 'moment', member: 'AB', at: '0%', value: 32 / 3 },
      { id: 'BA', quantity: 'shear', member: 'AB', at: '6 m', value: 56 / 9 },
    ],
  })
  it('are compared with the force on the member, and the computed value is shown so', () => {
    // propped cantilever: M_AB = P·b·(L² − b²)/(2L²) = 12·2·32/72 kN·m, and B pushes up (48 − M_AB)/6
    const p = stated(beam)
    const [m, v] = checkAnswers(p, solved(p))
    expect(m).toMatchObject({ verdict: 'agrees', given: 32 / 3 })
    expect(m.computed).toBeCloseTo(32 / 3, 9)
    expect(v.computed).toBeCloseTo(56 / 9, 9)
    const usual = { ...p, view: undefined }
    expect(checkAnswers(usual, solved(usual)).map((o) => o.diagnosis?.kind)).toEqual([
      'opposite-sign',
      'opposite-sign',
    ])
  })
  it('keep their sign where the member is reversed, which leaves the moment on it as it is', () => {
    const p = stated(beam)
    const after = reverseMember(p, 'AB')
    expect(after.answers![0]).toMatchObject({ member: 'BA', at: '100%', value: 32 / 3 })
    // the shear is stated along the member's y, which is turned round
    expect(after.answers![1]).toMatchObject({ member: 'BA', at: 0, value: -6.22222222222 })
    expect(checkAnswers(after, solved(after)).map((o) => o.verdict)).toEqual(['agrees', 'agrees'])
  })
})

describe('a diagram drawn by hand', () => {
  const drawn = setDrawnDiagram(beam, {
    quantity: 'moment',
    member: 'AB',
    case: '1',
    ordinates: [
      { at: 0, value: -32 / 3 },
      { at: '4 m', value: 112 / 9 },
      { at: '100%', value: 0 },
    ],
  })
  const verdicts = (p: Problem) =>
    drawnDiagrams(p).flatMap((d) =>
      judgeDrawn(p, solved(p), solved(p).cases[0], d).map((o) => o.verdict.verdict),
    )
  it('is right, and stays so reversed, mirrored, split and in other units', () => {
    expect(verdicts(drawn)).toEqual(['agrees', 'agrees', 'agrees'])
    const all = { nodes: ['A', 'B'], members: ['AB'] }
    for (const [after, count] of [
      [reverseMember(drawn, 'AB'), 3],
      [mirrorSelection(drawn, all, 'vertical', 3, false), 3],
      [splitMember(drawn, 'AB', [0.5]).problem, 5],
      [splitMember(drawn, 'AB', [4 / 6]).problem, 4],
      [setUnits(drawn, 'ft', 'kip', true), 3],
    ] as const)
      expect(verdicts(after)).toEqual(Array(count).fill('agrees'))
  })
  it('keeps the kinds of its curves where the member is reversed', () => {
    const curved = setDrawnDiagram(beam, {
      quantity: 'shear',
      member: 'AB',
      ordinates: [
        { at: 0, value: 1, kind: 'parabola' },
        { at: 1, value: 2 },
        { at: 2, value: 4, kind: 'constant' },
        { at: 6, value: 4 },
      ],
    })
    const [d] = drawnDiagrams(reverseMember(curved, 'AB'))
    expect(d.ordinates).toEqual([
      { at: 0, value: 4, kind: 'constant' },
      { at: 4, value: 4, kind: 'parabola' },
      { at: 5, value: 2 },
      { at: '100%', value: 1 },
    ])
  })
})

describe('what the view keeps', () => {
  const p: Problem = {
    ...beam,
    view: { effectiveLengths: { AB: 0.7 }, grid: { across: '2@3, 4 m', up: '3' }, readings: [] },
  }
  it('keeps the effective length of a member that is split', () => {
    const { effectiveLengths } = splitMember(p, 'AB', [0.25]).problem.view as {
      effectiveLengths: Record<string, number>
    }
    // K·L is 4.2 m for each half
    expect(effectiveLengths).toEqual({ AC: 2.8, CB: 0.933333333333 })
  })
  it('writes the unit behind the spacings of the grid', () =>
    expect(setUnits(p, 'ft', 'kip', true).view!.grid).toEqual({ across: '2@3 m, 4 m', up: '3 m' }))
})
