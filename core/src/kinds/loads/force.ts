import * as D from '../../quantity/dimension.js'
import { scaled, tidy } from '../../document/measure.js'
import { quantity } from '../../document/form.js'
import { join } from '../../document/report.js'
import type { Quantity } from '../../document/types.js'
import { optional, value, type Reading } from '../../document/values.js'
import type { ProblemUnits } from '../../quantity/units.js'
import type { Mirror } from './kind.js'
import { amountInWords } from './words.js'

/**
 * A force by its components, or by its size and direction, and a moment: what stands at a joint or a place.
 */
export const forceKeys = {
  fx: quantity(D.force),
  fy: quantity(D.force),
  m: quantity(D.moment),
  force: quantity(D.force),
  angle: quantity(D.angle),
}

export interface StatedForce {
  fx?: Quantity
  fy?: Quantity
  m?: Quantity
  force?: Quantity
  angle?: Quantity
}

/** The components in SI; of a force stated by size and direction, its size and angle go along. */
export interface ForceValues {
  fx: number
  fy: number
  m: number
  polar?: { force: number; angle: number }
}

/** The cosine and sine of an angle (rad), exact at multiples of 90°, where rounding would leave 6e-17. */
export function cosSin(angle: number): [cos: number, sin: number] {
  const quarters = angle / (Math.PI / 2)
  const whole = Math.round(quarters)
  if (Math.abs(quarters - whole) > 1e-12 * Math.max(1, Math.abs(quarters)))
    return [Math.cos(angle), Math.sin(angle)]
  const k = ((whole % 4) + 4) % 4
  return [[1, 0, -1, 0][k], [0, 1, 0, -1][k]]
}

/** Reads a force in either way of stating it; a mixture of both is reported. */
export function forceValues(ctx: Reading, load: StatedForce, path: string): ForceValues {
  const m = optional(ctx, load.m, D.moment, join(path, 'm'), 0)
  const { report } = ctx
  if (load.force !== undefined || load.angle !== undefined) {
    const other = (['fx', 'fy'] as const).find((key) => load[key] !== undefined)
    if (other)
      report.error(
        join(path, other),
        'A force is stated by its components or by its size and angle, not by both.',
      )
    else if (load.force === undefined)
      report.error(join(path, 'force'), 'The angle belongs to a force: "force" is missing.')
    else if (load.angle === undefined)
      report.error(join(path, 'angle'), 'The force needs its direction: "angle" is missing.')
    else {
      const force = value(ctx, load.force, D.force, join(path, 'force'))
      const angle = value(ctx, load.angle, D.angle, join(path, 'angle'))
      const [cos, sin] = cosSin(angle)
      return { fx: force * cos, fy: force * sin, m, polar: { force, angle } }
    }
  }
  return {
    fx: optional(ctx, load.fx, D.force, join(path, 'fx'), 0),
    fy: optional(ctx, load.fy, D.force, join(path, 'fy'), 0),
    m,
  }
}

const isZero = (q: Quantity | undefined) => q === undefined || q === 0

/** Whether a force and its moment are absent or stated as 0. */
export const isIdleForce = (load: StatedForce): boolean =>
  isZero(load.fx) && isZero(load.fy) && isZero(load.m) && isZero(load.force)

const DEGREES = /^\s*([-−]?\d+\.?\d*)\s*(?:deg|°)\s*$/

/** `turn` (0 or 180) degrees plus or minus an angle, in its own words. */
function angleFrom(turn: 0 | 180, sign: 1 | -1, angle: Quantity): Quantity {
  if (typeof angle === 'number') return tidy((turn * Math.PI) / 180 + sign * angle)
  const degrees = DEGREES.exec(angle)
  if (degrees) {
    const turned = turn + sign * Number(degrees[1].replace('−', '-'))
    return `${tidy(turned > 180 ? turned - 360 : turned)} deg`
  }
  if (turn === 0) return sign === 1 ? angle : scaled(angle, -1)
  return `180 deg ${sign === 1 ? '+' : '-'} (${angle.trim()})`
}

/** The keys of `load` with their sign changed, and its angle as `turn` says. */
function turned<L extends StatedForce>(
  load: L,
  opposite: readonly ('fx' | 'fy' | 'm')[],
  angle: (a: Quantity) => Quantity,
): L {
  const out = { ...load }
  for (const key of opposite) if (out[key] !== undefined) out[key] = scaled(out[key], -1)
  if (out.angle !== undefined) out.angle = angle(out.angle)
  return out
}

/** The mirror image of a force; `own`: its axes are those of a member, whose y changes sides. */
export const mirroredForce = <L extends StatedForce>(load: L, mirror: Mirror, own = false): L =>
  own || mirror === 'horizontal'
    ? turned(load, ['fy', 'm'], (a) => angleFrom(0, -1, a))
    : turned(load, ['fx', 'm'], (a) => angleFrom(180, -1, a))

/** A force stated in the axes of a member whose start and end have changed places. */
export const reversedForce = <L extends StatedForce>(load: L): L =>
  turned(load, ['fx', 'fy'], (a) => angleFrom(180, 1, a))

/** "20 kN and 3 kN·m": the amounts of a force and its moment as one line. */
export function describeForce(load: StatedForce, units: ProblemUnits): string {
  const amount = (q: Quantity | undefined, d: D.Dimension) =>
    q === undefined || isZero(q) ? [] : [amountInWords(q, d, units)]
  const parts = [
    ...[load.force, load.fx, load.fy].flatMap((q) => amount(q, D.force)),
    ...amount(load.m, D.moment),
  ]
  return parts.join(' and ') || amountInWords(0, D.force, units)
}
