import type { Dimension } from '../../quantity/dimension.js'
import {
  label,
  numberOr,
  oneOf,
  quantity,
  record,
  reference,
  text,
  type Form,
  type RecordOf,
} from '../../document/form.js'
import type { Measure } from '../../document/measure.js'
import type { Cut, Mirror } from '../loads/kind.js'

/** A component of a displacement, a reaction or a load at a joint. */
export type Component = 'x' | 'y' | 'rotation'

/** A value of a member that depends on the place along it. */
export type AlongMember = 'axial' | 'shear' | 'moment' | 'deflection'

/** An unknown of the structure: the row or column of its stiffness matrix. */
export interface UnknownPlace {
  node: string
  component: Component
}

/**
 * A computed value for an answer, SI; `candidates` are the values on both sides of a jump where no side was
 * named, `placeMatches` whether an extreme occurs at the place that is stated of it.
 */
export type Computed =
  { ok: true; value: number; candidates?: number[]; placeMatches?: boolean } | { ok: false; reason: string }

export const none = (reason: string): Computed => ({ ok: false, reason })
export const found = (value: number): Computed => ({ ok: true, value })

/** The results that the value of an answer is read from: those of one case, SI. */
export interface ResultsOfCase {
  reaction(node: string, axes: 'own' | 'global', component: Component): Computed
  displacement(node: string, component: Component): Computed
  /** At a place of a member, or of a bar at any place. */
  along(
    of: AlongMember,
    member: string,
    at: number | string | undefined,
    side: 'left' | 'right' | undefined,
  ): Computed
  /** The largest or the least value in a member, or in all of them. */
  extreme(
    of: AlongMember,
    which: 'max' | 'min',
    member: string | undefined,
    at: number | string | undefined,
  ): Computed
  /** An entry of a member's stiffness matrix, row and column from 1. */
  memberStiffness(member: string, axes: 'member' | 'global', row: number, column: number): Computed
  structureStiffness(row: UnknownPlace, column: UnknownPlace): Computed
  fixedEnd(member: string, end: 'start' | 'end', component: Component): Computed
  loadVector(node: string, component: Component): Computed
  loadFactor(): Computed
}

/** The step of the stiffness method in which a hand value is found, by its key. */
export type SolutionStep =
  'stiffness' | 'assembly' | 'loads' | 'solution' | 'reactions' | 'end-forces' | 'diagrams'

/** A member whose start and end change places; `L` is its length in the problem's unit. */
export interface Reversal {
  m: Measure
  L: number
  /** True where the problem states end moments and end shears as forces on the member. */
  endForces: boolean
}

/**
 * Everything Viga knows about one quantity that an answer may have. A new one is a file with one of these and
 * a line in `index.ts`. A place is an answer without its label and its value.
 */
export interface AnswerKind<A> {
  /** The quantity in a list to choose from. */
  title: string
  /** The form of its entry in a document: keys, dimensions, references. */
  form: Form<A>
  /** The dimension of the value; some of its keys may be missing or wrong in what is being read. */
  dimension(place: Loose): Dimension
  /** The name of the value on a hand solution: "A y", "M of AB at 100%". */
  name(place: A): string
  /** The step of the stiffness method that finds it; `atEnd`: its place is an end of its member. */
  step(place: A, atEnd: boolean): SolutionStep
  /** The value in the results. */
  value(place: A, results: ResultsOfCase): Computed
  /** The answer after the start and the end of its member have changed places. */
  reversed(answer: A, reversal: Reversal): A
  /** The answer of the structure's mirror image, in which a member keeps its start. */
  mirrored(answer: A, mirror: Mirror): A
  /**
   * The answer after its member has been split; undefined where the halves have no place for it. `ends` are
   * the joints at the ends of the whole member. An answer of no member is asked, too.
   */
  split(answer: A, cut: Cut, ends: readonly string[]): A | undefined
}

/** The keys of an answer as they stand in a document before anything is known of them. */
export interface Loose {
  component?: unknown
  of?: unknown
  row?: unknown
  column?: unknown
}

export const component = oneOf('x', 'y', 'rotation')

/** The components that a mirror reverses; the third is always the rotation. */
const REVERSED: Record<Mirror, readonly Component[]> = {
  vertical: ['x', 'rotation'],
  horizontal: ['y', 'rotation'],
}
export const isReversedBy = (mirror: Mirror, c: Component): boolean => REVERSED[mirror].includes(c)

/** The letters behind a name that tell a component; the rotation has none. */
export const SUFFIX: Record<Component, string> = { x: ' x', y: ' y', rotation: '' }

/** The keys that an answer of any quantity has; the value is of the dimension of its quantity. */
const common = (dimension: (place: Loose) => Dimension) => ({
  'id!': label,
  'value!': quantity(dimension),
  /** A percentage, an absolute quantity, or "digits": half a unit of the last digit given. */
  tolerance: quantity(dimension, { percent: true }),
  case: reference(['case', 'combination']),
  note: text(),
})

/** The form of an answer of one quantity, by the keys that say where it belongs. */
export const answerRecord = <const Q extends string, K extends Record<string, Form>>(
  name: Q,
  dimension: (place: Loose) => Dimension,
  keys: K,
): Form<RecordOf<{ 'quantity!': Form<Q> } & ReturnType<typeof common> & K>> =>
  record({ 'quantity!': oneOf(name), ...common(dimension), ...keys })

/** The row or column of a stiffness matrix: an unknown of the structure, or a number of a member's own. */
export const matrixPlace = numberOr(
  oneOf(1, 2, 3, 4, 5, 6),
  record({ 'node!': reference('node'), 'component!': component }),
)
