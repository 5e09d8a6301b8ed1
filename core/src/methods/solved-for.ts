import { exactFactor } from './roots.js'
import { minus, number, over, sum, times, type Formula, type Letter } from './expression.js'

/** A factor before a quantity, as a book writes it; its sign stands before the product. */
export const weighted = (k: number, f: Formula): Formula =>
  k < 0 ? minus(times(exactFactor(-k), f)) : times(exactFactor(k), f)

/** Factors that are one but for rounding are one. */
const isOne = (k: number): boolean => Math.abs(Math.abs(k) - 1) < 1e-12

/** An equation of equilibrium: factors of quantities by their addresses, and what the loads add. */
export interface EquationTerms {
  terms: readonly { at: string; factor: number }[]
  loads: number
}

/** The left side of such an equation; its right side is 0. */
export const leftSide = ({ terms, loads }: EquationTerms, letter: (at: string) => Letter): Formula =>
  sum(...terms.map((t) => weighted(t.factor, letter(t.at))), ...(loads === 0 ? [] : [number(loads)]))

/** The equation solved for one of its quantities. */
export function solvedFor(equation: EquationTerms, at: string, letter: (at: string) => Letter): Formula {
  const own = equation.terms.find((t) => t.at === at)!.factor
  const turn = own < 0 ? 1 : -1
  const terms = equation.terms.flatMap((t) => (t.at === at ? [] : [{ ...t, factor: turn * t.factor }]))
  const rest = leftSide({ terms, loads: turn * equation.loads }, letter)
  if (isOne(own)) return rest
  const factor = exactFactor(Math.abs(own))
  // a book multiplies by the inverse of a fraction
  return factor.t === 'quotient' ? times(exactFactor(1 / Math.abs(own)), rest) : over(rest, factor)
}
