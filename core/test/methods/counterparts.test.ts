import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '../../src/index.js'
import { counterpartsOf, sameElsewhere } from '../../src/methods/counterparts.js'
import { loadedSpans, triangle } from '../builder.js'

const truss = triangle().load({ type: 'nodal', node: 'C', fx: 3, fy: -10 }).problem

/** The books of a problem by every method that fits it. */
function booksOf(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { solution, structure } = outcome
  const [action] = solution.cases
  const task = { problem, structure, action: action.id, solved: () => ({ solution, action }) }
  const books = working.METHODS.filter((m) => m.fits(problem, structure).fits).map(
    (m) => [m.key, m.open(task)] as const,
  )
  const redundants = working.proposedRedundants(problem, structure)
  return { books: new Map(books), numbered: { structure, dofs: solution.dofs, redundants } }
}

describe('lines of several methods that say the same thing', () => {
  it.each([
    ['a beam', loadedSpans.problem],
    ['a truss', truss],
  ])('have the same number, but for its sign, and stand in their step: %s', (_, problem) => {
    const { books, numbered } = booksOf(problem)
    const compared = new Set<string>()
    for (const { title, lines } of counterpartsOf(numbered)) {
      const there = lines.flatMap((l) => {
        const book = books.get(l.method)
        const entry = book?.entry(l.address)
        return book && entry ? [{ ...l, book, entry }] : []
      })
      const [first, ...others] = there
      // half of a moment arrives: the factor itself is no moment
      if (!first || title.includes('arrives')) continue
      for (const o of others) {
        if (title.startsWith('moment for a turn') && o.entry.value !== first.entry.value) continue
        const size = Math.max(1e-9, Math.abs(first.entry.value))
        expect(Math.abs(Math.abs(o.entry.value) - Math.abs(first.entry.value)), o.address).toBeLessThan(
          1e-6 * Math.max(1, size),
        )
        expect(working.stepOf(o.book, o.step), `${o.method} ${o.step}`).toBeDefined()
        compared.add(`${title} ${o.method}`)
      }
    }
    expect(compared.size).toBeGreaterThan(2)
  })

  it('are found from either side', () => {
    const { numbered } = booksOf(loadedSpans.problem)
    const there = sameElsewhere(numbered, 'moment-distribution', 'fixed/AB/start')!
    expect(there.lines.map((l) => l.method)).toEqual(['stiffness', 'slope-deflection'])
    const back = sameElsewhere(numbered, 'stiffness', there.lines[0].address)!
    expect(back.lines.map((l) => l.address)).toContain('fixed/AB/start')
    expect(sameElsewhere(numbered, 'stiffness', 'L/AB')).toBeUndefined()
  })
})
