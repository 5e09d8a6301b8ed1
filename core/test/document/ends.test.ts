import { describe, expect, it } from 'vitest'
import { measure } from '../../src/index.js'
import { endAt, endOfStated, shareOf } from '../../src/document/ends.js'
import { frame } from '../builder.js'

describe('the end of a member', () => {
  const m = measure(frame().node('A', 0, 0).node('B', 4, 0).member('A', 'B').problem)
  it.each([
    [0, 'start'],
    ['0', 'start'],
    ['0 m', 'start'],
    ['0%', 'start'],
    [4, 'end'],
    ['4 m', 'end'],
    ['400 cm', 'end'],
    ['100%', 'end'],
    [' 100 % ', 'end'],
    ['50%', undefined],
    [3.99, undefined],
    [5, undefined],
    [-1, undefined],
    ['nowhere', undefined],
  ])('is told however it is stated: %o', (at, end) => {
    expect(endOfStated(m, at, 4)).toBe(end)
  })

  it('is met within a millionth of the length', () => {
    expect(endAt(4 - 3e-6, 4)).toBe('end')
    expect(endAt(4 - 5e-6, 4)).toBeUndefined()
  })

  it('is a share only where the length need not be known', () => {
    expect(shareOf('25%')).toBe(0.25)
    expect(shareOf(0)).toBe(0)
    expect(shareOf('1 m')).toBeUndefined()
  })
})
