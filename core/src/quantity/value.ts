import type { Dimension } from './dimension.js'
import type { Arithmetic } from './arithmetic.js'
import * as D from './dimension.js'
import type { Unit } from './units.js'

/**
 * A number with its dimension, in SI. `bare`: a plain number, without dimension. `turn` marks a plain number
 * that is an angle by origin (atan).
 */
export interface Value {
  si: number
  dimension: Dimension
  bare: boolean
  turn?: boolean
  /** The same in another kind of number, where one is computed beside this one. */
  beside?: unknown
}

/** Another kind of number in which expressions are computed beside their values. */
export interface Beside extends Arithmetic<unknown> {
  pi: unknown
  unit(unit: Unit): unknown
  power(base: unknown, exponent: number): unknown
  /** A function of an expression; `value` is what it is as a plain number, SI. */
  call(name: string, args: readonly Value[], value: number): unknown
}

/** A number without dimension. */
export const plainValue = (si: number): Value => ({ si, dimension: D.none, bare: true })
