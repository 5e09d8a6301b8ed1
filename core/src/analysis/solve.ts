import type { SolveError, Structure } from '../structure/types.js'
import { caseActions, combineActions, type Actions } from './actions.js'
import { apply, assembleFree, globalStiffness, memberDofs, springs, transformation } from './assemble.js'
import { COMPONENTS, numberDofs, type Dofs } from './dofs.js'
import { condensedFixedEnd, element, fixedEndForces, releasedByLoad, type Element } from './element.js'
import { factor, type Factorisation } from './factor.js'
import { mechanismError } from './mechanism.js'
import { sprungRigidLoad } from './sprung-rigid.js'
import { slab } from './slab.js'
import { rigidSystem, type RigidSystem, type Ties } from './rigid.js'

/** A member's element with everything the Working shows of it. */
export interface SolvedElement extends Element {
  T: Float64Array
  /** Stiffness in the axes of its nodes, Tᵀ·k·T. */
  global: Float64Array
  /** Degree of freedom of each of its six end displacements, −1 where there is none. */
  dofs: number[]
}

/**
 * The answer to one load case or combination. Vectors over degrees of freedom are in the nodes' own axes; SI.
 */
export interface ActionSolution {
  id: string
  title: string
  kind: 'case' | 'combination'
  actions: Actions
  /** Fixed-end forces of loaded members, own and condensed, member axes. */
  fixedOwn: Map<number, Float64Array>
  fixed: Map<number, Float64Array>
  /** Equivalent joint loads P − Σ Tᵀf, over all degrees of freedom. */
  load: Float64Array
  /** Displacements of all degrees of freedom, prescribed ones included. */
  D: Float64Array
  /** Six own end displacements of each member, member axes. */
  ends: Float64Array
  /** Six end forces on each member, member axes. */
  forces: Float64Array
  /** Reactions over degrees of freedom: restrained ones and springs; zero elsewhere. */
  reactions: Float64Array
}

export interface Solution {
  structure: Structure
  dofs: Dofs
  elements: SolvedElement[]
  cases: ActionSolution[]
  combinations: ActionSolution[]
  /**
   * The number each degree of freedom is shown under: the solver's order from 1, or as the person numbers
   * them; 0 where it is left out.
   */
  numbers: number[]
  /** Nothing happens along a beam, and the person leaves its axial unknowns out. */
  bendingOnly: boolean
  digitsLost: number
  /** With axially rigid members: what follows from what. */
  rigid?: Ties
  /** Axially rigid members whose force equilibrium leaves undetermined; it is NaN in every case. */
  open: number[]
}

export type SolveResult = { ok: true; solution: Solution } | { ok: false; error: SolveError }

/**
 * The stiffness method: elements, assembly, one factorisation, all load cases, then recovery; combinations by
 * superposition.
 * Source: Kassimali, Matrix Analysis of Structures, ch. 6 and 7.
 * Errors: a mechanism, named with the nodes that move.
 */
