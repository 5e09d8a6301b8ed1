import { describe, expect, it } from 'vitest'
import { working } from '@viga/core'
import { lineOf } from '../../app/working/line'
import { bookOf, demo } from '../demo'

const USUAL = working.readingOf(undefined)

/** Every address that a line of the working shows, with the member it is shown under. */
const shown = (workingView: working.Ledger) =>
  working.stepsOf(workingView).flatMap((s) =>
    s.passages.flatMap((p) =>
      p.blocks.flatMap((b) =>
        b.kind === 'lines'
          ? b.addresses.map((at) => ({
              at,
              within: p.member === undefined ? undefined : workingView.context.structure.members[p.member].id,
            }))
          : [],
      ),
    ),
  )

describe.each(demo)('a line of the working: %s', (_, problem) => {
  const workingView = bookOf(problem)
  it('says where its number came from: by a formula with its numbers, or in words', () => {
    for (const { at, within } of shown(workingView)) {
      const line = lineOf(workingView, at, within, USUAL)
      const { origin } = workingView.origin(at)
      if (origin.kind !== 'formula') expect(line.words, at).toBeTruthy()
      else if (origin.formula.t !== 'letter' && origin.formula.t !== 'number')
        expect(line.numbers, at).toBeDefined()
      expect(line.letters.tex).toContain(working.symbolLatex(workingView.origin(at).symbol, within))
    }
  })
  it('measures rounding against the largest that goes into it', () => {
    for (const { at, within } of shown(workingView))
      expect(lineOf(workingView, at, within, USUAL).most).toBeGreaterThanOrEqual(
        Math.abs(workingView.origin(at).value),
      )
  })
  it('writes its numbers with the figures asked for', () => {
    const [few, many] = [3, 8].map((figures) =>
      shown(workingView).map(
        ({ at, within }) => lineOf(workingView, at, within, { ...USUAL, figures }).numbers?.tex ?? '',
      ),
    )
    expect(many.join('').length).toBeGreaterThan(few.join('').length)
  })
  it('leaves the member out of letters under its own name', () => {
    const own = shown(workingView).find(
      ({ at, within }) => within !== undefined && workingView.origin(at).symbol.of === within,
    )!
    expect(lineOf(workingView, own.at, own.within, USUAL).letters.tex.length).toBeLessThan(
      lineOf(workingView, own.at, undefined, USUAL).letters.tex.length,
    )
  })
})
