import type { Problem } from '../document/types.js'
import { stepsMarkdown } from '../methods/export/markdown.js'
import type { Ledger } from '../methods/ledger.js'
import { METHODS } from '../methods/list.js'
import type { Method } from '../methods/method.js'
import type { Structure } from '../structure/types.js'

/** The methods for a problem, as `viga work` prints them: which fit, and why the others do not. */
export const methodsDocument = (problem: Problem, structure: Structure) => ({
  format: 'viga-methods',
  version: 1,
  methods: METHODS.map((m) => {
    const fit = m.fits(problem, structure)
    return { key: m.key, title: m.title, fits: fit.fits, ...(fit.fits ? {} : { why: fit.why }) }
  }),
})

/** A problem worked out by a method, as `viga work --as json` prints it; values in coherent units. */
export function workDocument(method: Method, book: Ledger) {
  const { units, acting } = book.context
  return {
    format: 'viga-work',
    version: 1,
    method: method.key,
    case: acting.id,
    units: { length: units.length, force: units.force },
    approximate: method.approximate ?? false,
    steps: stepsMarkdown(book),
    named: method.named(book),
    values: method.values(book),
  }
}
