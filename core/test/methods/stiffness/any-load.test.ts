import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { working, type Member } from '../../../src/index.js'
import { anyLoad } from '../../any-load.js'
import { frame, solved } from '../../builder.js'

const release = fc.constantFrom<Member['releases']>(
  undefined,
  { start: { M: true } },
  { end: { M: '900 kN*m' } },
  { start: { M: '400 kN*m' }, end: { M: '900 kN*m' } },
  { start: { N: '5000 kN/m' }, end: { V: '800 kN/m', M: true } },
  { end: { N: true, V: '700 kN/m' } },
)

describe('fixed-end forces, whatever acts on a member and however its ends are held', () => {
  it('are what their formulas say', () => {
    fc.assert(
      fc.property(
        fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
        release,
        fc.boolean(),
        fc.double({ min: -40, max: 40, noNaN: true }),
        (loads, releases, shear, angle) => {
          const p = frame()
            .node('A', 0, 0)
            .node('B', 5, 1.5)
            .node('C', 9, -1)
            .member('A', 'B', {
              ...(releases ? { releases } : {}),
              ...(shear ? { shearDeformation: true } : {}),
            })
            .member('B', 'C')
            .support('A', 'fixed')
            .support('C', { type: 'pin', angle })
            .load(...loads).problem
          if (shear) p.sections = p.sections?.map((o) => ({ ...o, shearArea: '0.004 m^2' }))
          if (shear) p.materials = p.materials?.map((o) => ({ ...o, G: '77 GPa' }))
          const solution = solved(p)
          const [action] = solution.cases
          const book = working.ledger(solution, { length: 'm', force: 'kN' }, action, p)
          const addresses = [1, 2, 3, 4, 5, 6].flatMap((r) =>
            ['fixed-own', 'fixed', 'fixed-global', 'd', 'q'].map((kind) => working.addressOf(kind, 'AB', r)),
          )
          const most = Math.max(1e-9, ...addresses.map((a) => Math.abs(book.entry(a)!.value)))
          // diagrams of every stretch, with the loads along it and those at its beginning
          const stretches = working
            .courseIn(book.context, 0)
            .stretches.flatMap((_, n) => [
              ...['N', 'V', 'M'].flatMap((f) => [
                working.addressOf('jump', 'AB', n, f),
                ...[0, 1, 2, 3].map((k) => working.addressOf('diagram', 'AB', n, f, k)),
              ]),
              ...['p', 'q', 'c'].flatMap((f) =>
                [0, 1].map((k) => working.addressOf('intensity', 'AB', n, f, k)),
              ),
            ])
          for (const a of [...addresses, ...stretches.filter((o) => book.entry(o))]) {
            const { value, origin } = book.origin(a)
            if (origin.kind !== 'formula') continue
            const shown = working.evaluateFormula(origin.formula)
            expect(
              Math.abs(shown.value - value),
              `${a}: ${working.formulaText(origin.formula)}`,
            ).toBeLessThanOrEqual(1e-8 * Math.max(shown.size, most))
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})
