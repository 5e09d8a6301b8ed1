import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../src/index.js'
import { frame, type Builder } from '../builder.js'
import { agrees } from './agrees.js'

const METHOD = working.methodOf('three-moments')!
const kN = fc.integer({ min: -30, max: 30 })

const drawn = fc.record({
  spans: fc.array(
    fc.record({
      L: fc.integer({ min: 2, max: 9 }),
      q: kN,
      P: kN,
      at: fc.integer({ min: 1, max: 9 }),
      couple: fc.constantFrom(0, 0, 8),
      sinks: fc.constantFrom(0, 0, -6),
      /** The span has a joint of its own, with a load on it. */
      parted: fc.boolean(),
      turned: fc.boolean(),
    }),
    { minLength: 2, maxLength: 4 },
  ),
  ends: fc.tuple(fc.constantFrom('pin', 'fixed', 'overhang'), fc.constantFrom('pin', 'fixed', 'overhang')),
})
type Drawn = typeof drawn extends fc.Arbitrary<infer T> ? T : never

function beamOf({ spans, ends }: Drawn): Problem {
  let b: Builder = frame()
  const join = (from: string, to: string, turned: boolean, q: number) => {
    b = turned ? b.member(to, from) : b.member(from, to)
    const id = turned ? to + from : from + to
    if (q) b = b.load({ type: 'distributed', member: id, direction: 'Y', q })
    return id
  }
  let x = 0
  b = b.node('A', 0, 0)
  if (ends[0] === 'overhang') {
    b = b.node('P', -2, 0).load({ type: 'nodal', node: 'P', fy: -9 })
    join('P', 'A', false, -4)
  }
  spans.forEach((s, i) => {
    const [from, to] = [String.fromCharCode(65 + i), String.fromCharCode(66 + i)]
    b = b.node(to, x + s.L, 0)
    if (s.parted) {
      const mid = `${from}m`
      b = b.node(mid, x + s.L / 2, 0).load({ type: 'nodal', node: mid, fy: s.P })
      join(from, mid, s.turned, s.q)
      join(mid, to, false, s.q)
    } else {
      const id = join(from, to, s.turned, s.q)
      if (s.P) b = b.load({ type: 'point', member: id, at: `${10 * s.at}%`, fy: s.P })
    }
    if (s.couple) b = b.load({ type: 'nodal', node: to, m: s.couple })
    x += s.L
  })
  if (ends[1] === 'overhang') {
    const last = String.fromCharCode(65 + spans.length)
    b = b.node('Q', x + 1.5, 0).load({ type: 'nodal', node: 'Q', fy: -5, m: 3 })
    join(last, 'Q', false, -6)
  }
  const support = (id: string, end: string | undefined, sinks: number) =>
    (b = b.support(id, {
      type: end === 'fixed' ? 'fixed' : id === 'A' ? 'pin' : 'roller',
      ...(sinks ? { settlement: { y: `${sinks} mm` } } : {}),
    }))
  support('A', ends[0], 0)
  spans.forEach((s, i) =>
    support(String.fromCharCode(66 + i), i === spans.length - 1 ? ends[1] : undefined, s.sinks),
  )
  return b.problem
}

describe('the three-moment equation', () => {
  it('finds the moments over the supports of continuous beams', () => {
    let solved = 0
    fc.assert(
      fc.property(drawn, (d) => {
        if (agrees(beamOf(d), METHOD)) solved++
      }),
      { numRuns: 120 },
    )
    expect(solved).toBe(120)
  })

  it('is not offered for a single span, a hinged beam, or one on springs', () => {
    const fits = (b: Builder) => {
      const outcome = work(b.problem)
      if (outcome.stage === 'invalid') throw new Error('read')
      return METHOD.fits(b.problem, outcome.structure).fits
    }
    const two = frame().node('A', 0, 0).node('B', 4, 0).node('C', 8, 0).member('A', 'B').member('B', 'C')
    const held = two.support('A', 'pin').support('B', 'roller')
    expect(fits(held.support('C', 'roller'))).toBe(true)
    expect(fits(held)).toBe(false)
    expect(fits(held.support('C', { restrain: { x: 'free', y: '500 kN/m', rotation: 'free' } }))).toBe(false)
  })
})
