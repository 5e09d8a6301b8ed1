import { makeReader } from './reader.js'
import * as D from './dimension.js'
import type { ProblemUnits } from './units.js'

/**
 * An expression that cannot be read, as it may have been meant: `12,5 m` as `12.5 m`, `EI/2 L` as `EI/2*L`
 * and `EI/(2 L)`. The likeliest stands first; none where the text can be read, or no meaning is likely.
 */
export function repairsOf(
  text: string,
  units: ProblemUnits,
  symbols: Record<string, unknown> = {},
): readonly string[] {
  const r = makeReader(units, symbols).reader.read(text, D.none)
  return r.ok ? [] : (r.repairs ?? [])
}
