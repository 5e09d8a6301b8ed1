import { describe, expect, it } from 'vitest'
import { readPlace } from '../../src/index.js'

const metric = { units: { length: 'm', force: 'kN' }, symbols: { a: '1.5 m' } }
const at = (text: string, p: Parameters<typeof readPlace>[0] = metric) => {
  const read = readPlace(p, 6, text)
  return read.ok ? read.x : read.message
}

describe('a place along a member of 6 m', () => {
  it.each([
    ['2.35', 2.35],
    ['2.35 m', 2.35],
    ['235 cm', 2.35],
    ['40%', 2.4],
    ['(100/3)%', 2],
    ['L/3', 2],
    ['0.5 L', 3],
    ['2/3*L', 4],
    ['a + 1 m', 2.5],
    ['mid', 3],
    ['End', 6],
    ['start', 0],
  ])('%s', (text, x) => expect(at(text)).toBeCloseTo(x, 9))
  it('is in the length unit of the problem where it names none', () =>
    expect(at('5', { units: { length: 'ft', force: 'kip' } })).toBeCloseTo(5 * 0.3048, 9))
  it('an L that the problem has as a symbol is that symbol', () =>
    expect(at('L', { ...metric, symbols: { L: '2 m' } })).toBe(2))
  it('typed with rounded digits just beyond the end, is the end', () => expect(at('6.0003')).toBe(6))
  it.each(['6.1', '-1', '110%'])('%s is beyond the ends', (text) =>
    expect(at(text)).toMatch(/beyond the ends/),
  )
  it.each(['', '3 kN', 'x + 1'])('%j has no place', (text) => expect(at(text)).toMatch(/[a-z]/))
})
