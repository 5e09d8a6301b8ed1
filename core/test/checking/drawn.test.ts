import { describe, expect, it } from 'vitest'
import { courseOf, type Problem } from '../../src/index.js'
import { judgeDrawn, kindBetween } from '../../src/checking/drawn.js'
import { readDrawn, valueOnRun } from '../../src/checking/read-drawn.js'
import { drawnDiagram, drawnDiagrams, setDrawnDiagram } from '../../src/document/drawn-diagrams.js'
import { frame } from '../builder.js'

const beam = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .member('A', 'B')
  .support('A', 'pin')
  .support('B', 'roller')
  .load({
    type: 'distributed',
    member: 'AB',
    direction: 'Y',
    points: [
      { at: 0, q: -4 },
      { at: 3, q: -4 },
    ],
  })
const of = { quantity: 'moment', member: 'AB' } as const
const read = (ordinates: Parameters<typeof setDrawnDiagram>[1]['ordinates'], p: Problem = beam.problem) =>
  readDrawn(p, { ...of, ordinates }, 6)

describe('a diagram drawn by hand', () => {
  it('is kept with the problem, one for a member and quantity, and taken out when it is empty', () => {
    const once = setDrawnDiagram(beam.problem, { ...of, ordinates: [{ at: 0, value: 0 }] })
    const twice = setDrawnDiagram(once, { ...of, ordinates: [{ at: 0, value: 1 }] })
    expect(drawnDiagrams(twice)).toEqual([{ ...of, ordinates: [{ at: 0, value: 1 }] }])
    expect(drawnDiagram(twice, of).ordinates).toHaveLength(1)
    expect(setDrawnDiagram(twice, { ...of, ordinates: [] }).view).toEqual({})
    expect(drawnDiagrams({ view: { drawn: [{ member: 3 }, 'x'] } })).toEqual([])
  })
  it('runs as a parabola through three ordinates and straight on from the last', () => {
    const drawn = read([
      { at: 0, value: 0, kind: 'parabola' },
      { at: '25%', value: '9 kN*m' },
      { at: 3, value: 9, kind: 'linear' },
      { at: '100%', value: 0 },
    ])
    if (!drawn.ok) throw new Error(drawn.message)
    expect(drawn.runs.map((r) => r.kind)).toEqual(['parabola', 'linear'])
    const [parabola, line] = drawn.runs
    // 9 kN·m at a quarter and at a half of the span: M = 9x − 2x² in kN and m
    for (const x of [0, 0.75, 1.5, 2.25, 3])
      expect(valueOnRun(parabola, x)).toBeCloseTo(1000 * (9 * x - 2 * x * x), 6)
    expect(valueOnRun(line, 4.5)).toBeCloseTo(4500, 6)
  })
  it('says which ordinate cannot be read, and why', () => {
    expect(read([{ at: 0, value: '3 m' }])).toMatchObject({ ok: false, ordinate: 0 })
    expect(
      read([
        { at: 2, value: 0 },
        { at: 1, value: 0 },
      ]),
    ).toMatchObject({
      ok: false,
      ordinate: 1,
      message: 'Ordinates go from the start of the member to its end.',
    })
    expect(
      read([
        { at: 0, value: 0, kind: 'cubic' },
        { at: 6, value: 0 },
      ]),
    ).toMatchObject({
      ok: false,
      message: 'A cubic needs 4 ordinates: give 2 between its ends.',
    })
  })
  it('is told from the computed one by the kind of each stretch', () => {
    const solution = beam.solve()
    const course = courseOf(solution, solution.cases[0], 0)
    expect(kindBetween(course, 'M', 0, 3)).toBe('parabola')
    expect(kindBetween(course, 'M', 3, 6)).toBe('linear')
    expect(kindBetween(course, 'V', 0, 3)).toBe('linear')
    expect(kindBetween(course, 'V', 3, 6)).toBe('constant')
    expect(kindBetween(course, 'M', 1, 5)).toBe('several')
  })
  it('is judged ordinate by ordinate, with how it runs on', () => {
    const solution = beam.solve()
    const drawn = {
      ...of,
      ordinates: [
        { at: 0, value: 0, kind: 'linear' as const },
        { at: 3, value: 9, kind: 'linear' as const },
        { at: 6, value: 1 },
      ],
    }
    const judged = judgeDrawn(beam.problem, solution, solution.cases[0], drawn)
    expect(judged.map((j) => j.verdict.verdict)).toEqual(['agrees', 'agrees', 'differs'])
    expect(judged.map((j) => j.runsOn)).toEqual(['parabola', undefined, undefined])
  })
})
