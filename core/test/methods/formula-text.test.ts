import { describe, expect, it } from 'vitest'
import { minus, number, over, power, times, type Letter } from '../../src/methods/expression.js'
import { formulaText, repeatsName } from '../../src/methods/formula-text.js'

const letter = (name: string, value: number): Letter => ({
  t: 'letter',
  symbol: { letter: name },
  value,
  address: name,
})

describe('a formula in letters', () => {
  const [E, I, L] = [letter('E', 2), letter('I', 3), letter('L', 4)]
  it('is said where it adds something to the name', () => {
    expect(repeatsName({ letter: 'k' }, over(times(number(12), E, I), power(L, 3)))).toBe(false)
  })
  it('is left out where it only repeats the name', () => {
    expect(repeatsName({ letter: 'EI' }, times(E, I))).toBe(true)
  })
  it('is left out where it has no letters, since its numbers would stand there twice', () => {
    const f = minus(over(number(480), number(-16)))
    expect(formulaText(f)).toBe(formulaText(f, 'numbers'))
    expect(repeatsName({ letter: 'A' }, f)).toBe(true)
  })
})
