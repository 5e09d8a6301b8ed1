import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { factor } from '../../src/analysis/factor.js'
import { fillReducingOrder } from '../../src/analysis/ordering.js'
import { add, siteGraph, sparse, type SparseSymmetric } from '../../src/analysis/sparse.js'

/** A matrix as the solver gets one: stiffnesses of links between points, some points held to the ground. */
function network(n: number, links: readonly { a: number; b: number; k: number }[], held: readonly number[]) {
  const a = sparse(n, 1)
  const dense = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const put = (i: number, j: number, v: number) => {
    add(a, i, j, v)
    dense[i][j] += v
    if (i !== j) dense[j][i] += v
  }
  for (let i = 0; i < n; i++) put(i, i, 0)
  for (const { a: i, b: j, k } of links) {
    if (i === j) continue
    put(i, i, k)
    put(j, j, k)
    put(i, j, -k)
  }
  for (const i of held) put(i, i, 2)
  return { a, dense }
}

const times = (dense: number[][], x: ArrayLike<number>) =>
  dense.map((row) => row.reduce((sum, v, j) => sum + v * x[j], 0))

const anyNetwork = fc.integer({ min: 1, max: 40 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    links: fc.array(
      fc.record({ a: fc.nat(n - 1), b: fc.nat(n - 1), k: fc.double({ min: 0.1, max: 100, noNaN: true }) }),
      { maxLength: 4 * n },
    ),
    load: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: n, maxLength: n }),
  }),
)

/** A grid of points w wide and h high, each linked to its neighbours and held a little. */
function grid(w: number, h: number): SparseSymmetric {
  const a = sparse(w * h, 1)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      add(a, y * w + x, y * w + x, 5)
      if (x + 1 < w) add(a, y * w + x, y * w + x + 1, -1)
      if (y + 1 < h) add(a, y * w + x, y * w + x + w, -1)
    }
  return a
}

describe('the sparse factorisation', () => {
  it('solves any held network: A·x gives back the load', () => {
    fc.assert(
      fc.property(anyNetwork, ({ n, links, load }) => {
        const { a, dense } = network(
          n,
          links,
          Array.from({ length: n }, (_, i) => i),
        )
        const f = factor(a)
        expect(f.singular).toEqual([])
        times(dense, f.solve(Float64Array.from(load))).forEach((v, i) => expect(v).toBeCloseTo(load[i], 8))
      }),
    )
  })

  it('finds one motion for each part that nothing holds, and each costs nothing', () => {
    fc.assert(
      fc.property(anyNetwork, ({ n, links }) => {
        const { a, dense } = network(n, links, [])
        const part = Array.from({ length: n }, (_, i) => i)
        const root = (i: number): number => (part[i] === i ? i : root(part[i]))
        for (const l of links) part[root(l.a)] = root(l.b)
        const f = factor(a)
        expect(f.singular.length).toBe(new Set(part.map((_, i) => root(i))).size)
        for (const unknown of f.singular) {
          const x = f.motion(unknown)
          expect(x[unknown]).toBe(1)
          const size = Math.max(1, ...dense.flat())
          times(dense, x).forEach((v) => expect(Math.abs(v) / size).toBeLessThan(1e-9))
        }
      }),
    )
  })

  it('leaves the right-hand side alone, so that one factorisation serves many load cases', () => {
    const f = factor(grid(4, 4))
    const b = Float64Array.from({ length: 16 }, (_, i) => i)
    const once = f.solve(b)
    expect([...b]).toEqual(Array.from({ length: 16 }, (_, i) => i))
    expect([...f.solve(b)]).toEqual([...once])
  })

  it('keeps the fill of a square grid far below that of a band', () => {
    const side = 40
    const { entries } = factor(grid(side, side))
    expect(entries).toBeLessThan(0.6 * side ** 3) // a band of width `side` holds side³
  })

  it('stays linear along a long strip', () => {
    const short = factor(grid(4, 100)).entries
    const long = factor(grid(4, 1000)).entries
    expect(long / short).toBeLessThan(11)
  })
})

describe('the order of elimination', () => {
  it('is a permutation, whatever the graph', () => {
    fc.assert(
      fc.property(anyNetwork, ({ n, links }) => {
        const order = fillReducingOrder(siteGraph(network(n, links, []).a), new Int32Array(n).fill(1))
        expect([...order].sort((x, y) => x - y)).toEqual(Array.from({ length: n }, (_, i) => i))
      }),
    )
  })
  it('eliminates the leaves of a star before its heart', () => {
    const star = network(
      9,
      Array.from({ length: 8 }, (_, i) => ({ a: 0, b: i + 1, k: 1 })),
      [0],
    ).a
    const order = fillReducingOrder(siteGraph(star), new Int32Array(9).fill(1))
    expect([...order].indexOf(0)).toBeGreaterThanOrEqual(7)
  })
})
