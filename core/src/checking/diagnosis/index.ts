import { answerDimension } from '../../kinds/answers/index.js'
import { makeReader } from '../../quantity/reader.js'
import { halfOfLastDigit } from '../tolerance.js'
import { otherCase, otherPlace, otherQuantity } from './elsewhere.js'
import { oppositeSign } from './opposite-sign.js'
import { rounded } from './rounded.js'
import { SAME, type Diagnosis, type Differing, type Near, type Rule } from './rule.js'
import { simpleFactor, unitFactor } from './unit-factor.js'

export type { Diagnosis, Differing } from './rule.js'

/** The rules that tell why a single value differs, the likeliest first. */
export const RULES: readonly Rule[] = [
  rounded,
  oppositeSign,
  otherPlace,
  otherCase,
  otherQuantity,
  unitFactor,
  simpleFactor,
]

/**
 * Why a hand value differs: first by the rules that give its very digits, then by those that come near it.
 * @param allowed the tolerance that was in force, SI
 */
export function diagnose(value: Differing, allowed: number): Diagnosis | null {
  const { problem, answer: a, given } = value
  if (value.value === 0) return null
  const { reader } = makeReader(problem.units, problem.symbols)
  const half = halfOfLastDigit(a.value, answerDimension(a), reader)
  const near: Near = (v) => Math.abs(given - v) <= Math.max(allowed, SAME * Math.abs(v))
  const exact: Near = half === undefined ? near : (v) => Math.abs(given - v) <= half * (1 + 1e-9)
  const by = (tried: 'digits' | 'near', fits: Near): Diagnosis | null => {
    for (const rule of RULES) {
      if (!rule.tried.includes(tried) || (given === 0 && !rule.ofZero)) continue
      const found = rule.find(value, fits)
      if (found) return found
    }
    return null
  }
  // a zero has no digits to be met
  return (given === 0 ? null : by('digits', exact)) ?? by('near', near)
}
