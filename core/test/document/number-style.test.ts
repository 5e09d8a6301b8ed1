import { describe, expect, it } from 'vitest'
import {
  numberStyle,
  styleWords,
  unitOfHead,
  withHeadUnit,
  withPoint,
} from '../../src/document/number-style.js'

describe('the decimal sign of a block of cells', () => {
  it.each([
    [['12000,0', '6 000', '1.234,5'], 'comma', ['12000.0', '6 000', '1234.5']],
    [['A', '0,000', '6,000', '12,500 m'], 'comma', ['A', '0.000', '6.000', '12.500 m']],
    [['1,234.5', '12,000', '3'], 'point', ['1234.5', '12000', '3']],
    [['12,000', '6,000'], 'point', ['12000', '6000']],
    [['1.5', '2,5'], 'point', ['1.5', '2,5']],
    [['-0,25 kN', '1.000'], 'comma', ['-0.25 kN', '1000']],
    [['w*L^2/8', '3@4, 5.5'], 'point', ['w*L^2/8', '3@4, 5.5']],
  ] as const)('%j is written with a %s', (cells, style, written) => {
    expect(numberStyle(cells)).toBe(style)
    expect(cells.map((c) => withPoint(c, style))).toEqual(written)
  })
  it('is said where it decides something', () => {
    expect(styleWords(['1,5'], 'comma')).toBe('Commas were read as decimal signs.')
    expect(styleWords(['12,000'], 'point')).toBe('Commas were read as signs between thousands.')
    expect(styleWords(['12.5', 'A'], 'point')).toBeUndefined()
  })
})

describe('the unit in the head of a column', () => {
  it.each([
    ['x (mm)', 'mm'],
    ['x, mm', 'mm'],
    ['y [mm]', 'mm'],
    ['load / kN/m', 'kN/m'],
    ['x', undefined],
    ['joint', undefined],
  ])('%s', (head, unit) => expect(unitOfHead(head)).toBe(unit))
  it('is that of plain numbers', () => {
    expect(withHeadUnit('6000', 'mm')).toBe('6000 mm')
    expect(withHeadUnit('6 000', 'mm')).toBe('6 000 mm')
    expect(withHeadUnit('6 m', 'mm')).toBe('6 m')
    expect(withHeadUnit('L', 'mm')).toBe('L')
    expect(withHeadUnit('6', undefined)).toBe('6')
  })
})
