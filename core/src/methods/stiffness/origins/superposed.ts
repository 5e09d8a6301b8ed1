import { number, sum, times, type Formula } from '../../expression.js'
import { formula, type Finder } from './kind.js'

/**
 * A kind of number that depends on what acts: in a combination it is the sum of its values in the cases, each
 * times its
 * factor, as the solver adds them.
 * @param name the kind's own name, the first part of its addresses
 */
export const superposed =
  (name: string, kind: Finder): Finder =>
  (c, ...parts) => {
    const found = kind(c, ...parts)
    if (!found || c.action.kind !== 'combination') return found
    return {
      ...found,
      origin: () => {
        const { cases, combinations } = c.solution.structure
        const factors = combinations.find((o) => o.id === c.action.id)?.factors ?? []
        const terms: Formula[] = cases.flatMap((o, i) =>
          factors[i] ? [times(number(factors[i]), c.letter('case', o.id, name, ...parts))] : [],
        )
        return formula(sum(...terms), 'A combination adds the values of its cases, each times its factor.')()
      },
    }
  }
