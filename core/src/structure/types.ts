import type { Category, Component, Kind } from '../document/types.js'

export type { Component }

/**
 * The document resolved to numbers, all in SI (m, N, rad, K). Nodes and members are known by index; labels go
 * along for messages.
 */
export interface Structure {
  kind: Kind
  nodes: StructureNode[]
  members: StructureMember[]
  supports: StructureSupport[]
  cases: StructureCase[]
  combinations: StructureCombination[]
  order: 1 | 2
}

export interface StructureNode {
  id: string
  x: number
  y: number
}

/** Release of one member-end component: false rigid, true free, or a spring stiffness (N/m, N·m/rad). */
export type EndRelease = boolean | number

export interface StructureMember {
  id: string
  start: number
  end: number
  length: number
  /** Direction cosines of member x in global axes. */
  cos: number
  sin: number
  /** Carries axial force alone. */
  bar: boolean
  /** Modulus of elasticity, Pa; area, m²; second moment, m⁴. NaN where the statement has none. */
  E: number
  A: number
  I: number
  /** Axial rigidity, N, and bending rigidity, N·m² (0 for a bar): E·A and E·I, or as stated. */
  EA: number
  EI: number
  /** Whether the section states the rigidity as such, and not by A or I. */
  stated: { EA: boolean; EI: boolean }
  /** Shear rigidity G·As in N; 0 when shear deformation is not asked for. */
  GAs: number
  alpha: number
  depth: number
  /**
   * Distances from the centroid to the top (+y) and bottom (−y) fibre, m, and shear area, m²; NaN if not
   * stated.
   */
  yTop: number
  yBottom: number
  shearArea: number
  /** Yield stress, Pa; NaN if not stated. */
  yieldStress: number
  /** Weight per length, N/m. */
  weight: number
  axiallyRigid: boolean
  /** Start N V M, end N V M. */
  releases: EndRelease[]
}

/** `true` fixed, `false` free, or a spring stiffness. */
export type Hold = boolean | number

export interface StructureSupport {
  node: number
  hold: Record<Component, Hold>
  /** Counter-clockwise turn of the support's own axes, rad. */
  angle: number
  settlement: Record<Component, number>
  settlementCase: number
}

/** Components of a force, N, and a moment, N·m; size and angle (rad) where it was stated by them. */
export interface StatedForce<N = number> {
  fx: N
  fy: N
  m: N
  polar?: { force: N; angle: N }
}

/** A load as numbers of one kind, by its type. */
export interface StatedLoads<N> {
  nodal: { type: 'nodal'; node: number } & StatedForce<N>
  point: { type: 'point'; member: number; at: N; axes: 'global' | 'member' } & StatedForce<N>
  distributed: {
    type: 'distributed'
    member: number
    direction: 'X' | 'Y' | 'x' | 'y'
    per: 'length' | 'projection'
    points: { at: N; q: N }[]
  }
  couple: { type: 'couple'; member: number; points: { at: N; q: N }[] }
  temperature: { type: 'temperature'; member: number; uniform: N; gradient: N }
  misfit: { type: 'misfit'; member: number; elongation: N; at: N; slip: N; kink: N }
}

export type StatedLoad<N = number> = StatedLoads<N>[keyof StatedLoads<N>]

/** What a load needs of its member. */
export type LoadedMember<N> = Record<'length' | 'cos' | 'sin' | 'alpha' | 'depth', N>

export interface StructureCase {
  id: string
  title: string
  category: Category
  selfWeight: number
  loads: StatedLoad[]
}

export interface StructureCombination {
  id: string
  title: string
  /** Factor of each case, by case index. */
  factors: number[]
}

/** What keeps a structure from being solved, in words a student understands. */
export interface SolveError {
  kind: 'mechanism' | 'missing' | 'unsupported' | 'indeterminate' | 'buckled' | 'diverged'
  message: string
  path?: string
  nodes?: string[]
  members?: string[]
}
