/** The problem document as a person stated it: texts as typed, nothing computed. See docs/format.md. */

/** A number in coherent units, or an expression such as "12*26 in". */
export type Quantity = number | string

export type Kind = 'frame' | 'truss'

export interface Units {
  length: string
  force: string
  display?: Record<string, string>
}

export interface Material {
  id: string
  E: Quantity
  unitWeight?: Quantity
  alpha?: Quantity
  yield?: Quantity
  G?: Quantity
  nu?: Quantity
}

export type ShapeType = 'rectangle' | 'circle' | 'tube' | 'box' | 'I' | 'T' | 'channel' | 'angle'
export type Shape = { type: ShapeType } & Record<string, Quantity>

export interface Section {
  id: string
  A?: Quantity
  I?: Quantity
  depth?: Quantity
  shearArea?: Quantity
  yTop?: Quantity
  yBottom?: Quantity
  shape?: Shape
  catalogue?: string
}

export interface Node {
  id: string
  x: Quantity
  y: Quantity
}

export type Release = true | Quantity
export type EndReleases = { N?: Release; V?: Release; M?: Release }

export interface Member {
  id: string
  start: string
  end: string
  material?: string
  section?: string
  releases?: { start?: EndReleases; end?: EndReleases }
  axiallyRigid?: boolean
  type?: 'frame' | 'bar'
  shearDeformation?: boolean
}

export type SupportType = 'fixed' | 'pin' | 'roller' | 'guide' | 'slider'
/** "fixed", "free" or a spring stiffness. */
export type Restraint = Quantity

export interface Support {
  node: string
  type?: SupportType
  restrain?: { x?: Restraint; y?: Restraint; rotation?: Restraint }
  angle?: Quantity
  settlement?: { x?: Quantity; y?: Quantity; rotation?: Quantity }
  settlementCase?: string
}

export interface NodalLoad {
  type: 'nodal'
  node: string
  fx?: Quantity
  fy?: Quantity
  m?: Quantity
}

export interface PointLoad {
  type: 'point'
  member: string
  at: Quantity
  fx?: Quantity
  fy?: Quantity
  m?: Quantity
  axes?: 'global' | 'member'
}

export interface LoadPoint {
  at: Quantity
  q: Quantity
}

export interface DistributedLoad {
  type: 'distributed'
  member: string
  direction: 'X' | 'Y' | 'x' | 'y'
  per?: 'length' | 'projection'
  points?: LoadPoint[]
  q?: Quantity
}

export interface CoupleLoad {
  type: 'couple'
  member: string
  points?: LoadPoint[]
  q?: Quantity
}

export interface TemperatureLoad {
  type: 'temperature'
  member: string
  uniform?: Quantity
  gradient?: Quantity
}

export interface MisfitLoad {
  type: 'misfit'
  member: string
  elongation?: Quantity
  at?: Quantity
  slip?: Quantity
  kink?: Quantity
}

export type Load = NodalLoad | PointLoad | DistributedLoad | CoupleLoad | TemperatureLoad | MisfitLoad

export type Category = 'dead' | 'live' | 'roof-live' | 'snow' | 'wind' | 'seismic' | 'temperature' | 'other'

export interface LoadCase {
  id: string
  title?: string
  category?: Category
  selfWeight?: number
  loads: Load[]
}

export interface Combination {
  id: string
  title?: string
  factors: Record<string, number>
  purpose?: 'strength' | 'service'
}

export type Component = 'x' | 'y' | 'rotation'
export type AnswerQuantity =
  | 'reaction'
  | 'displacement'
  | 'axial'
  | 'shear'
  | 'moment'
  | 'deflection'
  | 'maximum'
  | 'minimum'
  | 'stiffness'
  | 'load-factor'
export interface StiffnessPlace {
  node: string
  component: Component
}

export interface Answer {
  id: string
  quantity: AnswerQuantity
  value: Quantity
  tolerance?: Quantity
  case?: string
  note?: string
  node?: string
  component?: Component
  axes?: 'own' | 'global' | 'member'
  member?: string
  at?: Quantity
  side?: 'left' | 'right'
  sense?: 'tension' | 'compression'
  of?: 'axial' | 'shear' | 'moment' | 'deflection'
  row?: StiffnessPlace | number
  column?: StiffnessPlace | number
}

export interface Problem {
  format: 'viga-problem'
  version: 1
  title: string
  statement?: string
  source?: string
  notes?: string
  units: Units
  kind: Kind
  symbols?: Record<string, Quantity>
  materials?: Material[]
  sections?: Section[]
  nodes: Node[]
  members: Member[]
  supports?: Support[]
  loadCases?: LoadCase[]
  combinations?: Combination[]
  analysis?: { order?: 1 | 2; neglectAxial?: boolean }
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
