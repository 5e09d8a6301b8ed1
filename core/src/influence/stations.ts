import type { StructureMember } from '../structure/types.js'
import { lineAt, type MemberLine } from './line.js'

/** A place of the moving force on a member, m from its start, and the value while it stands there, SI. */
export interface LineStation {
  x: number
  value: number | null
}

/** Values, and differences of two values, smaller than this part of a line are rounding. */
const ROUNDING = 1e-13

/**
 * Evenly spaced places on a member and those between its stretches; two of one place where the line jumps:
 * just left and just right.
 */
export function lineStations(line: MemberLine, m: StructureMember, count: number): LineStation[] {
  const even = Array.from({ length: count }, (_, i) => (i * m.length) / (count - 1))
  const breaks = line.stretches.slice(1).map((t) => t.from)
  const isBreak = (x: number) => breaks.some((b) => Math.abs(b - x) <= 1e-9 * m.length)
  const places = [...even.filter((x) => !isBreak(x)), ...breaks].sort((a, b) => a - b)
  const small = ROUNDING * Math.max(0, ...line.stretches.flatMap((t) => t.value.map(Math.abs)))
  const at = (x: number, side: 'left' | 'right') => {
    const value = lineAt(line, x, side)
    return value !== null && Math.abs(value) <= small ? 0 : value
  }
  return places.flatMap((x) => {
    const [left, right] = [at(x, 'left'), at(x, 'right')]
    const jumps = left !== null && right !== null && Math.abs(left - right) > small
    return jumps
      ? [
          { x, value: left },
          { x, value: right },
        ]
      : [{ x, value: left }]
  })
}