export function solve(s: Structure): SolveResult {
  const actions = s.cases.map((_, i) => caseActions(s, i))
  const dofs = numberDofs(s, (node) =>
    actions.some((a) => a.nodal.subarray(3 * node, 3 * node + 3).some((v) => v !== 0)),
  )
  const elements: SolvedElement[] = []
  const take = slab()
  for (let i = 0; i < s.members.length; i++) {
    const e = element(s.members[i], take)
    if ('kind' in e) return { ok: false, error: e }
    const T = transformation(s, dofs, i, take)
    elements.push({
      own: e.own,
      k: e.k,
      P: e.P,
      released: e.released,
      G: e.G,
      loose: e.loose,
      sprung: e.sprung,
      T,
      global: globalStiffness(e.k, T, take),
      dofs: memberDofs(s, dofs, i),
    })
  }
  const unheld = unheldMoment(s, dofs, actions)
  if (unheld) return { ok: false, error: unheld }
  const rigid = rigidSystem(s, dofs, elements, actions)
  if (rigid && 'kind' in rigid) return { ok: false, error: rigid }
  const { factorisation, solveFree, expand } = rigid ? constrained(rigid) : plain(s, dofs, elements)
  if (factorisation.singular.length)
    return { ok: false, error: mechanismError(s, dofs, factorisation, expand) }

  const cases: ActionSolution[] = []
  for (let i = 0; i < s.cases.length; i++) {
    const { id, title } = s.cases[i]
    const start = prepare(s, dofs, elements, actions[i])
    if ('kind' in start) return { ok: false, error: start }
    rigid?.impose(start.D, i)
    displace(dofs, elements, start, solveFree)
    cases.push({
      id,
      title,
      kind: 'case',
      actions: actions[i],
      ...start,
      ...recover(s, dofs, elements, actions[i], start, rigid),
    })
  }
  const combinations = s.combinations.map((c) => superpose(s, cases, c))
  return {
    ok: true,
    solution: {
      structure: s,
      dofs,
      elements,
      cases,
      combinations,
      numbers: dofs.list.map((_, i) => i + 1),
      bendingOnly: false,
      digitsLost: factorisation.digitsLost,
      open: rigid?.open ?? [],
      ...(rigid ? { rigid: { ties: rigid.ties, from: rigid.from } } : {}),
    },
  }
}

/** A factorisation with the roads from degrees of freedom to its unknowns and back. */
interface Equations {
  factorisation: Factorisation
  solveFree: (residual: Float64Array) => Float64Array
  expand: (unknowns: Float64Array) => Float64Array
}

function plain(s: Structure, dofs: Dofs, elements: SolvedElement[]): Equations {
  const factorisation = factor(assembleFree(s, dofs, elements))
  return { factorisation, expand: (x) => x, solveFree: (b) => factorisation.solve(b.subarray(0, dofs.free)) }
}

function constrained(rigid: RigidSystem): Equations {
  const factorisation = factor(rigid.matrix)
  return {
    factorisation,
    expand: (x) => rigid.expand(x),
    solveFree: (b) => rigid.reduced(b, (x) => factorisation.solve(x)),
  }
}

interface Prepared {
  fixedOwn: Map<number, Float64Array>
  fixed: Map<number, Float64Array>
  load: Float64Array
  D: Float64Array
}

/** Fixed-end forces, equivalent joint loads and prescribed displacements of a case. */
function prepare(
  s: Structure,
  dofs: Dofs,
  elements: SolvedElement[],
  actions: Actions,
): Prepared | SolveError {
  const fixedOwn = new Map<number, Float64Array>()
  const fixed = new Map<number, Float64Array>()
  const load = new Float64Array(dofs.list.length)
  for (let node = 0; node < s.nodes.length; node++) {
    const fx = actions.nodal[3 * node]
    const fy = actions.nodal[3 * node + 1]
    const m = actions.nodal[3 * node + 2]
    if (fx === 0 && fy === 0 && m === 0) continue
    const turn = dofs.angle[node]
    const own =
      turn === 0
        ? [fx, fy, m]
        : [Math.cos(turn) * fx + Math.sin(turn) * fy, -Math.sin(turn) * fx + Math.cos(turn) * fy, m]
    own.forEach((v, c) => {
      const d = dofs.of[3 * node + c]
      if (d >= 0) load[d] += v
    })
  }
  const turned = new Float64Array(6)
  for (const [i, a] of actions.members) {
    const m = s.members[i]
    const e = elements[i]
    const own = fixedEndForces(m, e.own, a)
    if (e.loose && Math.abs(own[0] + own[3]) > 1e-12 * (Math.abs(own[0]) + Math.abs(own[3])))
      return {
        kind: 'mechanism',
        message:
          `${m.id} slides along itself: N is released at both its ends and it is loaded along its ` +
          'length.',
        members: [m.id],
        nodes: [],
      }
    const f = condensedFixedEnd(m, e, own, a.axialStrain)
    fixedOwn.set(i, own)
    fixed.set(i, f)
    apply(e.T, f, true, turned)
    for (let j = 0; j < 6; j++) if (e.dofs[j] >= 0) load[e.dofs[j]] -= turned[j]
  }
  const D = new Float64Array(dofs.list.length)
  s.supports.forEach((p, i) => {
    COMPONENTS.forEach((c, j) => {
      const d = dofs.of[3 * p.node + j]
      if (d >= dofs.free) D[d] = actions.settlement[i] * p.settlement[c]
    })
  })
  return { fixedOwn, fixed, load, D }
}

