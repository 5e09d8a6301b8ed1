import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  coherentUnitName,
  dimension as D,
  evaluate,
  formatNumber,
  formatPlain,
  makeReader,
  siPerCoherent,
} from '../../src/index.js'

const metric = { length: 'm', force: 'kN' }
const { reader } = makeReader(metric)

describe('numbers as they are printed', () => {
  it.each([
    ['1.2·10¹⁰', 1.2e10],
    ['340·10⁻⁹', 340e-9],
    ['10⁺²', 100],
    ['2¹⁰', 1024],
    ['12\u2009350', 12350],
    ['20\u00a0000', 20000],
    ['1\u202f234\u202f567.5', 1234567.5],
    ['6 000', 6000],
    ['12 000/2', 6000],
    ['−5', -5],
    ['½', 0.5],
    ['6½', 6.5],
    ['⅕', 0.2],
  ])('%s', (text, value) =>
    expect(evaluate(text).si).toBeCloseTo(value, 12 - Math.log10(1 + Math.abs(value))),
  )
  it('are not parted elsewhere than at thousands', () => expect(() => evaluate('12 35')).toThrow('missing'))

  const forces = ['N', 'kN', 'MN', 'lbf', 'kip', 'kgf', 'tonf']
  const lengths = ['mm', 'cm', 'm', 'in', 'ft']
  const dimensions: D.Dimension[] = [
    D.none, D.length, D.area, D.secondMoment, D.force, D.moment, D.forcePerLength, D.stress, D.unitWeight,
    D.bendingStiffness, D.angle, D.temperature, D.perTemperature, D.divide(D.length, D.force),
    D.divide(D.none, D.moment), D.divide(D.none, D.force), [0, 3, 0, 0, 0],
  ] // prettier-ignore
  it('read back as what they say, for every number, unit and number of figures', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -1e12, max: 1e12, noNaN: true }).filter((v) => v === 0 || Math.abs(v) > 1e-12),
        fc.integer({ min: -12, max: 12 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(...forces),
        fc.constantFrom(...lengths),
        fc.constantFrom(...dimensions),
        (v, power, figures, force, length, d) => {
          const value = v * 10 ** power
          const units = { force, length }
          const read = makeReader(units).reader
          for (const number of [formatNumber(value, { figures }), formatPlain(value, figures)]) {
            const r = read.read(`${number} ${coherentUnitName(units, d)}`.trim(), d)
            const said = Number(value.toPrecision(figures)) * siPerCoherent(units, d)
            if (!r.ok) throw new Error(`${number} ${coherentUnitName(units, d)}: ${r.message}`)
            expect(Math.abs(r.si - said)).toBeLessThanOrEqual(1e-12 * Math.abs(said))
          }
        },
      ),
      { numRuns: 2000 },
    ))
})

describe('units as people write them', () => {
  it.each([
    ['5 kNm', '5 kN*m', D.moment],
    ['5 kN.m', '5 kN*m', D.moment],
    ['5 kN-m', '5 kN*m', D.moment],
    ['5 kN–m/m', '5 kN*m/m', D.force],
    ['5 Nm', '5 N*m', D.moment],
    ['5 Nmm', '5 N*mm', D.moment],
    ['5 kips', '5 kip', D.force],
    ['5 k', '5 kip', D.force],
    ['2 k/ft', '2 kip/ft', D.forcePerLength],
    ['7 kip-ft', '7 kip*ft', D.moment],
    ['7 k-ft', '7 kip*ft', D.moment],
    ['7 ft-lb', '7 lbf*ft', D.moment],
    ['90 lb', '90 lbf', D.force],
    ['90 lb/ft', '90 lbf/ft', D.forcePerLength],
    ['4500 cm4', '4500 cm^4', D.secondMoment],
    ['80 mm2', '80 mm^2', D.area],
    ['250 in4', '250 in^4', D.secondMoment],
    ['210000 N/mm2', '210000 N/mm^2', D.stress],
    ['24 kN/m3', '24 kN/m^3', D.unitWeight],
    ['5 KN', '5 kN', D.force],
    ['12 t', '12 tonf', D.force],
    ['12 tf/m', '12 tonf/m', D.forcePerLength],
    ['20 °C', '20 degC', D.temperature],
    ['20 C', '20 degC', D.temperature],
    ['36 °F', '36 degF', D.temperature],
  ])('%s', (text, written, d) => {
    const [r, said] = [reader.read(text, d), reader.read(written, d)]
    if (!r.ok || !said.ok) throw new Error('it was not read')
    expect(r.si / said.si).toBeCloseTo(1, 12)
  })
  it('give way to symbols of the problem', () => {
    const own = makeReader(metric, { k: '250 kN/m', t: 2, ft: 1 })
    expect(own.reader.read('2 k', D.forcePerLength)).toEqual({ ok: true, si: 500_000 })
    expect(own.reader.read('3*t m', D.length)).toMatchObject({ ok: true, si: 6 })
    expect(own.problems.map((p) => p.name)).toEqual(['ft'])
  })
  it('do not make a moment of a difference with spaces', () =>
    expect(reader.read('5 kN - m', D.moment)).toMatchObject({ ok: false }))
})

describe('repairs', () => {
  it.each([
    ['12000,0', ['12000.0']],
    ['1,234 m', ['1234 m', '1.234 m']],
    ['1.234,5 + 2', ['1234.5 + 2']],
    ['(2,75 + 1) m', ['(2.75 + 1) m']],
    ['12 inn', ['12 in']],
    ['3*meter', ['3*m']],
  ])('%s', (text, repairs) => expect(reader.read(text, D.length)).toMatchObject({ ok: false, repairs }))
})
