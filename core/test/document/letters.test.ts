import { describe, expect, it } from 'vitest'
import { inLetters, lengthsInLetters, lettersOf } from '../../src/index.js'

const p = { units: { length: 'm', force: 'kN' }, symbols: { w: '12 kN/m', L: '6 m', a: '2.5 m' } }

describe('stated quantities in letters', () => {
  it.each([
    ['-w', 'w'],
    ['-2*w', '2w'],
    ['w*L^2/8', 'wL²/8'],
    ['-(w*L/2)', 'wL/2'],
  ])('%s is printed %s', (raw, printed) => expect(inLetters(p, raw)).toBe(printed))
  it.each(['12 kN/m', 'w + 3 kN/m', 7])('%s has no letters to print', (raw) =>
    expect(inLetters(p, raw)).toBeUndefined(),
  )
  it('lengths are simple multiples of a symbol, or nothing', () => {
    const said = lengthsInLetters(p, ['L', 'a'])
    expect([6, 3, 4, 12, 2.5, 1.25, 9].map(said)).toEqual(['L', 'L/2', '2L/3', '2L', 'a', 'a/2', '3L/2'])
    expect(said(6.1)).toBeUndefined()
  })
  it('are numbers on the figure unless the problem keeps another choice', () => {
    expect(lettersOf({})).toBe('numbers')
    expect(lettersOf({ view: { letters: 'both' } })).toBe('both')
    expect(lettersOf({ view: { letters: 'runes' } })).toBe('numbers')
  })
})
