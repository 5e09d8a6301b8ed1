import { describe, expect, it } from 'vitest'
import { newProblem, renameSymbol, symbolInUse, symbolNameRefusal, type Problem } from '../../src/index.js'

const p: Problem = {
  ...newProblem(),
  symbols: { w: '12 kN/m', L: '6 m', M: 'wL²/8', EI: '20000 kN*m^2', unused: 3 },
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 'L', y: 0 },
    { id: 'C', x: '2L', y: 0 },
    { id: 'D', x: '3L', y: 0 },
    { id: 'E', x: '4 L', y: 0 },
  ],
  members: [{ id: 'AB', start: 'A', end: 'B', section: 's' }],
  sections: [{ id: 's', EI: '2EI' }],
  loadCases: [{ id: '1', loads: [{ type: 'distributed', member: 'AB', direction: 'Y', q: '-w' }] }],
}

describe('a symbol under another name', () => {
  it('is followed by every text that names it', () => {
    const q = renameSymbol(renameSymbol(p, 'L', 'span'), 'w', 'q')
    expect(Object.keys(q.symbols!)).toEqual(['q', 'span', 'M', 'EI', 'unused'])
    expect(q.symbols!.M).toBe('q span²/8')
    expect(q.nodes.map((n) => n.x)).toEqual([0, 'span', '2span', '3span', '4 span'])
    expect(q.loadCases![0].loads[0]).toMatchObject({ q: '-q' })
    expect(q.sections![0].EI).toBe('2EI')
  })
  it('must be a name that is free', () => {
    expect(symbolNameRefusal(p, 'L')).toBe('There is a symbol L already.')
    expect(symbolNameRefusal(p, 'kN')).toMatch(/unit or a function/)
    expect(symbolNameRefusal(p, '2L')).toMatch(/begins with a letter/)
    expect(symbolNameRefusal(p, 'h')).toBeUndefined()
  })
})

describe('what uses a symbol', () => {
  it.each([
    ['w', 'w is used by the load on AB and the symbol M.'],
    ['EI', 'EI is used by the section s.'],
    ['L', 'L is used by joint B, joint C, joint D and 2 more.'],
    ['unused', undefined],
  ])('%s', (name, words) => expect(symbolInUse(p, name)).toBe(words))
})
