import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measure } from '../../../src/document/measure.js'
import { LOAD_KINDS, mirroredLoad, reversedLoad, splitLoad } from '../../../src/kinds/loads/index.js'
import { describeLoad, isIdleLoad, problemErrors, resolve, type Load } from '../../../src/index.js'
import { anyLoad } from '../../any-load.js'
import { frame, solved } from '../../builder.js'

const example: Record<keyof typeof LOAD_KINDS, Load> = {
  nodal: { type: 'nodal', node: 'A', force: 5, angle: '30 deg' },
  point: { type: 'point', member: 'AB', at: 1, fy: -2 },
  distributed: { type: 'distributed', member: 'AB', direction: 'Y', q: -3 },
  couple: { type: 'couple', member: 'AB', q: 2 },
  temperature: { type: 'temperature', member: 'AB', uniform: 20 },
  misfit: { type: 'misfit', member: 'AB', elongation: '2 mm' },
}
const WORDS: Record<keyof typeof LOAD_KINDS, string> = {
  nodal: 'the 5 kN at A',
  point: 'the 2 kN at 1 m on AB',
  distributed: 'the 3 kN/m on AB',
  couple: 'the distributed couple on AB',
  temperature: 'the temperature change of AB',
  misfit: 'the lack of fit of AB',
}
const cut = () => ({
  m: measure(beam().problem),
  whole: 'AB',
  L: 4,
  cut: 2,
  share: 0.5,
  first: 'AC',
  second: 'CB',
})
const beam = () =>
  frame().node('A', 0, 0).node('B', 4, 3).member('A', 'B').support('A', 'fixed').support('B', 'pin')

describe('every kind of load', () => {
  for (const [type, kind] of Object.entries(LOAD_KINDS)) {
    const load = example[type as keyof typeof LOAD_KINDS]
    it(`${type} has a form, names, words, and says how it is split, mirrored and turned round`, () => {
      expect(problemErrors(beam().load(load).problem)).toEqual([])
      expect(kind.names.length).toBeGreaterThan(0)
      expect(describeLoad(load, { length: 'm', force: 'kN' })).toBe(WORDS[type as keyof typeof LOAD_KINDS])
      expect(isIdleLoad(load)).toBe(false)
      expect(splitLoad(load, cut()).length).toBeGreaterThan(0)
      expect(mirroredLoad(mirroredLoad(load, 'vertical'), 'vertical')).toEqual(load)
      const m = measure(beam().problem)
      const L = m.length('A', 'B')
      expect(JSON.stringify(reversedLoad(reversedLoad(load, m, L), m, L))).toBe(JSON.stringify(load))
    })
  }
  it('is named by one word at most once', () => {
    const names = Object.values(LOAD_KINDS).flatMap((k) => k.names)
    expect(new Set(names).size).toBe(names.length)
  })
})

describe('a member whose ends have changed places', () => {
  it('bears the same loads and gives the same reactions', () =>
    fc.assert(
      fc.property(fc.array(anyLoad, { minLength: 1, maxLength: 4 }), (loads) => {
        const before = beam().load(...loads)
        const m = measure(before.problem)
        const L = m.length('A', 'B')
        const after = beam()
          .set({ members: [{ ...beam().problem.members[0], start: 'B', end: 'A' }] })
          .load(...loads.map((l) => reversedLoad(l, m, L)))
        const [a, b] = [solved(before.problem), solved(after.problem)]
        const scale = Math.max(1e-6, ...a.cases[0].reactions.map(Math.abs))
        a.cases[0].reactions.forEach((r, i) =>
          expect(Math.abs(r - b.cases[0].reactions[i]) / scale).toBeLessThan(1e-6),
        )
      }),
    ))
})

describe('a force by size and angle', () => {
  const stated = (load: Load) => {
    const r = resolve(beam().load(load).problem)
    return r.ok ? r.structure.cases[0].loads[0] : r.errors[0]
  }
  it('acts by its components, exact at right angles', () => {
    expect(stated({ type: 'nodal', node: 'A', force: '20 kN', angle: '-90 deg' })).toMatchObject({
      fx: 0,
      fy: -20000,
      polar: { force: 20000 },
    })
    expect(stated({ type: 'point', member: 'AB', at: 1, force: 10, angle: Math.PI / 6, m: 2 })).toMatchObject(
      {
        fx: expect.closeTo(8660.254, 2) as number,
        fy: expect.closeTo(5000, 6) as number,
        m: 2000,
      },
    )
  })
  it('is refused with components beside it, without its angle, and an angle without a force', () => {
    expect(stated({ type: 'nodal', node: 'A', force: 5, angle: 0, fx: 1 })).toMatchObject({
      path: 'loadCases[0].loads[0].fx',
    })
    expect(stated({ type: 'nodal', node: 'A', force: 5 })).toMatchObject({
      path: 'loadCases[0].loads[0].angle',
    })
    expect(stated({ type: 'nodal', node: 'A', angle: 5 })).toMatchObject({
      path: 'loadCases[0].loads[0].force',
    })
  })
  it('is mirrored by its angle', () => {
    expect(mirroredLoad({ type: 'nodal', node: 'A', force: 5, angle: '30 deg', m: 2 }, 'vertical')).toEqual({
      type: 'nodal',
      node: 'A',
      force: 5,
      angle: '150 deg',
      m: -2,
    })
    expect(mirroredLoad({ type: 'nodal', node: 'A', force: 5, angle: 'a' }, 'vertical')).toMatchObject({
      angle: '180 deg - (a)',
    })
  })
})
