import * as D from '../../../quantity/dimension.js'
import { equationAddress, gaussElimination, type Elimination } from '../elimination.js'
import { minus, over, sum, times, type Formula, type Letter } from '../../expression.js'
import { formula, index, pair, type Context, type Finder } from './kind.js'
import { stiffnessDimension } from './stiffness.js'

/** The elimination by hand of the context's case. */
export const eliminationOf = (c: Context): Elimination | undefined =>
  c.kept('elimination', () => gaussElimination(c, c.units, c.action))

/** Entry of the equations after so many steps; the column after the last is the right-hand side. */
function after(c: Context, step: number, i: number, j: number): Letter {
  if (step > 0) return c.letter('row', step, i + 1, j + 1)
  const { unknowns } = eliminationOf(c)!.start
  const n = unknowns.length
  return c.letterAt(
    equationAddress(c.solution, c.action, unknowns[i].index, j === n ? undefined : unknowns[j].index),
  )
}

/**
 * An entry of the equations after step s of elimination, by row and column from 1: the row before, less the
 * pivot's row times what clears the pivot's column.
 */
export const eliminated: Finder = (c, stepPart, row, column) => {
  const [step, i, j] = [index(stepPart), index(row) - 1, index(column) - 1]
  const e = eliminationOf(c)
  const n = e?.start.unknowns.length ?? 0
  if (!e?.steps[step - 1] || i < 0 || j < 0 || i >= n || j > n) return undefined
  const { K, right } = e.steps[step - 1]
  const { unknowns } = e.start
  const turns = (k: number) => unknowns[k].component === 'rotation'
  const number = (k: number) => unknowns[k].number
  const dimension = j === n ? (turns(i) ? D.moment : D.force) : stiffnessDimension(turns(i), turns(j))
  const primes =
    step > 3 ? `⁽${String(step).replace(/\d/g, (d) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(d)])}⁾` : '′'.repeat(step)
  return {
    symbol: {
      letter: `${j === n ? 'P' : 'K'}${primes}`,
      sub: j === n ? String(number(i)) : pair(number(i), number(j)),
    },
    si: (j === n ? right[i] : K[i][j]) / c.coherent(1, dimension),
    dimension,
    acts: j === n,
    origin: () => {
      const k = step - 1
      if (i <= k) return formula(after(c, step - 1, i, j), 'The rows down to the pivot stay as they are.')()
      const factor: Formula = over(after(c, step - 1, i, k), after(c, step - 1, k, k))
      return formula(
        sum(after(c, step - 1, i, j), minus(times(factor, after(c, step - 1, k, j)))),
        `Row ${number(i)} less row ${number(k)} times what clears its column ${number(k)}.`,
      )()
    },
  }
}

/**
 * The displacement of a degree of freedom by back-substitution; undefined where the elimination is not
 * written out.
 */
export function backSubstituted(c: Context, dof: number): Formula | undefined {
  const e = eliminationOf(c)
  if (!e) return undefined
  const { unknowns } = e.start
  const i = unknowns.findIndex((u) => u.index === dof)
  if (i < 0) return undefined
  const n = unknowns.length
  const last = e.steps.length
  const { K } = last ? e.steps[last - 1] : e.start
  const others = Array.from({ length: n }, (_, j) => j).filter((j) => j > i && K[i][j] !== 0)
  const right = sum(
    after(c, last, i, n),
    ...others.map((j) => minus(times(after(c, last, i, j), c.letter('D', unknowns[j].index + 1)))),
  )
  return over(right, after(c, last, i, i))
}
