import fc from 'fast-check'
import { expect, it } from 'vitest'
import { backward, forward } from '../../src/analysis/substitution'

const number = fc.double({ min: -4, max: 4, noNaN: true })

/** A panel of so many columns and rows below them, which stand anywhere in what follows. */
const panel = fc
  .record({ columns: fc.integer({ min: 1, max: 7 }), below: fc.integer({ min: 0, max: 11 }) })
  .chain(({ columns, below }) => {
    const n = columns + below + 3
    const after = fc.uniqueArray(fc.integer({ min: columns, max: n - 1 }), {
      minLength: below,
      maxLength: below,
    })
    const values = fc.array(number, {
      minLength: (columns + below) * columns,
      maxLength: (columns + below) * columns,
    })
    return fc.record({
      columns: fc.constant(columns),
      rows: after.map((rows) => Int32Array.from([...Array(columns).keys(), ...rows.sort((a, b) => a - b)])),
      L: values.map((v) => Float64Array.from(v)),
      x: fc.array(number, { minLength: n, maxLength: n }).map((v) => Float64Array.from(v)),
    })
  })

const node = (columns: number, rows: Int32Array) => ({ from: 0, columns, rows, children: [], at: 0 })

it('takes the columns off the rows below as one row after the other does', () => {
  fc.assert(
    fc.property(panel, ({ columns, rows, L, x }) => {
      const expected = [...x]
      for (let c = 0; c < columns; c++)
        for (let i = c + 1; i < rows.length; i++) expected[rows[i]] -= L[i * columns + c] * expected[rows[c]]
      forward(node(columns, rows), L, new Float64Array(columns).fill(1), x)
      x.forEach((v, i) => expect(v).toBeCloseTo(expected[i], 6))
    }),
  )
})

it('keeps an unknown without resistance at rest', () => {
  const x = Float64Array.from([3, 5, 7])
  forward(node(1, Int32Array.from([0, 1, 2])), Float64Array.from([0, 2, 2]), Float64Array.from([0]), x)
  expect([...x]).toEqual([0, 5, 7])
})

it('finds the columns from the rows below as one row after the other does', () => {
  fc.assert(
    fc.property(panel, ({ columns, rows, L, x }) => {
      const expected = [...x]
      for (let c = columns - 1; c >= 0; c--)
        for (let i = c + 1; i < rows.length; i++) expected[rows[c]] -= L[i * columns + c] * expected[rows[i]]
      backward(node(columns, rows), L, x)
      x.forEach((v, i) => expect(v).toBeCloseTo(expected[i], 6))
    }),
  )
})
