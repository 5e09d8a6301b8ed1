import { describe, expect, it } from 'vitest'
import { joinsOf, joinsWords, memberTitle } from '../../src/index.js'
import { frame } from '../builder.js'

describe('the joints of a member', () => {
  it('are not said again where its label says them', () => {
    for (const label of ['AB', 'BA', 'A-B', 'A–B', 'A, B', 'A B'])
      expect(joinsWords(label, 'A', 'B')).toBeUndefined()
    expect(joinsWords('12', '1', '2')).toBeUndefined()
  })
  it('are said beside a label that does not, in tables and headings', () => {
    expect(joinsWords('3', 'A', 'B')).toBe('A–B')
    expect(memberTitle('3', '1', '2')).toBe('3 (1–2)')
    expect(memberTitle('AB', 'A', 'B')).toBe('AB')
  })
  it('are found by the label in a problem', () => {
    const p = frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B', { id: '1' }).problem
    expect(joinsOf(p, '1')).toBe('A–B')
    expect(joinsOf(p, 'AB')).toBeUndefined()
  })
})
