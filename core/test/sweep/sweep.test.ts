import { describe, expect, it } from 'vitest'
import {
  dimension,
  dimensionOf,
  readRead,
  readVaried,
  solutionOf,
  stepper,
  sweep,
  sweepValues,
  type Problem,
  type SweepInput,
} from '../../src/index.js'
import { frame } from '../builder.js'

/** A cantilever column with an axial load P and a push H at its top. */
const p: Problem = frame()
  .node('A', 0, 0)
  .node('B', 0, 'h')
  .member('A', 'B')
  .support('A', 'fixed')
  .load({ type: 'nodal', node: 'B', fx: 'H', fy: '-P' })
  .loadCase('W', { type: 'nodal', node: 'B', fx: '2 kN' })
  .set({
    symbols: { P: '300 kN', H: '5 kN', h: '4 m' },
    combinations: [{ id: 'U', factors: { '1': 1, W: 1.5 } }],
  }).problem

const varied = (name: string) => {
  const read = readVaried(p, name)
  if (!read.ok) throw new Error(read.message)
  return read.varied
}
const reads = ['displacement:B:x', 'moment:AB:0%'].map((text) => {
  const read = readRead(p, text)
  if (!read.ok) throw new Error(read.message)
  return read.read
})
const run = (name: string, values: number[], more: Partial<SweepInput> = {}) => {
  const found = sweep({ problem: p, varied: varied(name), values, reads, orders: [1, 2], ...more })
  if ('message' in found) throw new Error(found.message)
  return found.steps
}
const EI = 2e8 * 1e-4 * 1000

describe('what varies', () => {
  it('is a symbol, a case, a factor, a part of the critical load or a path', () => {
    expect(varied('P')).toEqual({ kind: 'symbol', name: 'P' })
    expect(varied('case:W')).toEqual({ kind: 'case', id: 'W' })
    expect(varied('loadCases[1].loads[0].fx').kind).toBe('path')
    expect(readVaried(p, 'case:X')).toMatchObject({ ok: false, message: 'There is no load case X.' })
    expect(readVaried(p, 'loadCases[7].id').ok).toBe(false)
  })
  it('has the dimension of what it is', () => {
    expect(dimensionOf(p, varied('P'))).toEqual(dimension.force)
    expect(dimensionOf(p, varied('h'))).toEqual(dimension.length)
    expect(dimensionOf(p, varied('factor'))).toEqual(dimension.none)
  })
  it('takes the values of a range, or of a list, with their units', () => {
    const values = (range: Parameters<typeof sweepValues>[2]) => sweepValues(p, varied('P'), range)
    expect(values({ from: '0', to: '2*P', steps: 2 })).toEqual({ ok: true, values: [0, 300_000, 600_000] })
    expect(values({ from: '', to: '', steps: 0, list: '1 kN, 2000 N' })).toEqual({
      ok: true,
      values: [1000, 2000],
    })
    expect(values({ from: '0', to: '3 m', steps: 2 })).toMatchObject({ ok: false, field: 'to' })
    expect(values({ from: '0', to: '1', steps: 0.5 })).toMatchObject({ ok: false, field: 'steps' })
  })
})

describe('a sweep', () => {
  it('of the axial load follows H/(P·k)·(tan kh − kh), and stops where it buckles', () => {
    const [none, some, beyond] = run('P', [0, 300_000, 4e6])
    expect(none.values[2]![0]).toBeCloseTo((5000 * 64) / (3 * EI), 9)
    const k = Math.sqrt(300_000 / EI)
    expect(some.values[2]![0]).toBeCloseTo((5000 / (300_000 * k)) * (Math.tan(4 * k) - 4 * k), 9)
    expect(some.values[1]![0]).toBeCloseTo(none.values[1]![0]!, 12)
    expect(beyond.values[2]![0]).toBeNull()
    expect(beyond.reason).toContain('buckles')
  })
  it('of the height changes the structure', () => {
    const [low, high] = run('h', [2, 4])
    expect(high.values[1]![0]! / low.values[1]![0]!).toBeCloseTo(8, 9)
  })
  it('of the factor of a case, and of all loads, leaves the structure as it is', () => {
    const [without, stated] = run('case:W', [0, 1], { action: 'U' })
    expect(without.values[1]![1]).toBeCloseTo(-20_000, 6)
    expect(stated.values[1]![1]).toBeCloseTo(-32_000, 6)
    const [half] = run('factor', [0.5])
    expect(half.values[1]![1]).toBeCloseTo(-10_000, 6)
  })
  it('of a part of the critical load comes as near to it as is asked', () => {
    const [half, near] = run('critical', [0.5, 0.98])
    const amplified = (s: typeof half) => s.values[2]![0]! / s.values[1]![0]!
    expect(amplified(half)).toBeGreaterThan(1.9)
    expect(amplified(near)).toBeGreaterThan(40)
  })
  it('gives the state at a step, to be drawn', () => {
    const states = stepper({ problem: p, varied: varied('P'), orders: [1, 2] })
    if ('message' in states) throw new Error(states.message)
    const state = states.at(300_000)
    if (!('solution' in state)) throw new Error(state.reason)
    expect(solutionOf(state, state.second!).combinations[0].bent!.loadFactor).toBeGreaterThan(1)
  })
  it('reads nothing of what is not there', () => {
    expect(readRead(p, 'displacement:Q:x')).toMatchObject({ ok: false, message: 'There is no joint Q.' })
    expect(readRead(p, 'maximum:twist').ok).toBe(false)
    expect(readRead(p, 'moment:AB:50%')).toMatchObject({ ok: true })
  })
})
