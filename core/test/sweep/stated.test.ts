import { describe, expect, it } from 'vitest'
import { readVaried, statedQuantities, sweep, type Problem } from '../../src/index.js'
import { frame } from '../builder.js'

/** A beam of 6 m, a force at a third, a uniform load, a prop on a spring. */
const { problem } = frame()
  .node('A', 0, 0)
  .node('B', '6 m', 0)
  .member('A', 'B')
  .support('A', { type: 'fixed', settlement: { y: '-3 mm' } })
  .support('B', { restrain: { x: 'free', y: '900 kN/m', rotation: 'free' } })
  .load(
    { type: 'point', member: 'AB', at: '2 m', fy: '-12 kN' },
    {
      type: 'distributed',
      member: 'AB',
      direction: 'Y',
      points: [
        { at: 0, q: -2 },
        { at: '100%', q: '-4 kN/m' },
      ],
    },
  )
const words = (p: Problem) => statedQuantities(p).map((q) => q.words)

describe('quantities that may grow', () => {
  it('are the loads, stiffnesses, springs, settlements and coordinates, in words', () => {
    expect(words(problem)).toEqual(
      expect.arrayContaining([
        'the force along y of load 1 of 1, on AB',
        'value 2 of load 2 of 1, on AB',
        'I of s',
        'E of m',
        'the spring y at B',
        'the settlement y at A',
        'x of B',
      ]),
    )
    // what is held or free is no quantity
    expect(words(problem).some((w) => w.includes('spring x at B'))).toBe(false)
  })

  it('each have a path that a sweep understands', () => {
    for (const { path } of statedQuantities(problem)) expect(readVaried(problem, path).ok, path).toBe(true)
  })

  it('run: twice the force, twice the moment it makes', () => {
    const force = statedQuantities(problem).find((q) => q.words.startsWith('the force along y'))!
    const varied = readVaried(problem, force.path)
    if (!varied.ok) throw new Error(varied.message)
    const result = sweep({
      problem,
      varied: varied.varied,
      values: [0, -12_000, -24_000],
      reads: [{ text: 'M', place: { quantity: 'moment', member: 'AB', at: '0%' } }],
      orders: [1],
    })
    if ('message' in result) throw new Error(result.message)
    const [none, once, twice] = result.steps.map((s) => s.values[1]![0]!)
    expect(twice - none).toBeCloseTo(2 * (once - none), 6)
  })

  it('leave out the coordinates of a structure that nobody would look through', () => {
    const many = frame()
    const large = Array.from({ length: 30 }, (_, i) => i).reduce(
      (b, i) => b.node(`J${i}`, i, 0),
      many,
    ).problem
    expect(words(large).some((w) => w.startsWith('x of'))).toBe(false)
  })
})
