import type { Answer } from '../../kinds/answers/form.js'
import { fromOtherEnd, placeOnHalf, type Cut, type Mirror } from '../../kinds/loads/kind.js'
import { scaled, type Measure } from '../measure.js'
import { signsOf } from '../signs.js'
import type { Problem, Quantity, StiffnessPlace } from '../types.js'

/** Hand values follow an edit that leaves the structure what it was, or makes it its mirror image. */

const negative = (a: Answer): Answer => ({ ...a, value: scaled(a.value, -1) })

/** An extreme of a quantity whose sign is reversed: the largest value becomes the least one. */
const extremeReversed = (a: Answer): Answer =>
  a.quantity === 'maximum' || a.quantity === 'minimum'
    ? { ...a, quantity: a.quantity === 'maximum' ? 'minimum' : 'maximum' }
    : a

/**
 * True for an end moment or end shear that a problem states as a force on the member. The direction of such a
 * force does not depend on which end is the start, so its value keeps its sign where the member is reversed.
 */
function isEndForce(p: Pick<Problem, 'view'>, a: Answer, m: Measure, L: number): boolean {
  if ((a.quantity !== 'moment' && a.quantity !== 'shear') || signsOf(p).ends !== 'member') return false
  const x = a.at === undefined ? NaN : m.along(a.at, L)
  return x <= 1e-6 * L || x >= (1 - 1e-6) * L
}

/**
 * The hand value after the start and the end of its member have changed places, which turns the axes of the
 * member by half a circle: moments and deflections change sign, axial and shear forces keep theirs.
 * @param L length of the member in the problem's unit
 */
export function reversedAnswer(p: Pick<Problem, 'view'>, a: Answer, m: Measure, L: number): Answer {
  const out = { ...a }
  if (a.at !== undefined) out.at = fromOtherEnd(a.at, m, L)
  if (a.side) out.side = a.side === 'left' ? 'right' : 'left'
  if (a.quantity === 'fixed-end') {
    out.end = a.end === 'end' ? 'start' : 'end'
    // forces in member axes turn with the axes, a moment does not
    return a.component === 'rotation' ? out : negative(out)
  }
  if (a.quantity === 'stiffness') return { ...out, ...reversedEntry(a) }
  // a moment on the member stays counter-clockwise, a shear along y changes sign with y
  if (isEndForce(p, a, m, L)) return a.quantity === 'moment' ? out : negative(out)
  const of = a.of ?? a.quantity
  return of === 'moment' || of === 'deflection' ? extremeReversed(negative(out)) : out
}

/** An entry of the member's own matrix: start and end change places; in member axes u and v turn, too. */
function reversedEntry(a: Answer): Partial<Answer> {
  const { row, column } = a
  if (typeof row !== 'number' || typeof column !== 'number') return {}
  const other = (i: number) => (((i + 2) % 6) + 1) as typeof row
  const turns = a.axes === 'member' && (row % 3 === 0) !== (column % 3 === 0)
  return { row: other(row), column: other(column), ...(turns ? { value: scaled(a.value, -1) } : {}) }
}

/**
 * The hand values after a member has been split. One of the member as a whole, or of the unknowns that its
 * ends had before, has no place in the new structure and is left out: its stiffness, its fixed-end forces,
 * deflections from its chord, its extremes without a place, entries of K and P at its ends.
 * @param ends the joints at the ends of the whole member
 */
export const splitAnswers = (
  answers: readonly Answer[],
  member: string,
  ends: readonly string[],
  cut: Cut,
): Answer[] =>
  answers.flatMap((a) => {
    if (a.quantity === 'load-vector') return ends.includes(a.node!) ? [] : [a]
    if (a.quantity === 'stiffness' && a.member === undefined)
      return [a.row, a.column].every((r) => ends.includes((r as StiffnessPlace).node)) ? [] : [a]
    return a.member === member ? onHalf(a, cut) : [a]
  })

function onHalf(a: Answer, cut: Cut): Answer[] {
  const extreme = a.quantity === 'maximum' || a.quantity === 'minimum'
  if (a.quantity === 'stiffness' || a.quantity === 'fixed-end' || (a.of ?? a.quantity) === 'deflection')
    return []
  if (a.at === undefined) return extreme ? [] : [{ ...a, member: cut.first }]
  const place = placeOnHalf(cut, a.at)
  const isCut = place.member === cut.first && Math.abs(cut.m.along(a.at, cut.L) - cut.cut) <= 1e-9 * cut.L
  // just after the cut is the start of the second half
  const there: { member: string; at: Quantity } =
    isCut && a.side === 'right' ? { member: cut.second, at: 0 } : isCut ? { ...place, at: '100%' } : place
  return [{ ...a, ...there }]
}

/** The unknowns whose sign a mirror reverses; the third is always the rotation. */
const REVERSED: Record<Mirror, readonly string[]> = {
  vertical: ['x', 'rotation'],
  horizontal: ['y', 'rotation'],
}

/** The component of an entry of a member's matrix, 1 to 6, in global axes. */
const componentOf = (i: number) => (['x', 'y', 'rotation'] as const)[(i - 1) % 3]

/**
 * The hand value of a structure's mirror image. A mirrored member keeps its start, so its y axis lies on the
 * other side: shears, moments and deflections change sign, axial forces keep theirs.
 */
export function mirroredAnswer(a: Answer, mirror: Mirror): Answer {
  const turns = (c: unknown) => REVERSED[mirror].includes(c as string)
  switch (a.quantity) {
    // the image of a support at the angle α stands at −α: its own components turn as the global ones do
    case 'reaction':
    case 'displacement':
    case 'load-vector':
      return turns(a.component) ? negative(a) : a
    case 'fixed-end':
      return a.component === 'x' ? a : negative(a)
    case 'stiffness': {
      // in the member's own axes v and rotation change sign together, and neither is coupled with u
      if (a.axes === 'member') return a
      const [row, column] = [a.row, a.column].map((r) =>
        turns(typeof r === 'number' ? componentOf(r) : (r as StiffnessPlace).component),
      )
      return row === column ? a : negative(a)
    }
    case 'axial':
    case 'load-factor':
      return a
    default:
      return a.of === 'axial' ? a : extremeReversed(negative(a))
  }
}
