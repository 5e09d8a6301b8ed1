import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Field, NotInLetters, type Quotient } from '../../src/letters/field.js'
import { simplest } from '../../src/letters/fraction.js'
import { TooLong } from '../../src/letters/monomials.js'

/** Sums and products of two letters and a square root, with what they are in numbers. */
const anyTree = fc.letrec<{ tree: Tree }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    fc.constantFrom<Tree>({ t: 'a' }, { t: 'b' }, { t: 'root' }),
    fc.integer({ min: -9, max: 9 }).map((value): Tree => ({ t: 'number', value })),
    fc.record({
      t: fc.constantFrom('add' as const, 'subtract' as const, 'multiply' as const, 'divide' as const),
      x: tie('tree'),
      y: tie('tree'),
    }),
  ),
})).tree
type Tree =
  | { t: 'a' }
  | { t: 'b' }
  | { t: 'root' }
  | { t: 'number'; value: number }
  | { t: 'add' | 'subtract' | 'multiply' | 'divide'; x: Tree; y: Tree }

const sample = { a: 1.7, b: 2.3 }

function both(field: Field, letters: Record<'a' | 'b', Quotient>, tree: Tree): [Quotient, number] {
  if (tree.t === 'a' || tree.t === 'b') return [letters[tree.t], sample[tree.t]]
  if (tree.t === 'root') return [field.root(field.of(12)), Math.sqrt(12)]
  if (tree.t === 'number') return [field.of(tree.value), tree.value]
  const [[p, x], [q, y]] = [both(field, letters, tree.x), both(field, letters, tree.y)]
  const number = { add: x + y, subtract: x - y, multiply: x * y, divide: x / y }[tree.t]
  return [field[tree.t](p, q), number]
}

const fresh = () => {
  const field = new Field()
  return { field, a: field.letter(sample.a), b: field.letter(sample.b) }
}

describe('arithmetic with letters', () => {
  it('is that of numbers, and what is zero is known to be', () =>
    fc.assert(
      fc.property(anyTree, (tree) => {
        const { field, a, b } = fresh()
        try {
          const [exact, number] = both(field, { a, b }, tree)
          fc.pre(Number.isFinite(number) && Math.abs(number) < 1e6)
          expect(Math.abs(field.value(exact) - number)).toBeLessThan(1e-6 * Math.max(1, Math.abs(number)))
          expect(field.subtract(exact, exact)).toEqual(field.of(0))
          if (!field.isZero(exact)) expect(field.divide(exact, exact)).toEqual(field.of(1))
        } catch (error) {
          // divided by what is zero, or longer than is worked with
          if (!(error instanceof NotInLetters) && !(error instanceof TooLong)) throw error
        }
      }),
    ))

  it('gives equal numbers the same form', () => {
    const { field, a, b } = fresh()
    const sum = field.add(a, b)
    const square = field.multiply(sum, sum)
    const difference = field.multiply(sum, field.subtract(a, b))
    expect(field.divide(difference, square)).toEqual(field.divide(field.subtract(a, b), sum))
  })

  it('takes squares out of roots', () => {
    const { field, a, b } = fresh()
    const sum = field.add(a, b)
    expect(field.root(field.multiply(field.of(12), field.power(sum, 2)))).toEqual(
      field.multiply(field.of(2), field.multiply(field.root(field.of(3)), sum)),
    )
    expect(field.root(field.power(sum, 5))).toEqual(field.multiply(field.power(sum, 2), field.root(sum)))
    expect(field.power(field.root(sum), 2)).toEqual(sum)
  })

  it('frees denominators of roots', () => {
    const { field } = fresh()
    const one = field.of(1)
    const root = field.root(field.of(2))
    expect(field.inverse(field.add(one, root))).toEqual(field.subtract(root, one))
  })

  it('ends before an expression grows beyond use', () => {
    const { field, a, b } = fresh()
    expect(() => field.power(field.power(field.add(a, b), 30), 30)).toThrow(TooLong)
  })
})

describe('the simplest fraction of a rounded number', () => {
  it.each([
    [0.0254 / 0.3048, 1n, 12n],
    [1 / 3, 1n, 3n],
    [0.1 + 0.2, 3n, 10n],
    [-2.5, -5n, 2n],
    [0, 0n, 1n],
    [4.4482216152605, 44482216152605n, 10000000000000n],
  ])('%d', (value, over, under) => expect(simplest(value)).toEqual([over, under]))
})
