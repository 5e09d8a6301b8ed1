import { formatNumber } from '@viga/core'

/**
 * Values that differ from 0 by rounding alone, against the largest of their kind, are written 0 and point
 * nowhere.
 */
export function cleaned(values: readonly number[], alike: readonly number[] = []) {
  const most = Math.max(0, ...[...values, ...alike].map(Math.abs))
  const isZero = (v: number) => Math.abs(v) <= 1e-9 * most
  return {
    text: (v: number, figures = 4) => (isZero(v) ? '0' : formatNumber(v, { figures })),
    sign: (v: number) => (isZero(v) ? 0 : Math.sign(v)),
    isZero,
  }
}
