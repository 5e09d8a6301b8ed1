import { describe, expect, it } from 'vitest'
import {
  COMMON_MATERIALS,
  findRolled,
  makeReader,
  dimension as D,
  rolledShapes,
  searchRolled,
  work,
} from '../../../src/index.js'
import { SERIES } from '../../../src/kinds/sections/series/series.js'
import { frame } from '../../builder.js'
import { MORE_PRINTED } from './more-printed.js'
import { PRINTED } from './printed.js'

const first = Object.entries(PRINTED).flatMap(([series, rows]) =>
  rows
    .trim()
    .split('\n')
    .map((line) => {
      const [name, A, I] = line.trim().split(' ')
      return {
        inches: series === 'W',
        designation: series === 'W' ? `W${name}` : `${series} ${name}`,
        A: Number(A),
        I: Number(I),
      }
    }),
)

const more = MORE_PRINTED.flatMap(({ prefix, inches, rows }) =>
  rows
    .trim()
    .split('\n')
    .map((line) => {
      const [name, A, I] = line.trim().split(' ')
      return { inches, designation: `${prefix}${name}`, A: Number(A), I: Number(I) }
    }),
)
const printed = [...first, ...more]

describe('rolled shapes', () => {
  it.each(printed)(
    '$designation: A and I from the dimensions are within 1 % of what the standard prints',
    ({ designation, inches, A, I }) => {
      const shape = findRolled(designation)
      const unit = inches ? 0.0254 : 0.01
      expect(Math.abs(shape!.A / unit ** 2 / A - 1)).toBeLessThan(0.01)
      expect(Math.abs(shape!.I / unit ** 4 / I - 1)).toBeLessThan(0.01)
    },
  )

  it('has a printed value for every row, and every designation once', () => {
    expect(rolledShapes().map((s) => s.designation)).toEqual(printed.map((p) => p.designation))
    expect(new Set(printed.map((p) => p.designation)).size).toBe(printed.length)
    for (const s of SERIES)
      expect(
        s.rows
          .trim()
          .split('\n')
          .every((r) => r.trim().split(' ').length === s.columns.split(' ').length + 1),
      ).toBe(true)
  })

  it.each([
    ['ipe200', 'IPE 200'],
    ['HE 200 A', 'HEA 200'],
    ['HE200B', 'HEB 200'],
    ['W 12×26', 'W12x26'],
    ['305x165x40 UB', 'UB 305x165x40'],
    ['SHS 100x100x5', 'SHS 100x5'],
    ['L 80x80x8', 'L 80x8'],
    ['rhs 200x100x8', 'RHS 200x100x8'],
    ['HSS 6x4x3/8', 'HSS6x4x3/8'],
    ['c12x20.7', 'C12x20.7'],
    ['L 6x4x1/2', 'L6x4x1/2'],
    ['l 100×50×8', 'L 100x50x8'],
    ['HSS6.625x0.280', 'HSS6.625x0.280'],
    ['CHS 114.3 x 5', 'CHS 114.3x5'],
    ['CHS 114,3x5', 'CHS 114.3x5'],
  ])('finds %s', (typed, designation) => expect(findRolled(typed)?.designation).toBe(designation))

  it('searches by what is typed, beginnings first', () => {
    expect(searchRolled('ipe 2').map((s) => s.designation)).toEqual([
      'IPE 200',
      'IPE 220',
      'IPE 240',
      'IPE 270',
    ])
    expect(searchRolled('w12x26').map((s) => s.designation)).toEqual(['W12x26'])
    expect(searchRolled('quince')).toEqual([])
    expect(searchRolled('', 5)).toHaveLength(5)
  })

  it('makes a section of a problem', () => {
    const beam = frame().node('A', 0, 0).node('B', 4, 0).support('A', 'fixed').member('A', 'B', {})
    const solved = work(beam.set({ sections: [{ id: 's', catalogue: 'IPE 200' }] }).problem)
    expect(solved.stage).toBe('solved')
    if (solved.stage === 'solved') expect(solved.structure.members[0].I).toBeCloseTo(1943e-8, 7)
  })

  it('says which shape it does not know, and which come near', () => {
    const beam = frame().node('A', 0, 0).node('B', 4, 0).support('A', 'fixed').member('A', 'B', {})
    const refused = work(beam.set({ sections: [{ id: 's', catalogue: 'IPE 210' }] }).problem)
    expect(refused).toMatchObject({
      stage: 'unsolved',
      error: { kind: 'unsupported', path: 'sections[0].catalogue' },
    })
    if (refused.stage === 'unsolved') expect(refused.error.message).toContain('IPE 210')
  })
})

describe('materials', () => {
  it('reads every value in any problem', () => {
    for (const length of ['m', 'ft']) {
      const { reader } = makeReader({ length, force: length === 'm' ? 'kN' : 'kip' })
      for (const { material: m } of COMMON_MATERIALS) {
        expect(reader.read(m.E, D.stress)).toMatchObject({ ok: true })
        expect(reader.read(m.alpha, D.perTemperature)).toMatchObject({ ok: true })
        expect(reader.read(m.unitWeight, D.unitWeight)).toMatchObject({ ok: true })
      }
    }
  })
  it('has the same steel in both systems, to the rounding of each', () => {
    const { reader } = makeReader({ length: 'm', force: 'N' })
    const value = (raw: unknown, d: D.Dimension) => {
      const r = reader.read(raw, d)
      return r.ok ? r.si : NaN
    }
    const [si, us] = ['SI', 'US'].map(
      (s) =>
        COMMON_MATERIALS.find((m) => m.system === s && m.name.startsWith('Steel, E') === (s === 'SI'))!
          .material,
    )
    expect(value(us.E, D.stress) / value(si.E, D.stress)).toBeCloseTo(1, 2)
    expect(value(us.unitWeight, D.unitWeight) / value(si.unitWeight, D.unitWeight)).toBeCloseTo(1, 2)
    expect(value(us.alpha, D.perTemperature) / value(si.alpha, D.perTemperature)).toBeCloseTo(1, 1)
  })
})
