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
export interface StatedForce {
  fx: number
  fy: number
  m: number
  polar?: { force: number; angle: number }
}

export type StatedLoad =
  | ({ type: 'nodal'; node: number } & StatedForce)
  | ({ type: 'point'; member: number; at: number; axes: 'global' | 'member' } & StatedForce)
  | {
      type: 'distributed'
      member: number
      direction: 'X' | 'Y' | 'x' | 'y'
      per: 'length' | 'projection'
      points: { at: number; q: number }[]
    }
  | { type: 'couple'; member: number; points: { at: number; q: number }[] }
  | { type: 'temperature'; member: number; uniform: number; gradient: number }
  | { type: 'misfit'; member: number; elongation: number; at: number; slip: number; kink: number }

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
