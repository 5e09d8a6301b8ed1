import * as D from '../../../quantity/dimension.js'
import { equationAddress } from '../elimination.js'
import { factored, type Factored } from '../ldl.js'
import { minus, over, power, sum, times, type Formula } from '../../expression.js'
import { formula, index, pair, type Context, type Finder, type Kind, kinds } from './kind.js'
import { toEquations } from './belongs.js'
import { stiffnessDimension } from './stiffness.js'

/** The factorisation of the context's case, written out by hand. */
export const factoredOf = (c: Context): Factored | undefined =>
  c.kept('factored', () => factored(c, c.units, c.action))

const turns = (f: Factored, i: number) => f.start.unknowns[i].component === 'rotation'
const number = (f: Factored, i: number) => f.start.unknowns[i].number

/** A kind of the factorisation at one row. */
const atRow =
  (make: (c: Context, f: Factored, i: number) => ReturnType<Finder>): Finder =>
  (c, at) => {
    const f = factoredOf(c)
    const i = index(at) - 1
    return f && f.start.unknowns[i] ? make(c, f, i) : undefined
  }

/**
 * The dimension of a quotient of two stiffnesses in one column: between a turn and a translation a length.
 */
const ratio = (f: Factored, i: number, j: number) =>
  D.divide(stiffnessDimension(turns(f, i), turns(f, j)), stiffnessDimension(turns(f, j), turns(f, j)))

const K = (c: Context, f: Factored, i: number, j: number) =>
  c.letterAt(equationAddress(c.solution, c.action, f.start.unknowns[i].index, f.start.unknowns[j].index))
const P = (c: Context, f: Factored, i: number) =>
  c.letterAt(equationAddress(c.solution, c.action, f.start.unknowns[i].index))

/** Columns before j in which rows i and j of L both stand. */
const shared = (f: Factored, i: number, j: number) =>
  Array.from({ length: j }, (_, k) => k).filter((k) => f.L[i][k] !== 0 && f.L[j][k] !== 0)

/**
 * L, its pivots, and the right-hand side on its way: positions are those of the free unknowns in the order of
 * their numbers.
 */
export const FACTORED: Record<string, Kind> = {
  ...kinds(toEquations, {
    'ldl-l': (c, row, column) => {
      const f = factoredOf(c)
      const [i, j] = [index(row) - 1, index(column) - 1]
      if (!f || !f.start.unknowns[i] || !f.start.unknowns[j]) return undefined
      const dimension = ratio(f, i, j)
      const base = {
        symbol: { letter: 'l', sub: pair(number(f, i), number(f, j)) },
        si: f.L[i][j] / c.coherent(1, dimension),
        dimension,
        exact: true,
      }
      if (i <= j)
        return {
          ...base,
          origin: () => ({
            kind: 'stated',
            words:
              i === j
                ? 'The diagonal of L is 1.'
                : 'L is a lower triangle: nothing stands above its diagonal.',
          }),
        }
      return {
        ...base,
        origin: () =>
          formula(
            over(
              sum(
                K(c, f, i, j),
                ...shared(f, i, j).map((k) =>
                  minus(
                    times(
                      c.letter('ldl-l', i + 1, k + 1),
                      c.letter('ldl-l', j + 1, k + 1),
                      c.letter('ldl-d', k + 1),
                    ),
                  ),
                ),
              ),
              c.letter('ldl-d', j + 1),
            ),
          )(),
      }
    },
    'ldl-d': atRow((c, f, i) => {
      const dimension = stiffnessDimension(turns(f, i), turns(f, i))
      return {
        symbol: { letter: 'd', sub: String(number(f, i)) },
        si: f.pivots[i] / c.coherent(1, dimension),
        dimension,
        exact: true,
        origin: () =>
          formula(
            sum(
              K(c, f, i, i),
              ...shared(f, i, i).map((k): Formula =>
                minus(times(power(c.letter('ldl-l', i + 1, k + 1), 2), c.letter('ldl-d', k + 1))),
              ),
            ),
          )(),
      }
    }),
    'ldl-z': atRow((c, f, i) => {
      const dimension = turns(f, i) ? D.moment : D.force
      return {
        symbol: { letter: 'z', sub: String(number(f, i)) },
        si: f.z[i] / c.coherent(1, dimension),
        dimension,
        origin: () =>
          formula(
            sum(
              P(c, f, i),
              ...Array.from({ length: i }, (_, k) => k)
                .filter((k) => f.L[i][k] !== 0 && f.z[k] !== 0)
                .map((k) => minus(times(c.letter('ldl-l', i + 1, k + 1), c.letter('ldl-z', k + 1)))),
            ),
          )(),
      }
    }),
    'ldl-y': atRow((c, f, i) => {
      const dimension = turns(f, i) ? D.angle : D.length
      return {
        symbol: { letter: 'y', sub: String(number(f, i)) },
        si: f.y[i] / c.coherent(1, dimension),
        dimension,
        origin: () => formula(over(c.letter('ldl-z', i + 1), c.letter('ldl-d', i + 1)))(),
      }
    }),
    /** A displacement on this road: the same number as D. */
    'ldl-x': atRow((c, f, i) => ({
      symbol: { letter: 'D', sub: String(number(f, i)) },
      si: c.action.D[f.start.unknowns[i].index],
      dimension: turns(f, i) ? D.angle : D.length,
      origin: () =>
        formula(
          sum(
            c.letter('ldl-y', i + 1),
            ...f.start.unknowns
              .map((_, k) => k)
              .filter((k) => k > i && f.L[k][i] !== 0)
              .map((k) => minus(times(c.letter('ldl-l', k + 1, i + 1), c.letter('ldl-x', k + 1)))),
          ),
        )(),
    })),
  }),
}
