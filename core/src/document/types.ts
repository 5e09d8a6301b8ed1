import type {
  Answer,
  AnswerKeys,
  AnswerQuantity,
  Asked,
  Component,
  NewAnswer,
  UnknownPlace,
} from '../kinds/answers/index.js'
import type { Load } from '../kinds/loads/index.js'
import type { TypeOf } from './form.js'
import type {
  caseForm,
  combinationForm,
  document,
  materialForm,
  memberForm,
  nodeForm,
  unitsForm,
} from './schema.js'
import type { sectionForm } from '../kinds/sections/form.js'
import type { supportForm } from '../kinds/supports/form.js'

/**
 * The problem document as a person stated it: texts as typed, nothing computed. See docs/format.md. The types
 * follow from the schema.
 */

export type { Answer, AnswerKeys, AnswerQuantity, Asked, Component, Load, NewAnswer }
export type {
  CoupleLoad,
  DistributedLoad,
  LoadPoint,
  MisfitLoad,
  NodalLoad,
  PointLoad,
  TemperatureLoad,
} from '../kinds/loads/index.js'
export type { Shape, ShapeType } from '../kinds/sections/form.js'
export type { SupportType } from '../kinds/supports/types.js'

/** A number in coherent units, or an expression such as "12*26 in". */
export type Quantity = number | string

export type Kind = 'frame' | 'truss'
export type Units = TypeOf<typeof unitsForm>
export type Material = TypeOf<typeof materialForm>
export type Section = TypeOf<typeof sectionForm>
export type Node = TypeOf<typeof nodeForm>
export type Member = TypeOf<typeof memberForm>
export type EndReleases = NonNullable<NonNullable<Member['releases']>['start']>
export type Release = NonNullable<EndReleases['M']>
export type Support = TypeOf<typeof supportForm>
/** "fixed", "free" or a spring stiffness. */
export type Restraint = Quantity
export type LoadCase = Omit<TypeOf<typeof caseForm>, 'loads'> & { loads: Load[] }
export type Category = NonNullable<LoadCase['category']>
export type Combination = TypeOf<typeof combinationForm>

export type StiffnessPlace = UnknownPlace

export type Problem = Omit<TypeOf<typeof document>, 'view' | 'answers' | 'loadCases'> & {
  loadCases?: LoadCase[]
  answers?: Answer[]
  view?: Record<string, unknown>
}

/** A place in a problem that breaks the contract, with a sentence that says what was expected. */
export interface ProblemError {
  kind: 'invalid'
  path: string
  message: string
}

/** Something worth knowing that stops nothing. */
export interface Notice {
  path?: string
  message: string
}
