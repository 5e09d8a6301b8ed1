import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { working } from '@viga/core'
import { beginning, heightOfLine } from '../../app/working/gradual'
import { firstFormulas, pageOf, passagesOf } from '../../app/working/page'
import { lineOf } from '../../app/working/line'
import { bookOf, demo } from '../demo'

const USUAL = working.readingOf(undefined)
const books = demo.map(([name, problem]) => ({
  name,
  workingView: bookOf(problem),
  steps: working.stepsOf(bookOf(problem)),
}))
const anyStep = fc.constantFrom(
  ...books.flatMap(({ workingView, steps }) => steps.map((step) => ({ workingView, step }))),
)

/** What a part says, piece by piece: numbers of lines and rows of tables count each. */
const pieces = (b: working.Block): unknown[] =>
  b.kind === 'lines' ? b.addresses : b.kind === 'table' ? b.rows : [b]
const said = (passages: readonly working.Passage[]) => passages.flatMap((p) => p.blocks.flatMap(pieces))

describe('a step put on the page little by little', () => {
  it('begins with its beginning, and leaves out only what has no room', () => {
    fc.assert(
      fc.property(anyStep, fc.integer({ min: 1, max: 6000 }), ({ workingView, step }, room) => {
        const there = beginning(step.passages, room, workingView)
        const [shown, whole] = [said(there.passages), said(step.passages)]
        expect(shown).toEqual(whole.slice(0, shown.length))
        expect(shown.length).toBeGreaterThan(0)
        expect(there.left > 0).toBe(shown.length < whole.length)
      }),
    )
  })
  it('shows more, never less, with more room', () => {
    fc.assert(
      fc.property(
        anyStep,
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 0, max: 3000 }),
        ({ workingView, step }, room, more) => {
          const [a, b] = [
            beginning(step.passages, room, workingView),
            beginning(step.passages, room + more, workingView),
          ]
          expect(said(b.passages).length).toBeGreaterThanOrEqual(said(a.passages).length)
        },
      ),
    )
  })
  it('is the step itself once there is room for all', () => {
    for (const { workingView, steps } of books)
      for (const step of steps)
        expect(beginning(step.passages, Infinity, workingView)).toEqual({ passages: step.passages, left: 0 })
  })
  it('keeps a matrix and a drawing whole', () => {
    for (const { workingView, steps } of books)
      for (const step of steps)
        for (const p of beginning(step.passages, 1, workingView).passages)
          for (const b of p.blocks)
            if (b.kind === 'matrix' || b.kind === 'drawing')
              expect(step.passages.some((q) => q.blocks.includes(b))).toBe(true)
  })
  it('gives a long formula the height of several lines', () => {
    for (const { workingView, steps } of books) {
      const checks = steps.find((s) => s.key === 'checks')!
      const heights = checks.passages.flatMap((p) =>
        p.blocks.flatMap((b) =>
          b.kind === 'lines'
            ? b.addresses.map(
                (a) => [heightOfLine(workingView, a), lineOf(workingView, a, undefined, USUAL).long] as const,
              )
            : [],
        ),
      )
      expect(heights.length).toBeGreaterThan(0)
      const short = Math.min(...heights.map(([h]) => h))
      for (const [h, long] of heights) if (!long) expect(h).toBeLessThanOrEqual(2 * short)
    }
  })
})

describe('the page of a step', () => {
  it('has every part once where it speaks of no member, the way there last', () => {
    for (const { steps } of books)
      for (const step of steps.filter((s) => s.passages.every((p) => p.member === undefined))) {
        const all = passagesOf(pageOf(step, 0))
        expect(new Set(all)).toEqual(new Set(step.passages))
        expect(all).toHaveLength(step.passages.length)
        const way = all.findIndex((p) => p.byHand)
        if (way >= 0) expect(all.slice(way).every((p) => p.byHand)).toBe(true)
      }
  })
  it('has the chosen member alone among the members, and all that is said of the whole round it', () => {
    for (const { steps } of books)
      for (const step of steps.filter((s) => s.passages.some((p) => p.member !== undefined)))
        for (const member of pageOf(step, -1).members) {
          const page = pageOf(step, member)
          expect(page.ofOne?.member).toBe(member)
          expect([...page.before, ...page.after]).toEqual(step.passages.filter((p) => p.member === undefined))
        }
  })
  it('turns to the first member it speaks of when it has nothing to say of the chosen one', () => {
    for (const { steps } of books)
      for (const step of steps) {
        const page = pageOf(step, 1e6)
        expect(page.ofOne?.member).toBe(page.members[0])
      }
  })
})

describe('formulas set beforehand', () => {
  it('are those of the lines in the first view, in their order', () => {
    for (const { workingView, steps } of books)
      for (const step of steps) {
        const { members } = workingView.context.structure
        const shown = beginning(passagesOf(pageOf(step, 0)), 600, workingView).passages.flatMap((p) =>
          p.blocks.flatMap((b) =>
            b.kind === 'lines'
              ? b.addresses.map((a) =>
                  lineOf(workingView, a, p.member === undefined ? undefined : members[p.member].id, USUAL),
                )
              : [],
          ),
        )
        expect([...firstFormulas(workingView, step.key, USUAL, 0, 600)]).toEqual(
          shown.flatMap((l) => [l.letters.tex, ...(l.numbers ? [l.numbers.tex] : [])]),
        )
      }
  })
  it('are made one by one: who stops early has not made the rest', () => {
    const { workingView } = books[0]
    const asked: string[] = []
    const listening: working.Ledger = {
      ...workingView,
      origin: (a) => (asked.push(a), workingView.origin(a)),
    }
    const formulas = firstFormulas(listening, 'end-forces', USUAL, 0, 600)
    formulas.next()
    const one = asked.length
    for (const rest of formulas) expect(rest).not.toBe('')
    expect(asked.length).toBeGreaterThan(one)
  })
  it('are none for a step that is not there', () => {
    const without = books.find(({ steps }) => !steps.some((s) => s.key === 'supports'))!
    expect([...firstFormulas(without.workingView, 'supports', USUAL, 0, 600)]).toEqual([])
  })
})
