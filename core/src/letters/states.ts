import { COMPONENTS } from '../analysis/dofs.js'
import type { Solution } from '../analysis/solve.js'
import type { MemberActions } from '../structure/actions.js'
import { solveExactly } from './elimination.js'
import { equationsOf, heldForce, systemOf, type Acting, type ExactSystem } from './equations.js'
import { freeEnd, placesOf, type ExactCourse } from './exact-course.js'
import { isZero, NOTHING, type Field, type Quotient } from './field.js'
import { put, type Polynomial } from './polynomial.js'
import type { Opened } from './opening.js'

/** A number that equilibrium may leave undetermined. */
export type Found = Quotient | undefined

/** What one load letter does in one load case, per unit of the letter; or what plain numbers do. */
export interface ExactState {
  /** Index of the case. */
  case: number
  /** The letter, as an index of the arithmetic; undefined for the loads without one. */
  letter?: number
  /** Displacements and reactions by degree of freedom, in the supports' own axes. */
  D: Found[]
  reactions: Found[]
  /** Six own displacements and six end forces of each member, in its axes. */
  ends: Found[][]
  forces: Found[][]
  actions: ReadonlyMap<number, MemberActions<Quotient>>
}

/** Solves every load letter of every case by itself. @throws NotInLetters, TooLong */
export function statesOf(opened: Opened, { structure, dofs }: Solution): ExactState[] {
  const { field, exact } = opened
  const system = systemOf(field, structure, dofs, exact)
  const parts = exact.cases.flatMap((_, i) => partsOf(opened, i))
  const acting = parts.map((p) => actingOf(system, p))
  const found = solveExactly(field, equationsOf(system, acting), system.unknowns, parts.length)
  return parts.map((part, k) => recovered(system, part, acting[k], found[k]))
}

type Part = Pick<ExactState, 'case' | 'letter' | 'actions'> & {
  nodal: Quotient[]
  settlements: ExactSystem['exact']['supports'][number]['settlement'][]
}

/** The loads of a case parted by their letters. */
function partsOf({ field, exact, loads }: Opened, i: number): Part[] {
  const { nodal, members } = exact.cases[i]
  const settlements = exact.supports.map((p) =>
    p.settlementCase === i ? p.settlement : { x: NOTHING, y: NOTHING, rotation: NOTHING },
  )
  return [undefined, ...loads].map((letter) => {
    const of = (q: Quotient) => partOf(field, q, loads, letter)
    return {
      case: i,
      letter,
      nodal: nodal.map(of),
      settlements: settlements.map((s) => ({ x: of(s.x), y: of(s.y), rotation: of(s.rotation) })),
      actions: new Map([...members].map(([m, a]) => [m, actionsPart(a, of)])),
    }
  })
}

function actionsPart(a: MemberActions<Quotient>, of: (q: Quotient) => Quotient): MemberActions<Quotient> {
  const both = ([x, y]: [Quotient, Quotient]): [Quotient, Quotient] => [of(x), of(y)]
  return {
    spans: a.spans.map((s) => ({ a: s.a, b: s.b, p: both(s.p), q: both(s.q), c: both(s.c) })),
    points: a.points.map((p) => ({ x: p.x, fx: of(p.fx), fy: of(p.fy), m: of(p.m) })),
    jumps: a.jumps.map((j) => ({ x: j.x, slip: of(j.slip), kink: of(j.kink) })),
    axialStrain: of(a.axialStrain),
    curvature: of(a.curvature),
  }
}

/** What stands with one of some letters in a number, or with none of them where `letter` is undefined. */
export function partOf(field: Field, q: Quotient, letters: readonly number[], letter?: number): Quotient {
  if (isZero(q)) return q
  const n = new Map<number, bigint>()
  for (const [key, c] of q.n) {
    const held = letters.find((u) => field.monomials.power(key, u) > 0)
    if (held === letter) put(n, letter === undefined ? key : field.monomials.without(key, letter), c)
  }
  const part: Polynomial = n
  return field.multiply({ n: part, d: new Map([[0, 1n]]) }, field.inverse({ n: q.d, d: new Map([[0, 1n]]) }))
}

