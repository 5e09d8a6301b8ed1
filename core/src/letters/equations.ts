import { BENDING, bendingTerms } from '../analysis/element.js'
import { COMPONENTS, type Dofs } from '../analysis/dofs.js'
import type { Structure } from '../structure/types.js'
import { addTo, type Equation } from './elimination.js'
import type { ExactMember, ExactStructure } from './exact-structure.js'
import { isZero, NOTHING, UNITY, type Field, type Quotient } from './field.js'
import type { ExactCourse } from './exact-course.js'

/**
 * The equations of a structure with exact numbers. Unknowns are the free displacements of the joints, the own
 * displacements of released member ends, and of each member its axial force over its length, which is why a
 * member that keeps its length needs nothing of its own.
 */
export interface ExactSystem {
  field: Field
  dofs: Dofs
  exact: ExactStructure
  /** The six end displacements of each member, made of unknowns. */
  ends: EndMotion[][]
  /** The unknown that is a member's axial force at its start, over its length. */
  axial: number[]
  /** 4 × 4 bending stiffness by row and column of the six; empty for a bar. */
  bending: Map<number, Quotient>[]
  unknowns: number
}

/** An end displacement in member axes: an unknown of its own, or the joint's displacements with factors. */
export interface EndMotion {
  /** The unknown that it is by itself, at a released end. */
  own?: number
  /** The joint's displacement along it: degrees of freedom with their factors. */
  joint: { dof: number; factor: Quotient }[]
  /** The stiffness of a spring between the two. */
  spring?: Quotient
}

/** One right-hand side: displacements that are prescribed, loads of joints, courses of members. */
export interface Acting {
  prescribed: ReadonlyMap<number, Quotient>
  /** Forces on joints by degree of freedom. */
  nodal: readonly Quotient[]
  /** The end of each member, held at its start, under its own loads. */
  freeEnds: ReadonlyMap<number, ExactCourse>
}

export function systemOf(field: Field, s: Structure, dofs: Dofs, exact: ExactStructure): ExactSystem {
  let unknowns = dofs.free
  const ends = exact.members.map((m, i) => {
    const loose = s.members[i].releases[0] === true && s.members[i].releases[3] === true
    return Array.from({ length: 6 }, (_, j): EndMotion => {
      const joint = jointMotion(field, exact, dofs, m, j)
      const release = m.releases[j]
      if (release === false || (loose && j === 0) || (m.bar && j % 3 !== 0)) return { joint }
      const own = unknowns++
      return typeof release === 'boolean' ? { own, joint } : { own, joint, spring: release }
    })
  })
  const axial = exact.members.map(() => unknowns++)
  const bending = exact.members.map((m) => (m.bar ? new Map<number, Quotient>() : bendingOf(field, m)))
  return { field, dofs, exact, ends, axial, bending, unknowns }
}

function bendingOf(field: Field, m: ExactMember): Map<number, Quotient> {
  const terms = bendingTerms<Quotient>(field, m)
  const out = new Map<number, Quotient>()
  for (const [i, j, term, sign] of BENDING) {
    const value = sign > 0 ? terms[term] : field.negate(terms[term])
    out.set(6 * i + j, value).set(6 * j + i, value)
  }
  return out
}

/** The displacement of a joint along one of the six directions of a member, in the joint's own axes. */
function jointMotion(field: Field, exact: ExactStructure, { of }: Dofs, m: ExactMember, j: number) {
  const node = j < 3 ? m.start : m.end
  const support = exact.supports.find((p) => p.node === node)
  const [c, s] = [support?.cos ?? UNITY, support?.sin ?? NOTHING]
  const along = field.add(field.multiply(m.cos, c), field.multiply(m.sin, s))
  const across = field.subtract(field.multiply(m.sin, c), field.multiply(m.cos, s))
  const factors = [
    [along, across, NOTHING],
    [field.negate(across), along, NOTHING],
    [NOTHING, NOTHING, UNITY],
  ][j % 3]
  return factors.flatMap((factor, k) => {
    const dof = of[3 * node + k]
    return isZero(factor) || dof < 0 ? [] : [{ dof, factor }]
  })
}

/**
 * The equations, each load of `acting` on a right-hand side of its own: one for each free displacement, each
 * released end and each member's length.
 */
