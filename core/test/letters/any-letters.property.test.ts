import fc from 'fast-check'
import { expect, it } from 'vitest'
import { work, type Load, type Problem } from '../../src/index.js'
import { documentOf, expectSame } from './in-letters.js'

/** Values of the letters; lengths keep their order, so that the shape stays. */
const values = fc.record({
  w: fc.integer({ min: 3, max: 40 }),
  P: fc.integer({ min: 3, max: 60 }),
  M: fc.integer({ min: 3, max: 60 }),
  d: fc.integer({ min: 1, max: 20 }),
  L: fc.integer({ min: 40, max: 80 }),
  a: fc.integer({ min: 10, max: 35 }),
  EI: fc.integer({ min: 5, max: 90 }),
  EA: fc.integer({ min: 5, max: 90 }),
})
type Values = typeof values extends fc.Arbitrary<infer T> ? T : never

const symbolsOf = (v: Values) => ({
  w: `${v.w} kN/m`,
  P: `${v.P} kN`,
  M: `${v.M} kN*m`,
  d: `${v.d} mm`,
  L: `${v.L / 10} m`,
  a: `${v.a / 10} m`,
  EI: `${v.EI * 1000} kN*m^2`,
  EA: `${v.EA * 10000} kN`,
})

const step = fc.record({
  to: fc.constantFrom(['L', 0], ['2*L', 0], ['L', 'L'], [0, 'L'], ['3*L/4', 'L'], ['L', '-L/2'], ['a', 0]),
  section: fc.constantFrom('EI', '2*EI', '3*EI/2'),
  hinge: fc.constantFrom(undefined, undefined, 'M', 'spring', 'N'),
})

const load = fc.record({
  member: fc.nat(2),
  kind: fc.nat(6),
  at: fc.constantFrom('25%', '50%', 'L/3', 'L/2'),
  direction: fc.constantFrom<'X' | 'Y' | 'x' | 'y'>('X', 'Y', 'x', 'y'),
})

const anyProblem = fc
  .record({
    steps: fc.array(step, { minLength: 1, maxLength: 3 }),
    loads: fc.array(load, { minLength: 1, maxLength: 3 }),
    last: fc.constantFrom('fixed', 'pin', 'roller', 'turned', 'spring', 'settling'),
    rigid: fc.boolean(),
    values,
  })
  .map(({ steps, loads, last, rigid, values: v }): Problem => {
    const names = 'ABCD'
    const at = steps.reduce<(string | number)[][]>(
      (list, { to }) => [...list, to.map((d, k) => `${list.at(-1)![k]} + ${d === 0 ? '0*L' : d}`)],
      [['0*L', '0*L']],
    )
    const end = names[steps.length]
    const supports = {
      fixed: { type: 'fixed' },
      pin: { type: 'pin' },
      roller: { type: 'roller' },
      turned: { restrain: { y: 'fixed' }, angle: '45 deg' },
      spring: { restrain: { y: '2*EI/L^3' } },
      settling: { type: 'pin', settlement: { y: '-d' } },
    } as const
    return {
      format: 'viga-problem',
      version: 1,
      title: 'any',
      units: { length: 'm', force: 'kN' },
      kind: 'frame',
      symbols: symbolsOf(v),
      materials: [{ id: 'm', E: '200 GPa', alpha: '1.2e-5/K' }],
      sections: steps.map((s, i) => ({ id: `s${i}`, EI: s.section, EA: 'EA', depth: 'L/20' })),
      nodes: at.map(([x, y], i) => ({ id: names[i], x, y })),
      members: steps.map((s, i) => ({
        id: names[i] + names[i + 1],
        start: names[i],
        end: names[i + 1],
        section: `s${i}`,
        material: 'm',
        ...(rigid && { axiallyRigid: true }),
        ...(s.hinge &&
          i > 0 && { releases: { start: s.hinge === 'spring' ? { M: '4*EI/L' } : { [s.hinge]: true } } }),
      })),
      supports: [
        { node: 'A', type: 'fixed' },
        { node: end, ...supports[last as 'pin'] },
      ],
      loadCases: [{ id: 'D', loads: loads.map((l) => loadOf(l, steps.length)) }],
    }
  })

function loadOf(
  l: { member: number; kind: number; at: string; direction: 'X' | 'Y' | 'x' | 'y' },
  members: number,
): Load {
  const i = l.member % members
  const member = 'ABCD'.slice(i, i + 2)
  // a place in L may lie beyond the shortest member
  const at = l.at.includes('%') ? l.at : '40%'
  const loads: Load[] = [
    { type: 'nodal', node: 'ABCD'[i + 1], fx: 'P', m: '2*M' },
    { type: 'point', member, at, fy: '-P', axes: 'member' },
    { type: 'point', member, at, m: 'M', force: 'P', angle: '30 deg' },
    { type: 'distributed', member, direction: l.direction, q: 'w' },
    {
      type: 'distributed',
      member,
      direction: l.direction,
      points: [
        { at, q: 'w/2' },
        { at: '100%', q: '2*w' },
      ],
    },
    { type: 'misfit', member, at, kink: 'd/L', elongation: 'd' },
    { type: 'couple', member, q: 'M/L' },
  ]
  return loads[l.kind]
}

it('expressions hold at the sample and at other values of the letters', () => {
  let compared = 0
  fc.assert(
    fc.property(anyProblem, values, (problem, other) => {
      if (work(problem).stage !== 'solved') return
      const document = documentOf(problem)
      compared += expectSame(document, problem, document, true)
      const changed = { ...problem, symbols: symbolsOf(other) }
      if (work(changed).stage !== 'solved') return
      compared += expectSame(document, changed, documentOf(changed), false)
    }),
    { numRuns: 40 },
  )
  expect(compared).toBeGreaterThan(1000)
})
