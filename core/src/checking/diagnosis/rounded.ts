import { answerDimension } from '../../kinds/answers/index.js'
import { siPerCoherent } from '../../quantity/units.js'
import { digitsOf } from '../tolerance.js'
import type { Rule } from './rule.js'

/** The value is right when it is rounded to fewer digits than it is given with. */
export const rounded: Rule = {
  kind: 'rounded',
  tried: ['digits'],
  find: ({ problem, answer: a, given, value }) => {
    const digits = digitsOf(a.value)
    if (digits === undefined || given === 0 || value === 0) return null
    const per = siPerCoherent(problem.units, answerDimension(a))
    // digits are those of the unit the value was written in: its own, or the coherent one
    const written = Number(/^\s*[-+−]?([\d.]+(?:[eE][-+]?\d+)?)/.exec(String(a.value))?.[1] ?? NaN)
    const unit = Number.isFinite(written) && written !== 0 ? Math.abs(given) / written : per
    const inUnit = Math.abs(value) / unit
    for (let n = digits - 1; n >= 2; n--)
      if (
        Math.abs(Number(inUnit.toPrecision(n)) - written) <= 1e-9 * written &&
        Math.sign(given) === Math.sign(value)
      )
        return {
          kind: 'rounded',
          sentence: `The value is right to ${n} digits, and is given with ${digits}.`,
        }
    return null
  },
}
