import * as D from '../../quantity/dimension.js'
import { oneOf, reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { answerRecord, isReversedBy, matrixPlace, none, SUFFIX, type AnswerKind } from './kind.js'

type Place = TypeOf<typeof matrixPlace>

const COMPONENTS = ['x', 'y', 'rotation'] as const
/** The component of a row or column: of an unknown, or of an entry of a member's matrix in global axes. */
const componentOf = (p: Place) => (typeof p === 'number' ? COMPONENTS[(p - 1) % 3] : p.component)

const isRotation = (p: unknown): boolean =>
  typeof p === 'number' ? p % 3 === 0 : (p as { component?: unknown } | undefined)?.component === 'rotation'

const dimension: AnswerKind<unknown>['dimension'] = (a) => {
  const turns = [a.row, a.column].filter(isRotation).length
  return turns === 2 ? D.moment : turns === 1 ? D.force : D.forcePerLength
}
const form = answerRecord('stiffness', dimension, {
  member: reference('member'),
  axes: oneOf('member', 'global'),
  'row!': matrixPlace,
  'column!': matrixPlace,
})

const inWords = (p: Place) => (typeof p === 'number' ? p : `${p.node}${SUFFIX[p.component] || ' turn'}`)

/** Start and end change places; in member axes u and v turn, too. */
const other = (i: number) => (((i + 2) % 6) + 1) as Extract<Place, number>

/** An entry of a member's stiffness matrix, or of the structure's. */
export const stiffness: AnswerKind<TypeOf<typeof form>> = {
  title: 'stiffness entry',
  form,
  dimension,
  name: (a) =>
    `${a.member ? `k of ${a.member}` : 'K'} ${inWords(a.row)}, ${inWords(a.column)}` +
    (a.axes === 'member' ? ' in member axes' : ''),
  step: (a) => (a.member === undefined ? 'assembly' : 'stiffness'),
  value({ member, axes = 'global', row, column }, results) {
    if (member === undefined)
      return typeof row === 'number' || typeof column === 'number'
        ? none('This row or column is not among the degrees of freedom.')
        : results.structureStiffness(row, column)
    return typeof row === 'number' && typeof column === 'number'
      ? results.memberStiffness(member, axes, row, column)
      : none("Rows and columns of a member's matrix are numbers from 1 to 6.")
  },
  reversed(a) {
    const { row, column } = a
    if (typeof row !== 'number' || typeof column !== 'number') return a
    const turns = a.axes === 'member' && (row % 3 === 0) !== (column % 3 === 0)
    const value = turns ? scaled(a.value, -1) : a.value
    return { ...a, row: other(row), column: other(column), value }
  },
  mirrored(a, mirror) {
    // in the member's own axes v and rotation change sign together, and neither is coupled with u
    if (a.axes === 'member') return a
    const [row, column] = [a.row, a.column].map((p) => isReversedBy(mirror, componentOf(p)))
    return row === column ? a : { ...a, value: scaled(a.value, -1) }
  },
  split(a, cut, ends) {
    if (a.member !== undefined) return a.member === cut.whole ? undefined : a
    const isAtEnds = [a.row, a.column].every((p) => typeof p !== 'number' && ends.includes(p.node))
    return isAtEnds ? undefined : a
  },
}
