import { describe, expect, it } from 'vitest'
import type { Load, Problem, Support } from '../../src/index.js'
import { documentOf, expectSame, lettersOf } from './in-letters.js'

const symbols = { w: '12 kN/m', P: '30 kN', L: '6 m', a: '2 m', h: '4 m', k: 1.5, EI: '20000 kN*m^2' }
const sections = ['EI', '2*EI', 'k*EI'].map((EI, i) => ({ id: `s${i}`, EI }))

/** A structure of straight members that keep their length, by the places of its joints. */
function problem(
  places: [x: string | number, y: string | number][],
  members: [string, section?: number, more?: object][],
  supports: [string, Support['type'] | Omit<Support, 'node'>][],
  ...loads: Load[]
): Problem {
  const names = 'ABCDEF'
  return {
    format: 'viga-problem',
    version: 1,
    title: 'in letters',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    symbols,
    sections,
    nodes: places.map(([x, y], i) => ({ id: names[i], x, y })),
    members: members.map(([id, section = 0, more]) => ({
      id,
      start: id[0],
      end: id[1],
      section: `s${section}`,
      axiallyRigid: true,
      ...more,
    })),
    supports: supports.map(([node, s]) => (typeof s === 'object' ? { node, ...s } : { node, type: s })),
    loadCases: [{ id: 'D', loads }],
  }
}

const span = (start: Support['type'], end: Support['type'] | undefined, ...loads: Load[]) =>
  problem(
    [
      [0, 0],
      ['L', 0],
    ],
    [['AB']],
    [['A', start], ...(end ? [['B', end] as [string, Support['type']]] : [])],
    ...loads,
  )
const uniform = (member = 'AB'): Load => ({ type: 'distributed', member, direction: 'Y', q: '-w' })
const force = (at: string, member = 'AB'): Load => ({ type: 'point', member, at, fy: '-P' })
const triangle: Load = {
  type: 'distributed',
  member: 'AB',
  direction: 'Y',
  points: [
    { at: 0, q: 0 },
    { at: 'L', q: '-w' },
  ],
}

describe('results stand as a table of beams has them', () => {
  const ss = (...loads: Load[]) => span('pin', 'roller', ...loads)
  const tables: [string, Problem, (r: ReturnType<typeof lettersOf>) => unknown, unknown][] = [
    [
      'the moment in the middle',
      ss(uniform()),
      (r) => r.members.AB.extremes.M.max,
      { value: 'w*L^2/8', x: 'L/2' },
    ],
    ['the deflection', ss(uniform()), (r) => r.members.AB.extremes.relative.min.value, '-5*w*L^4/(384*EI)'],
    ['a force at a', ss(force('a')), (r) => r.members.AB.extremes.M.max, { value: 'P*a*(L - a)/L', x: 'a' }],
    ['the slope under it', ss(force('a')), (r) => r.nodes.B.rotation, 'P*a*(L - a)*(L + a)/(6*EI*L)'],
    [
      'a triangle',
      ss(triangle),
      (r) => r.members.AB.extremes.M.max,
      { value: 'sqrt(3)*w*L^2/27', x: 'sqrt(3)*L/3' },
    ],
    ['two loads', ss(uniform(), force('50%')), (r) => r.members.AB.extremes.M.max.value, 'w*L^2/8 + P*L/4'],
    ['a cantilever', span('fixed', undefined, force('L')), (r) => r.nodes.B.y, '-P*L^3/(3*EI)'],
    ['a propped one', span('fixed', 'roller', uniform()), (r) => r.reactions.A.y, '5*w*L/8'],
    [
      'its deflection',
      span('fixed', 'roller', uniform()),
      (r) => r.members.AB.extremes.relative.min,
      { value: '-w*L^4*(39 + 55*sqrt(33))/(65536*EI)', x: 'L*(15 - sqrt(33))/16' },
    ],
    [
      'its reaction by a force',
      span('fixed', 'roller', force('a')),
      (r) => r.reactions.B.y,
      'P*a^2*(3*L - a)/(2*L^3)',
    ],
    ['fixed ends', span('fixed', 'fixed', force('a')), (r) => r.reactions.A.rotation, 'P*a*(L - a)^2/L^2'],
  ]
  it.each(tables)('%s', (_, p, of, expected) => expect(of(lettersOf(p))).toEqual(expected))
})

const portal = (foot: Support['type'], beam: number, ...loads: Load[]) =>
  problem(
    [
      [0, 0],
      [0, 'h'],
      ['L', 'h'],
      ['L', 0],
    ],
    [['AB'], ['BC', beam], ['CD']],
    [
      ['A', foot],
      ['D', foot],
    ],
    ...loads,
  )

describe('results of frames', () => {
  it('a portal pushed sideways', () => {
    const r = lettersOf(portal('fixed', 1, { type: 'nodal', node: 'B', fx: 'P' }))
    expect(r.reactions.A.rotation).toBe('P*h*(L + 6*h)/(2*(L + 12*h))')
    expect(r.reactions.A.y).toBe('-6*P*h^2/(L*(L + 12*h))')
    expect(r.nodes.B.x).toBe('P*h^3*(L + 3*h)/(6*EI*(L + 12*h))')
  })

  it('a hinged portal whose beam is k times as stiff', () =>
    expect(lettersOf(portal('pin', 2, uniform('BC'))).reactions.A.x).toBe('w*L^3/(4*h*(2*k*h + 3*L))'))

  it('a plain axial rigidity beside EI in letters is refused where it has an influence', () => {
    const p = portal('fixed', 1, { type: 'nodal', node: 'B', fx: 'P' })
    const r = lettersOf({
      ...p,
      members: p.members.map((m) => ({ ...m, axiallyRigid: m.id === 'BC' })),
      sections: p.sections!.map((s) => ({ ...s, EA: 80000 })),
    })
    expect(r.nodes.B.x).toBeNull()
    expect(r.nodes.A.x).toBe('0')
    expect(r.missing).toMatch(/^The axial rigidity is a plain number/)
  })

  it('three bars at a joint', () => {
    const p = problem(
      [
        ['-L', 'L'],
        [0, 'L'],
        ['L', 'L'],
        [0, 0],
      ],
      [['AD'], ['BD'], ['CD']],
      [
        ['A', 'pin'],
        ['B', 'pin'],
        ['C', 'pin'],
      ],
      { type: 'nodal', node: 'D', fy: '-P' },
    )
    const truss = {
      ...p,
      kind: 'truss' as const,
      symbols: { ...symbols, EA: '50000 kN' },
      sections: [{ id: 's0', EA: 'EA' }],
      members: p.members.map((m) => ({ ...m, axiallyRigid: false })),
    }
    const r = lettersOf(truss)
    expect(r.nodes.D.y).toBe('-P*L*(2 - sqrt(2))/EA')
    expect(r.members.BD.start.fx).toBe('-P*(2 - sqrt(2))')
  })

  it('a spring, a settlement and a turned roller', () => {
    const p = problem(
      [
        [0, 0],
        ['L', 0],
        ['2*L', 0],
      ],
      [['AB'], ['BC']],
      [
        ['A', 'fixed'],
        ['B', { restrain: { y: '3*EI/L^3' } }],
        ['C', { restrain: { y: 'fixed' }, angle: '30 deg', settlement: { y: '-d' } }],
      ],
      uniform(),
    )
    const settled = { ...p, symbols: { ...symbols, d: '10 mm' } }
    const document = documentOf(settled)
    expectSame(document, settled, document, true)
    expect(lettersOf(settled).reactions.C.y).toMatch(/EI\*d/)
  })
})
