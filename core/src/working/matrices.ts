import * as D from '../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../quantity/units.js'
import { springs, wholeStiffness } from '../analysis/assemble.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Component } from '../problem/types.js'

/**
 * The written solution as data: matrices and vectors of the solve itself, in the problem's coherent units, each number
 * with an address and the sum it came from. Nothing here is computed by another road than the solver's.
 */

/** A row or column: which degree of freedom, its number in the book's sense (1, 2, …), and whether it is free. */
export interface Unknown {
  index: number
  number: number
  node: string
  component: Component
  free: boolean
}

export interface Entries {
  rows: (Unknown | null)[]
  columns: (Unknown | null)[]
  values: number[][]
}

export const unknowns = ({ dofs, structure, numbers }: Solution): Unknown[] =>
  dofs.list.map((d, index) => ({ index, number: numbers[index], node: structure.nodes[d.node].id, component: d.component, free: d.free }))

/** Coherent units per SI unit of a stiffness entry, by whether its row and its column turn. */
export function entryScale(units: ProblemUnits) {
  const stiffness = 1 / siPerCoherent(units, D.forcePerLength)
  const force = 1 / siPerCoherent(units, D.force)
  const moment = 1 / siPerCoherent(units, D.moment)
  return (rowTurns: boolean, columnTurns: boolean) => (rowTurns && columnTurns ? moment : rowTurns || columnTurns ? force : stiffness)
}

/** Coherent units per SI unit of a force or a moment, of a translation or a rotation. */
export function vectorScale(units: ProblemUnits) {
  const force = 1 / siPerCoherent(units, D.force)
  const moment = 1 / siPerCoherent(units, D.moment)
  const length = 1 / siPerCoherent(units, D.length)
  return { force: (turns: boolean) => (turns ? moment : force), displacement: (turns: boolean) => (turns ? 1 : length) }
}

/** Rows and columns a member's matrices are shown with: all six, or the four that are not nothing. */
export const shownRows = ({ bendingOnly }: Pick<Solution, 'bendingOnly'>, bar: boolean): number[] => (bar ? [0, 1, 3, 4] : bendingOnly ? [1, 2, 4, 5] : [0, 1, 2, 3, 4, 5])

export interface MemberWorking {
  id: string
  index: number
  bar: boolean
  start: string
  end: string
  /** In coherent units. */
  length: number
  EA: number
  EI: number
  cos: number
  sin: number
  released: boolean
  /** Rows shown, 0 to 5. */
  shown: number[]
  /** Stiffness in member axes as the nodes feel it, and that of the member before its ends were released. */
  k: Entries
  own: Entries | undefined
  T: Entries
  K: Entries
}

/** One member written out: properties, k in member axes, T, and its stiffness in the axes of its joints. */
export function memberWorking(solution: Solution, units: ProblemUnits, index: number): MemberWorking {
  const m = solution.structure.members[index]
  const e = solution.elements[index]
  const all = unknowns(solution)
  const shown = shownRows(solution, m.bar)
  const scale = entryScale(units)
  const labels = shown.map((i) => (e.dofs[i] < 0 ? null : all[e.dofs[i]]))
  const entries = (k: Float64Array, scaled = true): Entries => ({
    rows: labels,
    columns: labels,
    values: shown.map((i) => shown.map((j) => k[6 * i + j] * (scaled ? scale(i % 3 === 2, j % 3 === 2) : 1))),
  })
  const per = (d: D.Dimension) => 1 / siPerCoherent(units, d)
  return {
    id: m.id,
    index,
    bar: m.bar,
    start: solution.structure.nodes[m.start].id,
    end: solution.structure.nodes[m.end].id,
    length: m.length * per(D.length),
    EA: m.E * m.A * per(D.force),
    EI: m.E * m.I * per(D.multiply(D.stress, D.secondMoment)),
    cos: m.cos,
    sin: m.sin,
    released: e.k !== e.own,
    shown,
    k: entries(e.k),
    own: e.k !== e.own ? entries(e.own) : undefined,
    T: entries(e.T, false),
    K: entries(e.global),
  }
}

