import { formatNumber } from '@viga/core'

/** A sum is zero when it is this small against its largest term. */
export const ROUNDING = 1e-9
/**
 * The same for moments in second order, which leaves out what members shorten: less than the last of the four
 * figures that the terms are written with.
 */
export const SHORTENED = 1e-4

/**
 * Values that differ from 0 by rounding alone, against the largest of their kind, are written 0 and point
 * nowhere.
 */
export function cleaned(values: readonly number[], alike: readonly number[] = []) {
  const most = Math.max(0, ...[...values, ...alike].map(Math.abs))
  const isZero = (v: number) => Math.abs(v) <= ROUNDING * most
  return {
    text: (v: number, figures = 4) => (isZero(v) ? '0' : formatNumber(v, { figures })),
    sign: (v: number) => (isZero(v) ? 0 : Math.sign(v)),
    isZero,
  }
}