export function equationsOf(system: ExactSystem, acting: readonly Acting[]): Equation[] {
  const { field, dofs, exact } = system
  const rows = Array.from({ length: system.unknowns }, (): Equation => ({
    left: new Map(),
    right: new Map(),
  }))
  exact.members.forEach((_, i) => addMember(system, rows, i, acting))
  for (const p of exact.supports)
    COMPONENTS.forEach((c, k) => {
      const hold = p.hold[c]
      const dof = dofs.of[3 * p.node + k]
      if (typeof hold !== 'boolean' && dof >= 0 && dof < dofs.free) addTo(field, rows[dof].left, dof, hold)
    })
  acting.forEach(({ nodal }, k) => {
    for (let d = 0; d < dofs.free; d++) addTo(field, rows[d].right, k, nodal[d])
  })
  return rows
}

function addMember(system: ExactSystem, rows: Equation[], i: number, acting: readonly Acting[]): void {
  const { field, ends } = system
  const m = system.exact.members[i]
  for (let j = 0; j < 6; j++) {
    const force = endForce(system, i, j, acting)
    const { own, joint, spring } = ends[i][j]
    if (own === undefined) {
      for (const { dof, factor } of joint) if (dof < system.dofs.free) addRow(field, rows[dof], force, factor)
      continue
    }
    addRow(field, rows[own], force, UNITY)
    if (!spring) continue
    for (const { dof, factor } of joint) if (dof < system.dofs.free) addRow(field, rows[dof], force, factor)
    addTo(field, rows[own].left, own, spring)
    addMotion(system, rows[own], joint, field.negate(spring), acting)
  }
  const row = rows[system.axial[i]]
  const stretch = ends[i]
  for (const [end, sign] of [
    [3, m.length],
    [0, field.negate(m.length)],
  ] as const) {
    const { own, joint } = stretch[end]
    if (own !== undefined) addTo(field, row.left, own, sign)
    else addMotion(system, row, joint, sign, acting)
  }
  const square = field.multiply(m.length, m.length)
  addTo(
    field,
    row.left,
    system.axial[i],
    field.negate(field.multiply(field.multiply(square, m.length), m.perEA)),
  )
  acting.forEach(({ freeEnds }, k) => {
    const end = freeEnds.get(i)
    if (end) addTo(field, row.right, k, field.multiply(m.length, end.end.u))
  })
}

/** Adds the motion of a joint times a factor to an equation; what is prescribed goes to the other side. */
function addMotion(
  { field, dofs }: ExactSystem,
  row: Equation,
  joint: EndMotion['joint'],
  times: Quotient,
  acting: readonly Acting[],
): void {
  for (const { dof, factor } of joint) {
    const by = field.multiply(factor, times)
    if (dof < dofs.free) addTo(field, row.left, dof, by)
    else
      acting.forEach(({ prescribed }, k) => {
        const d = prescribed.get(dof)
        if (d) addTo(field, row.right, k, field.negate(field.multiply(by, d)))
      })
  }
}

/** One of the six end forces of a member as an equation in the unknowns. */
function endForce(system: ExactSystem, i: number, j: number, acting: readonly Acting[]): Equation {
  const { field, ends, axial, bending } = system
  const m = system.exact.members[i]
  const out: Equation = { left: new Map(), right: new Map() }
  if (j % 3 === 0) addTo(field, out.left, axial[i], j === 0 ? field.negate(m.length) : m.length)
  else
    for (let k = 0; k < 6; k++) {
      const stiffness = bending[i].get(6 * j + k)
      if (!stiffness) continue
      const { own, joint } = ends[i][k]
      if (own !== undefined) addTo(field, out.left, own, stiffness)
      else addMotion(system, out, joint, stiffness, acting)
    }
  acting.forEach(({ freeEnds }, k) => {
    const free = freeEnds.get(i)
    if (free) addTo(field, out.right, k, field.negate(heldForce(system, i, j, free)))
  })
  return out
}

/** An end force while both ends are held: the displaced free end is moved back. */
export function heldForce(
  { field, bending }: ExactSystem,
  i: number,
  j: number,
  free: ExactCourse,
): Quotient {
  const { N, V, M, v, slope } = free.end
  if (j === 0) return NOTHING
  if (j === 3) return N
  const at = (k: number, by: Quotient) => field.multiply(bending[i].get(6 * j + k) ?? NOTHING, by)
  const back = field.negate(field.add(at(4, v), at(5, slope)))
  if (j === 4) return field.subtract(back, V)
  return j === 5 ? field.add(back, M) : back
}

function addRow(field: Field, row: Equation, by: Equation, times: Quotient): void {
  for (const [at, value] of by.left) addTo(field, row.left, at, field.multiply(value, times))
  for (const [at, value] of by.right) addTo(field, row.right, at, field.multiply(value, times))
}