/** The unknowns in the order of their numbers; those that are left out have none. */
export const inOrder = (all: readonly Unknown[]): Unknown[] => all.filter((u) => u.number > 0).sort((a, b) => a.number - b.number)

/** Where free and held unknowns part, when all of the one kind come before all of the other. */
export function partingOf(all: readonly Unknown[]): number | undefined {
  const turns = all.flatMap((u, i) => (i > 0 && u.free !== all[i - 1].free ? [i] : []))
  return turns.length === 1 ? turns[0] : undefined
}

/**
 * The whole K, rows and columns in the order of their numbers; or what has been added up of it when so many members, in
 * their order, have been put in. Support springs come with the last.
 */
export function structureStiffness(solution: Solution, units: ProblemUnits, members = solution.elements.length): Entries {
  const all = inOrder(unknowns(solution))
  const scale = entryScale(units)
  const part = members < solution.elements.length
  const K = wholeStiffness(part ? { ...solution.dofs, supportAt: new Map() } : solution.dofs, part ? solution.elements.slice(0, members) : solution.elements)
  return { rows: all, columns: all, values: all.map((r) => all.map((c) => K[r.index][c.index] * scale(r.component === 'rotation', c.component === 'rotation'))) }
}

/** One member's or one spring's share of an entry of K. */
export interface Term {
  /** Member id, or undefined for a support spring. */
  member?: string
  /** Row and column of the member's own matrix as it is shown, from 1. */
  row: number
  column: number
  value: number
}

/** What an entry of K is the sum of. */
export function termsOf(solution: Solution, units: ProblemUnits, row: number, column: number): Term[] {
  const scale = entryScale(units)
  const turns = (i: number) => solution.dofs.list[i].component === 'rotation'
  const s = scale(turns(row), turns(column))
  const out: Term[] = []
  solution.elements.forEach((e, i) => {
    const r = e.dofs.indexOf(row)
    const c = e.dofs.indexOf(column)
    if (r >= 0 && c >= 0) out.push({ member: solution.structure.members[i].id, row: shownRows(solution, solution.structure.members[i].bar).indexOf(r) + 1, column: shownRows(solution, solution.structure.members[i].bar).indexOf(c) + 1, value: e.global[6 * r + c] * s })
  })
  if (row === column) for (const { dof, k } of springs(solution.dofs)) if (dof === row) out.push({ row: row + 1, column: row + 1, value: k * s })
  return out
}

export interface LoadLine {
  unknown: Unknown
  /** The load on the joint itself. */
  joint: number
  /** Less each member's fixed-end force at this degree of freedom. */
  members: { member: string; value: number }[]
  total: number
}

/** The right-hand side, line by line: joint loads less fixed-end forces. */
export function loadLines(solution: Solution, units: ProblemUnits, action: ActionSolution): LoadLine[] {
  const scale = vectorScale(units).force
  const { structure, elements } = solution
  return unknowns(solution).map((unknown) => {
    const turns = unknown.component === 'rotation'
    const members: LoadLine['members'] = []
    let fromMembers = 0
    for (const [i, f] of action.fixed) {
      const r = elements[i].dofs.indexOf(unknown.index)
      if (r < 0) continue
      let value = 0
      for (let j = 0; j < 6; j++) value += elements[i].T[6 * j + r] * f[j]
      fromMembers += value
      if (value !== 0) members.push({ member: structure.members[i].id, value: value * scale(turns) })
    }
    return { unknown, joint: (action.load[unknown.index] + fromMembers) * scale(turns), members, total: action.load[unknown.index] * scale(turns) }
  })
}

export interface FixedEnd {
  member: string
  /** Six fixed-end forces in member axes as the joints feel them, and turned to the joints' axes. */
  local: number[]
  global: number[]
  bar: boolean
}

