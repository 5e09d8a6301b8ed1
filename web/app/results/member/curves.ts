import {
  courseOf,
  signFactors,
  stations,
  type ActionSolution,
  type Display,
  type Signs,
  type Solution,
} from '@viga/core'

export type CurveKey = 'N' | 'V' | 'M' | 'v' | 'relative'

/** One quantity along a member, in shown units and the chosen signs. */
export interface Curve {
  key: CurveKey
  name: string
  unit: string
  /** Positive values stand below the axis: sagging moments on the side in tension. */
  hangs: boolean
  /** Places and values; a jump is two points of the same place. */
  points: [x: number, value: number][]
}

/** Evenly spaced places of a curve besides all breaks: smooth to the eye on a page. */
const PLACES = 61
/** Below this part of the largest value of its kind a value is rounding error. */
const ROUNDING = 1e-9

const NAMES: Record<CurveKey, string> = {
  N: 'Axial force',
  V: 'Shear',
  M: 'Bending moment',
  v: 'Displacement across the member',
  relative: 'Deflection from the chord',
}

export const shownUnit = (display: Display, key: CurveKey) =>
  key === 'M' ? display.moment : key === 'N' || key === 'V' ? display.force : display.displacement

/** The quantities of a member that are drawn under each other; a bar has its axial force alone. */
export const curveKeys = (bar: boolean): CurveKey[] => (bar ? ['N'] : ['N', 'V', 'M', 'v', 'relative'])

/** The curves of a member under each other on one x. */
export function curvesOf(
  solution: Solution,
  action: ActionSolution,
  member: number,
  display: Display,
  signs: Signs,
): Curve[] {
  const m = solution.structure.members[member]
  const all = stations(courseOf(solution, action, member), PLACES)
  const sign = { ...signFactors(signs), v: 1, relative: 1 }
  return curveKeys(m.bar).map((key): Curve => {
    const { perSI, unit } = shownUnit(display, key)
    const most = Math.max(...all.map((t) => Math.abs(t[key])))
    const clean = (v: number) => (Math.abs(v) <= ROUNDING * most ? 0 : v)
    return {
      key,
      name: NAMES[key],
      unit,
      hangs: key === 'M' && (signs.momentSide === 'tension') === (signs.moment === 'sagging'),
      points: all.map((t) => [t.x * display.length.perSI, clean(t[key]) * sign[key] * perSI]),
    }
  })
}
