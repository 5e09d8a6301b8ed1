import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { working, type Problem } from '../../src/index.js'
import { frame, type Builder } from '../builder.js'
import { agrees } from './agrees.js'

const FRAME_METHODS = working.METHODS.filter((m) =>
  ['slope-deflection', 'moment-distribution'].includes(m.key),
)

const kN = fc.integer({ min: -40, max: 40 })
const sort = fc.constantFrom('fixed', 'pin', 'roller', 'free', 'spring')
const beams = fc
  .array(
    fc.record({
      L: fc.integer({ min: 2, max: 9 }),
      EI: fc.integer({ min: 1, max: 9 }),
      q: kN,
      P: kN,
      at: fc.integer({ min: 0, max: 10 }),
      hinge: fc.constantFrom(0, 0, 0, 0, 1),
      support: sort,
      sinks: fc.constantFrom(0, 0, -5, 8),
      couple: fc.constantFrom(0, 0, 12),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .chain((spans) => fc.tuple(fc.constant(spans), sort))

function beamOf([spans, first]: [
  typeof beams extends fc.Arbitrary<infer T> ? (T extends [infer S, unknown] ? S : never) : never,
  string,
]): Problem {
  let b: Builder = frame().node('A', 0, 0)
  let x = 0
  const support = (node: string, type: string, sinks: number) => {
    if (type === 'free') return
    if (type === 'spring')
      b = b.support(node, { restrain: { x: 'free', y: '4000 kN/m', rotation: '900 kN*m' } })
    else b = b.support(node, { type: type as 'pin', ...(sinks ? { settlement: { y: `${sinks} mm` } } : {}) })
  }
  spans.forEach((s, i) => {
    const [from, to] = [String.fromCharCode(65 + i), String.fromCharCode(66 + i)]
    x += s.L
    b = b.node(to, x, 0)
    b = b.member(from, to, s.hinge && i > 0 ? { releases: { start: { M: true } } } : {})
    if (s.q) b = b.load({ type: 'distributed', member: from + to, direction: 'Y', q: s.q })
    if (s.P) b = b.load({ type: 'point', member: from + to, at: `${10 * s.at}%`, fy: s.P })
    if (s.couple) b = b.load({ type: 'nodal', node: to, m: s.couple })
  })
  support('A', first === 'free' || first === 'roller' ? 'pin' : first, 0)
  spans.forEach((s, i) => support(String.fromCharCode(66 + i), s.support, s.sinks))
  return b.problem
}

const frames = fc.record({
  bays: fc.integer({ min: 1, max: 2 }),
  storeys: fc.integer({ min: 1, max: 2 }),
  lean: fc.constantFrom(0, 0, 1.5),
  base: fc.constantFrom('fixed', 'pin'),
  wind: kN,
  q: kN,
  side: kN,
  hinge: fc.boolean(),
  overhang: fc.boolean(),
  sinks: fc.constantFrom(0, -6),
})

function frameOf(f: typeof frames extends fc.Arbitrary<infer T> ? T : never): Problem {
  let b: Builder = frame()
  const name = (i: number, k: number) => `${'ABC'[i]}${k}`
  for (let i = 0; i <= f.bays; i++)
    for (let k = 0; k <= f.storeys; k++)
      b = b.node(name(i, k), 5 * i + (i === 0 && k > 0 ? f.lean : 0), 4 * k)
  for (let i = 0; i <= f.bays; i++)
    for (let k = 0; k < f.storeys; k++) {
      b = b.member(name(i, k), name(i, k + 1), { id: `c${i}${k}` })
      if (i === 0 && f.side)
        b = b.load({ type: 'distributed', member: `c${i}${k}`, direction: 'X', q: f.side })
    }
  for (let k = 1; k <= f.storeys; k++) {
    for (let i = 0; i < f.bays; i++) {
      b = b.member(name(i, k), name(i + 1, k), {
        id: `b${i}${k}`,
        ...(f.hinge && i === 0 && k === 1 ? { releases: { end: { M: true } } } : {}),
      })
      if (f.q) b = b.load({ type: 'distributed', member: `b${i}${k}`, direction: 'Y', q: f.q })
    }
    if (f.wind) b = b.load({ type: 'nodal', node: name(0, k), fx: f.wind })
  }
  if (f.overhang)
    b = b
      .node('T', 5 * f.bays + 2, 4)
      .member(name(f.bays, 1), 'T', { id: 'out' })
      .load({ type: 'nodal', node: 'T', fy: -7 })
  for (let i = 0; i <= f.bays; i++)
    b = b.support(name(i, 0), {
      type: f.base as 'pin',
      ...(f.sinks && i === 1 ? { settlement: { y: `${f.sinks} mm` } } : {}),
    })
  return b.set({ analysis: { neglectAxial: true } }).problem
}

describe.each(FRAME_METHODS.map((m) => [m.key, m] as const))('%s', (_, method) => {
  it('finds the end moments of continuous beams', () => {
    let solved = 0
    fc.assert(
      fc.property(beams, (drawn) => {
        if (agrees(beamOf(drawn), method)) solved++
      }),
      { numRuns: 120 },
    )
    expect(solved).toBeGreaterThan(50)
  })
  it('finds the end moments of frames that sway', () => {
    let solved = 0
    fc.assert(
      fc.property(frames, (drawn) => {
        if (agrees(frameOf(drawn), method)) solved++
      }),
      { numRuns: 60 },
    )
    expect(solved).toBeGreaterThan(40)
  })
})
