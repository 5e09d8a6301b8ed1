import { describe, expect, it } from 'vitest'
import {
  addCombinations,
  COMBINATION_LISTS,
  generateCombinations,
  problemErrors,
  titleOf,
  type Category,
  type Problem,
} from '../../src/index.js'
import { frame } from '../builder.js'

const withCases = (...cases: [string, Category][]): Problem =>
  frame().set({ loadCases: cases.map(([id, category]) => ({ id, category, loads: [] })) }).problem
const list = (id: string) => COMBINATION_LISTS.find((l) => l.id === id)!
const titles = (p: Problem, id: string) => generateCombinations(p, list(id)).combinations.map((c) => c.title)

describe('combinations from published lists', () => {
  const building = withCases(['D', 'dead'], ['L', 'live'], ['S', 'snow'], ['W', 'wind'])

  it('plain', () => expect(titles(building, 'plain')).toEqual(['1.4 D', '1.2 D + 1.6 L']))

  it('ASCE 7 strength', () =>
    expect(titles(building, 'asce-strength')).toEqual([
      '1.4 D',
      '1.2 D + 1.6 L + 0.5 S',
      '1.2 D + 1.6 S + L',
      '1.2 D + 1.6 S + 0.5 W',
      '1.2 D + W + L + 0.5 S',
      '0.9 D + W',
    ]))

  it('ASCE 7 allowable stress', () =>
    expect(titles(building, 'asce-allowable')).toEqual([
      'D',
      'D + L',
      'D + S',
      'D + 0.75 L + 0.75 S',
      'D + 0.6 W',
      'D + 0.75 L + 0.45 W + 0.75 S',
      '0.6 D + 0.6 W',
    ]))

  it('EN 1990: each variable action leads once, alone and with the others', () => {
    const made = titles(building, 'en-1990')
    expect(made).toContain('1.35 D')
    expect(made).toContain('1.35 D + 1.5 L + 0.75 S + 0.9 W')
    expect(made).toContain('1.35 D + 1.5 W + 1.05 L + 0.75 S')
    expect(made).toContain('D + 1.5 W')
  })

  it('IS 800', () =>
    expect(titles(withCases(['DL', 'dead'], ['LL', 'live'], ['EQ', 'seismic']), 'is-800')).toContain(
      '1.2 DL + 1.2 LL − 1.2 EQ',
    ))

  it('one wind at a time, roof live load or snow, an earthquake both ways', () => {
    const p = withCases(
      ['D', 'dead'],
      ['Lr', 'roof-live'],
      ['S', 'snow'],
      ['W1', 'wind'],
      ['W2', 'wind'],
      ['E', 'seismic'],
    )
    const all = generateCombinations(p, list('asce-strength')).combinations
    for (const { factors } of all) {
      expect(['W1', 'W2'].filter((id) => factors[id]).length).toBeLessThan(2)
      expect(['Lr', 'S'].filter((id) => factors[id]).length).toBeLessThan(2)
    }
    expect(all.map((c) => c.factors.E).filter((f) => f !== undefined)).toEqual(
      expect.arrayContaining([1, -1]),
    )
  })

  it.each(COMBINATION_LISTS.map((l) => [l.id]))(
    '%s: no combination twice, none empty, all valid, adding again adds nothing',
    (id) => {
      const p = withCases(
        ['D', 'dead'],
        ['D2', 'dead'],
        ['L', 'live'],
        ['Lr', 'roof-live'],
        ['S', 'snow'],
        ['W', 'wind'],
        ['E', 'seismic'],
        ['T', 'temperature'],
      )
      const { combinations } = generateCombinations(p, list(id))
      expect(combinations.length).toBeGreaterThan(0)
      expect(
        new Set(combinations.map((c) => JSON.stringify(Object.entries(c.factors).sort()) + c.purpose)).size,
      ).toBe(combinations.length)
      for (const c of combinations) expect(c.factors.D).toBe(c.factors.D2)
      const added = addCombinations(p, list(id))
      expect(problemErrors(added)).toEqual([])
      expect(addCombinations(added, list(id))).toBe(added)
    },
  )

  it('says which cases a list does not speak of, and needs no case to be safe', () => {
    expect(generateCombinations(withCases(['D', 'dead'], ['x', 'other']), list('plain')).left).toEqual(['x'])
    expect(generateCombinations(withCases(), list('asce-strength')).combinations).toEqual([])
  })

  it('writes factors as books do', () =>
    expect(titleOf({ D: 1, L: -0.5, W: 0, E: -1 })).toBe('D − 0.5 L − E'))
})
