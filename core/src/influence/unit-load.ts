import type { StatedLoad, Structure } from '../structure/types.js'

/** The ways in which a unit force may point: a global or a member axis, with or against it. */
export const DIRECTIONS = ['-Y', 'Y', 'X', '-X', 'x', '-x', 'y', '-y'] as const
export type Direction = (typeof DIRECTIONS)[number]

/** The components of a force of 1 N, and the axes they are of. */
function components(direction: Direction): { fx: number; fy: number; axes: 'global' | 'member' } {
  const size = direction.startsWith('-') ? -1 : 1
  const axis = direction.replace('-', '')
  const along = axis.toUpperCase() === 'X'
  return {
    fx: along ? size : 0,
    fy: along ? 0 : size,
    axes: axis === 'X' || axis === 'Y' ? 'global' : 'member',
  }
}

/**
 * A force of 1 N at a place on a member, m from its start. A bar carries nothing between its ends: there the
 * force goes to the two joints by the lever rule.
 */
export function unitLoad(s: Structure, member: number, at: number, direction: Direction): StatedLoad[] {
  const m = s.members[member]
  const { fx, fy, axes } = components(direction)
  if (!m.bar && s.kind !== 'truss') return [{ type: 'point', member, at, axes, fx, fy, m: 0 }]
  const [gx, gy] = axes === 'global' ? [fx, fy] : [fx * m.cos - fy * m.sin, fx * m.sin + fy * m.cos]
  const share = at / m.length
  return [
    { type: 'nodal', node: m.start, fx: (1 - share) * gx, fy: (1 - share) * gy, m: 0 },
    { type: 'nodal', node: m.end, fx: share * gx, fy: share * gy, m: 0 },
  ]
}
