import type { StructureMember } from '../../structure/types.js'

/** Components of a global vector in member axes. */
export const toMember = (m: StructureMember, X: number, Y: number): [number, number] => [
  m.cos * X + m.sin * Y,
  -m.sin * X + m.cos * Y,
]

/**
 * Member-axis components (p, q) of a unit intensity; per projection it counts on the length seen square to
 * the load.
 */
export function intensityDirection(
  m: StructureMember,
  direction: 'X' | 'Y' | 'x' | 'y',
  per: 'length' | 'projection',
): [number, number] {
  if (direction === 'x') return [1, 0]
  if (direction === 'y') return [0, 1]
  const share = per === 'length' ? 1 : Math.abs(direction === 'Y' ? m.cos : m.sin)
  return toMember(m, direction === 'X' ? share : 0, direction === 'Y' ? share : 0)
}