export function fixedEnds(solution: Solution, units: ProblemUnits, action: ActionSolution): FixedEnd[] {
  const scale = vectorScale(units).force
  return [...action.fixed].map(([i, f]) => {
    const { T } = solution.elements[i]
    return {
      member: solution.structure.members[i].id,
      bar: solution.structure.members[i].bar,
      local: Array.from(f, (v, j) => v * scale(j % 3 === 2)),
      global: Array.from({ length: 6 }, (_, r) => {
        let v = 0
        for (let j = 0; j < 6; j++) v += T[6 * j + r] * f[j]
        return v * scale(r % 3 === 2)
      }),
    }
  })
}

/** Displacements of all degrees of freedom, in coherent units. */
export function displacements(solution: Solution, units: ProblemUnits, action: ActionSolution): { unknown: Unknown; value: number }[] {
  const scale = vectorScale(units).displacement
  return unknowns(solution).map((unknown) => ({ unknown, value: action.D[unknown.index] * scale(unknown.component === 'rotation') }))
}

export interface EndForces {
  member: string
  bar: boolean
  shown: number[]
  /** Joint displacements in member axes, k·d, fixed-end forces, and their sum. */
  d: number[]
  kd: number[]
  fixed: number[]
  q: number[]
}

/** Member end forces q = k·d + f, member axes, coherent units. */
export function endForces(solution: Solution, units: ProblemUnits, action: ActionSolution, index: number): EndForces {
  const { force, displacement } = vectorScale(units)
  const m = solution.structure.members[index]
  const e = solution.elements[index]
  const d = Array.from({ length: 6 }, (_, r) => {
    let v = 0
    for (let c = 0; c < 6; c++) if (e.dofs[c] >= 0) v += e.T[6 * r + c] * action.D[e.dofs[c]]
    return v
  })
  const f = action.fixed.get(index)
  const turns = (r: number) => r % 3 === 2
  return {
    member: m.id,
    bar: m.bar,
    shown: shownRows(solution, m.bar),
    d: d.map((v, r) => v * displacement(turns(r))),
    kd: d.map((_, r) => {
      let v = 0
      for (let c = 0; c < 6; c++) v += e.k[6 * r + c] * d[c]
      return v * force(turns(r))
    }),
    fixed: d.map((_, r) => (f ? f[r] * force(turns(r)) : 0)),
    q: d.map((_, r) => action.forces[6 * index + r] * force(turns(r))),
  }
}

export interface ReactionLine {
  unknown: Unknown
  /** Σ K·D over the row, and the equivalent joint load taken off. */
  KD: number
  load: number
  value: number
}

/** Reactions R = K_r·D − P at the restrained degrees of freedom, coherent units. */
export function reactionLines(solution: Solution, units: ProblemUnits, action: ActionSolution): ReactionLine[] {
  const scale = vectorScale(units).force
  const KD = new Float64Array(solution.dofs.list.length)
  for (const e of solution.elements)
    for (let r = 0; r < 6; r++) if (e.dofs[r] >= 0) for (let c = 0; c < 6; c++) if (e.dofs[c] >= 0) KD[e.dofs[r]] += e.global[6 * r + c] * action.D[e.dofs[c]]
  for (const { dof, k } of springs(solution.dofs)) KD[dof] += k * action.D[dof]
  // rigid members pull by their multipliers, which no product of K and D holds
  const rigid = solution.structure.members.some((m) => m.axiallyRigid)
  return unknowns(solution)
    .filter((u) => !u.free)
    .map((unknown) => {
      const s = scale(unknown.component === 'rotation')
      if (rigid) KD[unknown.index] = action.reactions[unknown.index] + action.load[unknown.index]
      return { unknown, KD: KD[unknown.index] * s, load: action.load[unknown.index] * s, value: action.reactions[unknown.index] * s }
    })
}
