import { tidy } from './measure.js'

/** "1.2 D + 1.6 L − 1.0 E". */
export function titleOf(factors: Record<string, number>): string {
  return Object.entries(factors)
    .filter(([, f]) => f !== 0)
    .map(
      ([id, f], i) =>
        `${f < 0 ? (i ? '− ' : '−') : i ? '+ ' : ''}${Math.abs(f) === 1 ? '' : `${tidy(Math.abs(f))} `}${id}`,
    )
    .join(' ')
}
