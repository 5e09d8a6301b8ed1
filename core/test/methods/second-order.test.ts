import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readProblem, work, working, type Load } from '../../src/index.js'
import { frame, solved } from '../builder.js'

const read = readProblem(readFileSync(join(import.meta.dirname, '../cases/trellis-mast.viga.json'), 'utf8'))
if (!read.ok) throw new Error(read.errors[0].message)
const outcome = work(read.problem)
if (outcome.stage !== 'solved') throw new Error('solved')
const { solution } = outcome
const [combination] = solution.combinations
const book = working.ledger(solution, read.problem.units, combination, read.problem)

describe('the working of a second-order problem', () => {
  it('is of first order, and has second order as its last step', () => {
    const steps = working.stepsOf(book)
    expect(steps[steps.length - 1].key).toBe('second-order')
    // the end moment at A without the lever arm of the axial force
    expect(book.entry('q/AB/3')!.value).toBeCloseTo(combination.bent!.first.forces[2] / 1000, 9)
  })
  it('writes out the stability functions of each member, every formula evaluating to its number', () => {
    for (const name of ['bent-phi', 'bent-D', 'bent-near', 'bent-far', 'bent-corner', 'bent-across'])
      for (const id of ['AB', 'BC']) {
        const { value, origin } = book.origin(`${name}/${id}`)
        if (origin.kind !== 'formula') throw new Error(name)
        expect(working.evaluateFormula(origin.formula).value / value).toBeCloseTo(1, 9)
      }
    // φ = L·√(N/EI)
    const m = solution.structure.members[0]
    expect(book.entry('bent-phi/AB')!.value).toBeCloseTo(m.length * Math.sqrt(64000 / m.EI), 9)
  })
  it('has a stiffness and a geometric stiffness whose formulas evaluate to their entries', () => {
    for (const kind of ['bent-k', 'geometric'])
      for (const r of [2, 3, 5, 6])
        for (const k of [2, 3, 5, 6]) {
          const { value, origin } = book.origin(`${kind}/BC/${r}/${k}`)
          if (origin.kind !== 'formula') throw new Error(kind)
          expect(working.evaluateFormula(origin.formula).value / value, `${kind} ${r} ${k}`).toBeCloseTo(1, 9)
          expect(book.entry(`${kind}/BC/${k}/${r}`)!.value).toBeCloseTo(value, 12)
        }
  })
  it('has the equations of the last round, whose formulas evaluate to their entries', () => {
    const free = solution.dofs.list.flatMap((d, i) => (d.free ? [i + 1] : []))
    for (const i of free) {
      const sum = free.reduce(
        (t, j) => t + (book.entry(`bent-K/${i}/${j}`)?.value ?? 0) * (book.entry(`bent-u/${j}`)?.value ?? 0),
        0,
      )
      const P = book.entry(`bent-P/${i}`)!.value
      expect(sum).toBeCloseTo(P, 5)
      for (const j of free) {
        const { value, origin } = book.origin(`bent-K/${i}/${j}`)
        if (origin.kind === 'formula')
          expect(Math.abs(working.evaluateFormula(origin.formula).value - value)).toBeLessThan(
            1e-8 * Math.abs(book.entry(`bent-K/${i}/${i}`)!.value) + 1e-9,
          )
      }
    }
  })
  it('has the end forces of second order beside those of first', () => {
    combination.forces.forEach((v, k) => {
      const id = solution.structure.members[Math.floor(k / 6)].id
      expect(book.entry(`bent-q/${id}/${(k % 6) + 1}`)!.value).toBeCloseTo(v / 1000, 9)
    })
  })
  it('draws det K to its roots, and lists them', () => {
    const step = working.stepOf(book, 'second-order')!
    const blocks = step.passages.flatMap((p) => p.blocks)
    const chart = blocks.find((b) => b.kind === 'chart')!
    expect(chart.points[0]).toEqual([0, 1])
    expect(book.entry(chart.roots[0].at)!.value).toBeCloseTo(3.412259691157622, 9)
    const [before, after] = [0.98, 1.02].map((f) => {
      const x = f * chart.roots[0].x
      return chart.points.reduce((best, p) => (Math.abs(p[0] - x) < Math.abs(best[0] - x) ? p : best))[1]
    })
    expect(before * after).toBeLessThan(0)
  })
  it('says the critical factor and the rounds', () => {
    expect(book.entry('load-factor')!.value).toBeCloseTo(3.412259691157622, 9)
    const { rounds } = combination.bent!
    expect(book.entry(`round-change/${rounds.length}`)!.value).toBeCloseTo(
      rounds[rounds.length - 1].change / 1000,
      12,
    )
    expect(book.entry(`round-change/${rounds.length + 1}`)).toBeUndefined()
  })
  it('has no such step in first order', () => {
    const plain = work({ ...read.problem, analysis: { order: 1 } })
    if (plain.stage !== 'solved') throw new Error('solved')
    const first = working.ledger(plain.solution, read.problem.units, plain.solution.cases[0], read.problem)
    expect(working.stepOf(first, 'second-order')).toBeUndefined()
  })
})

describe('fixed-end forces under an axial force', () => {
  const bent = (q: number, N: number, more: Load[] = []) => {
    const problem = frame()
      .node('A', 0, 0)
      .node('B', 5, 0)
      .node('C', 10, 0)
      .member('A', 'B')
      .member('B', 'C')
      .support('A', 'fixed')
      .support('B', 'roller')
      .support('C', 'roller')
      .load({ type: 'nodal', node: 'C', fx: -N })
      .load({ type: 'distributed', member: 'AB', direction: 'Y', q }, ...more)
      .set({ analysis: { order: 2 } }).problem
    const s = solved(problem)
    return working.ledger(s, problem.units, s.cases[0], problem)
  }
  /** u = φ/2: under compression wL²/φ²·(1 − u/tan u), under tension wL²/φ²·(u/tanh u − 1). */
  const closed = (w: number, L: number, N: number, EI: number) => {
    const u = (L * Math.sqrt(Math.abs(N) / EI)) / 2
    return ((w * L * L) / (4 * u * u)) * (N > 0 ? 1 - u / Math.tan(u) : u / Math.tanh(u) - 1)
  }
  it.each([2500, -2500])('of a uniform load, N = %d kN pressing, by the closed form', (N) => {
    const book = bent(-12, N)
    const { value, origin } = book.origin('bent-fixed/AB/3')
    expect(value).toBeCloseTo(closed(12, 5, N, 20_000), 8)
    expect(book.entry('bent-fixed/AB/6')!.value).toBeCloseTo(-value, 9)
    expect(book.entry('bent-fixed/AB/2')!.value).toBeCloseTo(30, 9)
    if (origin.kind !== 'formula') throw new Error('a formula')
    expect(working.evaluateFormula(origin.formula).value).toBeCloseTo(value, 9)
  })
  it('of other loads say that they are of the deflected shape', () => {
    const book = bent(-12, 2500, [{ type: 'point', member: 'AB', at: '30%', fy: -8 }])
    expect(book.origin('bent-fixed/AB/3').origin.kind).toBe('solved')
    // no load, no fixed-end force
    expect(book.entry('bent-fixed/BC/3')).toBeUndefined()
  })
})