function actingOf({ field, dofs, exact }: ExactSystem, part: Part): Acting {
  const nodal = dofs.list.map(() => NOTHING)
  const prescribed = new Map<number, Quotient>()
  for (let node = 0; 3 * node < part.nodal.length; node++) {
    const support = exact.supports.find((p) => p.node === node)
    const [fx, fy, m] = part.nodal.slice(3 * node, 3 * node + 3)
    const own = support ? turnedBy(field, support.cos, field.negate(support.sin), fx, fy) : [fx, fy]
    ;[...own, m].forEach((force, k) => {
      const dof = dofs.of[3 * node + k]
      if (dof >= 0) nodal[dof] = force
    })
  }
  exact.supports.forEach((p, i) =>
    COMPONENTS.forEach((c, k) => {
      const dof = dofs.of[3 * p.node + k]
      if (dof >= dofs.free && !isZero(part.settlements[i][c])) prescribed.set(dof, part.settlements[i][c])
    }),
  )
  const freeEnds = new Map<number, ExactCourse>()
  for (const [i, a] of part.actions) {
    const m = exact.members[i]
    freeEnds.set(i, freeEnd(field, m, a, placesOf(field, m, [a])))
  }
  return { nodal, prescribed, freeEnds }
}

/** The components of a vector turned counter-clockwise by an angle of the given cosine and sine. */
export function turnedBy(
  field: Field,
  cos: Quotient,
  sin: Quotient,
  x: Quotient,
  y: Quotient,
): [Quotient, Quotient] {
  if (isZero(sin)) return [field.multiply(cos, x), field.multiply(cos, y)]
  return [
    field.subtract(field.multiply(cos, x), field.multiply(sin, y)),
    field.add(field.multiply(sin, x), field.multiply(cos, y)),
  ]
}

function recovered(system: ExactSystem, part: Part, acting: Acting, found: readonly Found[]): ExactState {
  const { field, dofs, exact } = system
  const D = dofs.list.map((_, d) => (d < dofs.free ? found[d] : (acting.prescribed.get(d) ?? NOTHING)))
  const sums: Found[] = acting.nodal.map((f) => field.negate(f))
  const ends: Found[][] = []
  const forces: Found[][] = []
  exact.members.forEach((m, i) => {
    const d = system.ends[i].map(({ own, joint }) =>
      own === undefined
        ? total(
            field,
            joint.map(({ dof, factor }) => times(field, D[dof], factor)),
          )
        : found[own],
    )
    const N = times(field, found[system.axial[i]], m.length)
    const free = acting.freeEnds.get(i)
    const q = d.map((_, j) => {
      const held = free ? heldForce(system, i, j, free) : NOTHING
      if (j % 3 === 0) return total(field, [times(field, N, field.of(j === 0 ? -1 : 1)), held])
      const by = d.map((x, k) => times(field, x, system.bending[i].get(6 * j + k) ?? NOTHING))
      return total(field, [held, ...by])
    })
    q.forEach((force, j) =>
      system.ends[i][j].joint.forEach(({ dof, factor }) => {
        sums[dof] = total(field, [sums[dof], times(field, force, factor)])
      }),
    )
    ends.push(d)
    forces.push(q)
  })
  return { ...part, D, reactions: reactionsIn(system, D, sums), ends, forces }
}

function reactionsIn(
  { field, dofs, exact }: ExactSystem,
  D: readonly Found[],
  sums: readonly Found[],
): Found[] {
  const out: Found[] = dofs.list.map(() => NOTHING)
  for (const p of exact.supports)
    COMPONENTS.forEach((c, k) => {
      const dof = dofs.of[3 * p.node + k]
      const hold = p.hold[c]
      if (dof < 0 || hold === false) return
      out[dof] = hold === true ? sums[dof] : times(field, D[dof], field.negate(hold))
    })
  return out
}

/** A product; what is multiplied with nothing is nothing, also where it is undetermined. */
export const times = (field: Field, a: Found, b: Quotient): Found =>
  isZero(b) ? NOTHING : a && field.multiply(a, b)

export const total = (field: Field, all: readonly Found[]): Found =>
  all.reduce<Found>((sum, x) => sum && x && field.add(sum, x), NOTHING)
