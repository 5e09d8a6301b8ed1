import type { Dimension } from './dimension.js'
import * as D from './dimension.js'

/**
 * A number with its dimension, in SI. `bare`: a plain number, without dimension. `turn` marks a plain number
 * that is an angle by origin (atan).
 */
export interface Value {
  si: number
  dimension: Dimension
  bare: boolean
  turn?: boolean
}

/** A number without dimension. */
export const plainValue = (si: number): Value => ({ si, dimension: D.none, bare: true })
