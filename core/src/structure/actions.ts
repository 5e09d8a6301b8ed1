/**
 * The actions on one member between its ends, in member axes (x along, y 90° counter-clockwise), SI. Every
 * load type of the document ends up as some of these four.
 */
export interface MemberActions {
  spans: Span[]
  points: PointAction[]
  /** Free strains over the whole member: axial (temperature, too long) and curvature (uneven temperature). */
  axialStrain: number
  curvature: number
  jumps: Jump[]
}

/** Linear intensities from a to b: p along x, q along y (N/m), c counter-clockwise couples (N·m/m). */
export interface Span {
  a: number
  b: number
  p: [number, number]
  q: [number, number]
  c: [number, number]
}

export interface PointAction {
  x: number
  fx: number
  fy: number
  m: number
}

/** A misfit at a place: a jump in member-y displacement and in slope. */
export interface Jump {
  x: number
  slip: number
  kink: number
}

/** All actions of one load case or combination. */
export interface Actions {
  /** Global fx, fy, m of each node, N and N·m. */
  nodal: Float64Array
  members: Map<number, MemberActions>
  /** Factor of each support's settlement, by support index. */
  settlement: Float64Array
}

/** The actions of one case while loads are added to it. */
export interface ActionsOfCase {
  /** Global fx, fy, m of each node. */
  nodal: Float64Array
  /** The actions on one member, made when first asked for. */
  on(member: number): MemberActions
}

export const noActions = (): MemberActions => ({
  spans: [],
  points: [],
  axialStrain: 0,
  curvature: 0,
  jumps: [],
})
