import { dimension, makeReader, type Dimension } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { PERCENT, understoodOf } from '../../app/fields/understood'

const units = { length: 'm', force: 'kN' }
const symbols = { w: '3 kN/m', L: '6 m' }
const { reader } = makeReader(units, symbols)
const said = (text: string, d: Dimension, more = {}) =>
  understoodOf(text, (t) => reader.read(t, d), { dimension: d, units, symbols, ...more })

describe('what a field understood', () => {
  it.each([
    // arithmetic and symbols are answered with their value
    ['2*0.5', dimension.length, '1 m'],
    ['w*L', dimension.force, '18 kN'],
    ['w*L^2/8', dimension.moment, '13.5 kN·m'],
    // another unit than the problem's own is answered in that
    ['160 mm', dimension.length, '0.16 m'],
    ['1200 N', dimension.force, '1.2 kN'],
    ['10 kip', dimension.force, '44.482 kN'],
    // a number with the problem's own unit says itself
    ['6 kN', dimension.force, ''],
    ['12 kN*m', dimension.moment, ''],
    // a property in another unit of the same system does, too
    ['200 GPa', dimension.stress, ''],
    ['28.5 cm^2', dimension.area, ''],
    // an angle is answered in degrees
    ['1/2 rad', dimension.angle, '28.65°'],
  ])('of %s is %s', (text, d, answer) => {
    expect(said(text, d)).toBe(answer)
  })

  it('of a property in a unit of the other system is its value in this one', () =>
    expect(said('29000 ksi', dimension.stress)).toContain('kN/m²'))

  it('of a plain number is its unit, where the field shows it', () => {
    expect(said('4.2', dimension.length)).toBe('')
    expect(said('4.2', dimension.length, { unit: true })).toBe('m')
  })

  it('of what cannot be read, or of a part of a length, is nothing', () => {
    expect(said('4 +', dimension.length)).toBe('')
    expect(said('4 kN', dimension.length)).toBe('')
    expect(said('40 %', dimension.length, { percent: true })).toBe('')
    expect(said('  ', dimension.length, { unit: true })).toBe('')
  })

  it('a part of a length is a number with a percent sign, and nothing else', () => {
    expect(['40%', ' 12.5 %', '+3%'].every((t) => PERCENT.test(t))).toBe(true)
    expect(['40', '40 %%', '%', 'L 40%'].some((t) => PERCENT.test(t))).toBe(false)
  })
})