/** Fills the free part of D: K_ff·D_f = P_f − K_fr·D_r, with one step of refinement against the residual. */
function displace(
  dofs: Dofs,
  elements: SolvedElement[],
  start: Prepared,
  solveFree: (b: Float64Array) => Float64Array,
) {
  const held = springs(dofs)
  for (let step = 0; step < 2; step++) {
    const residual = start.load.slice()
    const { D } = start
    // nothing has moved yet in the first step unless a support settles
    if (D.some((v) => v !== 0))
      for (const { global, dofs: at } of elements)
        for (let i = 0; i < 6; i++) {
          if (at[i] < 0 || at[i] >= dofs.free) continue
          let sum = 0
          for (let j = 0; j < 6; j++) if (at[j] >= 0) sum += global[6 * i + j] * D[at[j]]
          residual[at[i]] -= sum
        }
    for (const { dof, k } of held) residual[dof] -= k * D[dof]
    const change = solveFree(residual)
    for (let d = 0; d < dofs.free; d++) D[d] += change[d]
  }
}

/**
 * End displacements and end forces of every member, then reactions from the equilibrium of the held joints.
 */
function recover(
  s: Structure,
  dofs: Dofs,
  elements: SolvedElement[],
  actions: Actions,
  { fixed, fixedOwn, D }: Prepared,
  rigid?: RigidSystem,
) {
  const ends = new Float64Array(6 * s.members.length)
  const forces = new Float64Array(6 * s.members.length)
  const sums = new Float64Array(dofs.list.length)
  const at = new Float64Array(6)
  const d = new Float64Array(6)
  const q = new Float64Array(6)
  const turned = new Float64Array(6)
  elements.forEach((e, i) => {
    const m = s.members[i]
    for (let j = 0; j < 6; j++) at[j] = e.dofs[j] < 0 ? 0 : D[e.dofs[j]]
    apply(e.T, at, false, d)
    const f = fixed.get(i)
    for (let r = 0; r < 6; r++) {
      let sum = f ? f[r] : 0
      for (let c = 0; c < 6; c++) sum += e.k[6 * r + c] * d[c]
      q[r] = sum
    }
    const own = e.P ? product(e.P, d) : d // copied below, so d may be used again
    const free = fixedOwn.get(i)
    if (e.P && free) releasedByLoad(e, free).forEach((v, j) => (own[j] += v))
    if (e.loose) own[0] = d[0]
    if (m.axiallyRigid) carryAlong(m, e, own, free, actions.members.get(i)?.axialStrain ?? 0)
    if (m.bar) for (const j of [1, 2, 4, 5]) q[j] = 0
    ends.set(own, 6 * i)
    forces.set(q, 6 * i)
    apply(e.T, q, true, turned)
    for (let j = 0; j < 6; j++) if (e.dofs[j] >= 0) sums[e.dofs[j]] += turned[j]
  })
  if (rigid) addTensions(dofs, actions, D, rigid, sums, forces)
  const reactions = new Float64Array(dofs.list.length)
  for (const p of s.supports) {
    const c = Math.cos(p.angle)
    const n = Math.sin(p.angle)
    const [fx, fy, m] = actions.nodal.subarray(3 * p.node, 3 * p.node + 3)
    const load = [c * fx + n * fy, -n * fx + c * fy, m]
    COMPONENTS.forEach((component, j) => {
      const d = dofs.of[3 * p.node + j]
      if (d < 0) return
      const hold = p.hold[component]
      if (hold === true) reactions[d] = sums[d] - load[j]
      else if (typeof hold === 'number') reactions[d] = -hold * D[d]
    })
  }
  return { ends, forces, reactions }
}

