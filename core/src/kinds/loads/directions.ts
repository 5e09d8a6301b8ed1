import type { Arithmetic } from '../../quantity/arithmetic.js'
import type { LoadedMember } from '../../structure/types.js'

/** Components of a global vector in member axes. */
export const toMember = <N>(by: Arithmetic<N>, m: LoadedMember<N>, X: N, Y: N): [N, N] => [
  by.add(by.multiply(m.cos, X), by.multiply(m.sin, Y)),
  by.subtract(by.multiply(m.cos, Y), by.multiply(m.sin, X)),
]

/**
 * Member-axis components (p, q) of a unit intensity; per projection it counts on the length seen square to
 * the load.
 */
export function intensityDirection<N>(
  by: Arithmetic<N>,
  m: LoadedMember<N>,
  direction: 'X' | 'Y' | 'x' | 'y',
  per: 'length' | 'projection',
): [N, N] {
  const [none, one] = [by.of(0), by.of(1)]
  if (direction === 'x') return [one, none]
  if (direction === 'y') return [none, one]
  const share = per === 'length' ? one : by.absolute(direction === 'Y' ? m.cos : m.sin)
  return toMember(by, m, direction === 'X' ? share : none, direction === 'Y' ? share : none)
}
