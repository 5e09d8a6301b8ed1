import { NUMBERS, type Arithmetic } from '../quantity/arithmetic.js'

/**
 * The actions on one member between its ends, in member axes (x along, y 90° counter-clockwise), SI. Every
 * load type of the document ends up as some of these four.
 */
export interface MemberActions<N = number> {
  spans: Span<N>[]
  points: PointAction<N>[]
  /** Free strains over the whole member: axial (temperature, too long) and curvature (uneven temperature). */
  axialStrain: N
  curvature: N
  jumps: Jump<N>[]
}

/** Linear intensities from a to b: p along x, q along y (N/m), c counter-clockwise couples (N·m/m). */
export interface Span<N = number> {
  a: N
  b: N
  p: [N, N]
  q: [N, N]
  c: [N, N]
}

export interface PointAction<N = number> {
  x: N
  fx: N
  fy: N
  m: N
}

/** A misfit at a place: a jump in member-y displacement and in slope. */
export interface Jump<N = number> {
  x: N
  slip: N
  kink: N
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
export interface ActionsOfCase<N = number> {
  /** Global fx, fy, m of each node. */
  nodal: { [at: number]: N }
  /** The actions on one member, made when first asked for. */
  on(member: number): MemberActions<N>
}

export const noActions = (): MemberActions => noActionsIn(NUMBERS)

export const noActionsIn = <N>(by: Arithmetic<N>): MemberActions<N> => ({
  spans: [],
  points: [],
  axialStrain: by.of(0),
  curvature: by.of(0),
  jumps: [],
})
