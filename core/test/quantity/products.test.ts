import { describe, expect, it } from 'vitest'
import { dimension as D, makeReader, symbolsNamed, withSymbolsRenamed } from '../../src/index.js'
import type { QuantityResult } from '../../src/index.js'

const symbols = { w: '12 kN/m', L: '6 m', P: '40 kN', a: '2 m', b: '3 m', E: '200 GPa', I: '8e-5 m^4' }
const reading = (text: string, d: D.Dimension, more: Record<string, string | number> = {}) =>
  makeReader({ length: 'm', force: 'kN' }, { ...symbols, ...more }).reader.read(text, d)
const refusal = (r: QuantityResult) => {
  if (r.ok) throw new Error('it was read')
  return r
}

describe('factors without a sign between them', () => {
  it.each([
    ['2L', '2*L', D.length],
    ['5wL/8', '5*w*L/8', D.force],
    ['wL²/8', 'w*L^2/8', D.moment],
    ['-wL^2/12', '-(w*L^2)/12', D.moment],
    ['2(a+b)', '2*(a + b)', D.length],
    ['w(a+b)L', 'w*(a+b)*L', D.moment],
    ['EI/2L', 'E*I/(2*L)', D.multiply(D.force, D.length)],
    ['5wL⁴/384EI', '5*w*L^4/(384*E*I)', D.length],
    ['Pab/L', 'P*a*b/L', D.moment],
    ['1.5 EI', '1.5*E*I', D.bendingStiffness],
    ['2πL', '2*pi*L', D.length],
    ['3 kN L', '3 kN * L', D.moment],
    ['sin(30 deg)L', 'sin(30 deg)*L', D.length],
  ])('%s is %s', (text, written, d) => {
    const r = reading(text, d)
    expect(r).toEqual({ ok: true, si: expect.any(Number) as number })
    expect(r.ok && r.si).toBeCloseTo((reading(written, d) as { si: number }).si, 6)
  })
  it('keeps a longer symbol whole', () =>
    expect(reading('wL', D.length, { wL: '7 m' })).toEqual({ ok: true, si: 7 }))
  it('lets symbols refer to each other so, in any order', () =>
    expect(reading('M', D.moment, { M: 'wL²/8' })).toEqual({ ok: true, si: 54_000 }))
  it.each([
    ['1/2L', ['1/2*L', '1/(2L)']],
    ['1/2 L', ['1/2*L', '1/(2 L)']],
    ['P/2 L', ['P/2*L', 'P/(2 L)']],
  ])('asks what %s means, and offers both', (text, repairs) => {
    expect(refusal(reading(text, D.moment))).toMatchObject({ repairs })
    for (const repair of repairs) expect(refusal({ ...reading(repair, D.angle) }).message).toMatch(/Expected/)
  })
  it('asks about a word that is a product in two ways', () =>
    expect(refusal(reading('abc', D.area, { ab: '1 m', bc: '2 m', c: '1 m' })).repairs).toEqual([
      'ab*c',
      'a*bc',
    ]))
  it('asks about a word that is a unit or a product', () =>
    expect(refusal(reading('3 lb', D.force, { l: '1 m' })).repairs).toEqual(['3 l*b']))
  it('refuses a word of letters that mean nothing', () =>
    expect(refusal(reading('3wQ', D.force)).message).toMatch(/^wQ is not a unit/))
})

describe('the symbols an expression names', () => {
  const isSymbol = (name: string) => Object.hasOwn(symbols, name)
  it.each([
    ['5wL/8 + P', ['w', 'L', 'P']],
    ['12*26 in', []],
    ['L*(', ['L']],
  ])('%s', (text, named) => expect(symbolsNamed(text, isSymbol)).toEqual(named))
  it.each([
    ['5wL²/8', 'w', 'q', '5q L²/8'],
    ['wL', 'L', 'span', 'w span'],
    ['EI/2L', 'L', 'h', 'EI/2h'],
    ['2L', 'L', 'e2', '2 e2'],
    ['w*L', 'w', 'q_1', 'q_1*L'],
    ['12 m', 'w', 'q', '12 m'],
  ])('%s with %s called %s is %s', (text, from, to, written) =>
    expect(withSymbolsRenamed(text, new Map([[from, to]]), isSymbol)).toBe(written),
  )
})