/** A rigid member that slides at one end takes that end along with the other. */
function carryAlong(
  m: Structure['members'][number],
  e: Element,
  own: Float64Array,
  free: Float64Array | undefined,
  strain: number,
) {
  if (e.sprung) {
    if (free) own[0] += sprungRigidLoad(m, -free[0] - free[3], strain * m.length).d
    own[3] = own[0] + strain * m.length
  } else if (m.releases[3] === true) own[3] = own[0] + strain * m.length
  else if (m.releases[0] === true) own[0] = own[3] - strain * m.length
}

/** Axial forces of rigid members from what their joints lack for equilibrium. */
function addTensions(
  dofs: Dofs,
  actions: Actions,
  D: Float64Array,
  rigid: RigidSystem,
  sums: Float64Array,
  forces: Float64Array,
) {
  const lacking = new Float64Array(dofs.list.length)
  dofs.list.forEach(({ node, component }, d) => {
    const turn = dofs.angle[node]
    const fx = actions.nodal[3 * node]
    const fy = actions.nodal[3 * node + 1]
    const load =
      component === 'x'
        ? Math.cos(turn) * fx + Math.sin(turn) * fy
        : component === 'y'
          ? Math.cos(turn) * fy - Math.sin(turn) * fx
          : actions.nodal[3 * node + 2]
    lacking[d] = load - sums[d]
  })
  for (const { dof, k } of springs(dofs)) lacking[dof] -= k * D[dof]
  const tensions = rigid.tensions(lacking)
  for (const { member, N } of tensions) {
    forces[6 * member] -= N
    forces[6 * member + 3] += N
  }
  rigid.pull(tensions, sums)
}

function product(P: Float64Array, d: Float64Array): Float64Array {
  const out = new Float64Array(6)
  for (let r = 0; r < 6; r++) for (let c = 0; c < 6; c++) out[r] += P[6 * r + c] * d[c]
  return out
}

/** A combination of first-order results is the sum of its cases, each times its factor. */
function superpose(
  s: Structure,
  cases: ActionSolution[],
  c: { id: string; title: string; factors: number[] },
): ActionSolution {
  const parts = cases
    .map((solution, i) => ({ factor: c.factors[i], ...solution }))
    .filter((p) => p.factor !== 0)
  const sum = (pick: (p: ActionSolution) => Float64Array, length: number) => {
    const out = new Float64Array(length)
    for (const p of parts) pick(p).forEach((v, i) => (out[i] += p.factor * v))
    return out
  }
  const maps = (pick: (p: ActionSolution) => Map<number, Float64Array>) => {
    const out = new Map<number, Float64Array>()
    for (const p of parts)
      for (const [i, f] of pick(p)) {
        const to = out.get(i) ?? new Float64Array(6)
        f.forEach((v, j) => (to[j] += p.factor * v))
        out.set(i, to)
      }
    return out
  }
  const size = cases[0]?.D.length ?? 0
  const six = 6 * s.members.length
  return {
    id: c.id,
    title: c.title,
    kind: 'combination',
    actions: combineActions(s, parts),
    fixedOwn: maps((p) => p.fixedOwn),
    fixed: maps((p) => p.fixed),
    load: sum((p) => p.load, size),
    D: sum((p) => p.D, size),
    ends: sum((p) => p.ends, six),
    forces: sum((p) => p.forces, six),
    reactions: sum((p) => p.reactions, size),
  }
}

/** A moment at a joint whose rotation nothing holds spins it. */
function unheldMoment(s: Structure, dofs: Dofs, actions: Actions[]): SolveError | undefined {
  for (let node = 0; node < s.nodes.length; node++) {
    if (dofs.of[3 * node + 2] >= 0 || !actions.some((a) => a.nodal[3 * node + 2] !== 0)) continue
    const { id } = s.nodes[node]
    return {
      kind: 'mechanism',
      message:
        s.kind === 'truss'
          ? `A moment acts at ${id}, but the members of a truss cannot take it: ${id} would spin.`
          : `A moment acts at ${id}, but every member end there is hinged: ${id} would spin.`,
      nodes: [id],
    }
  }
  return undefined
}
