import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { siPerCoherent } from '../quantity/units.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { StateIn } from '../analysis/stretch-equations.js'
import type { Problem } from '../document/types.js'
import { displacementAt } from '../results/at-node.js'
import { courseOf } from '../results/courses.js'
import { extremes, type ExtremeKey, type Range } from '../results/extremes.js'
import { noActionsIn, type MemberActions } from '../structure/actions.js'
import { integrateExactly, placesOf, type ExactCourse } from './exact-course.js'
import { exactExtreme } from './exact-extremes.js'
import { NotInLetters, NOTHING, type Field, type Quotient } from './field.js'
import { TooLong } from './monomials.js'
import { open, type Opened } from './opening.js'
import { powersOf, scaleFactor } from './scales.js'
import { statesOf, times, total, turnedBy, type ExactState, type Found } from './states.js'
import { Writer } from './writing.js'

/** A number as an expression of the problem's notation; null where there is none. */
export type Expression = string | null

export interface ExtremeInLetters {
  value: Expression
  x: Expression
}

export interface MemberInLetters {
  start: Record<'fx' | 'fy' | 'm', Expression>
  end: Record<'fx' | 'fy' | 'm', Expression>
  extremes: Record<'N' | 'V' | 'M' | 'relative', { max: ExtremeInLetters; min: ExtremeInLetters }>
}

/** The results of one load case or combination in letters, by joint and member. */
export interface ResultsInLetters {
  nodes: Record<string, Record<'x' | 'y' | 'rotation', Expression>>
  reactions: Record<string, Record<'x' | 'y' | 'rotation', Expression>>
  members: Record<string, MemberInLetters>
}

export interface InLetters {
  results: ReadonlyMap<string, ResultsInLetters>
  /** Why some expressions are missing, in a sentence. */
  missing?: string
}

const HIDDEN =
  'The axial rigidity is a plain number beside bending rigidities in letters, and what it has an influence ' +
  'on cannot be said in letters: neglect the axial deformation, or give EA a letter.'
const HIGHER = 'The place of an extreme is a root of a higher degree, for which there is no expression.'

/** An expression with more characters than this is of no use; none of the notation may be longer. */
const LONGEST = 500
/**
 * The results of a solved problem of first order in letters, for every value of the letters for which the
 * shape stays as drawn. What cannot be said is null, and `missing` says why.
 */
export function resultsInLetters(problem: Problem, solution: Solution): InLetters {
  const actions = [...solution.cases, ...solution.combinations].filter((a) => !a.bent)
  if (actions.length === 0) return { results: new Map() }
  try {
    const opened = open(problem, solution)
    const work = new Work(problem, solution, opened, statesOf(opened, solution))
    const results = new Map(actions.map((a) => [a.id, work.of(a)]))
    return { results, ...(work.missing && { missing: work.missing }) }
  } catch (error) {
    if (!(error instanceof NotInLetters) && !(error instanceof TooLong)) throw error
    return { results: new Map(actions.map((a) => [a.id, nothing(solution)])), missing: error.message }
  }
}

/** The tree with nothing in it. */
function nothing({ structure: s }: Solution): ResultsInLetters {
  const three = { x: null, y: null, rotation: null }
  const end = { fx: null, fy: null, m: null }
  const range = { max: { value: null, x: null }, min: { value: null, x: null } }
  const member = { start: end, end, extremes: { N: range, V: range, M: range, relative: range } }
  return {
    nodes: Object.fromEntries(s.nodes.map((n) => [n.id, three])),
    reactions: Object.fromEntries(s.supports.map((p) => [s.nodes[p.node].id, three])),
    members: Object.fromEntries(s.members.map((m) => [m.id, member])),
  }
}

type Weighted = { state: ExactState; factor: Quotient }

/** Takes the results of one action after another out of the exact states. */
class Work {
  missing?: string
  private readonly field: Field
  private readonly writer: Writer

  constructor(
    private readonly problem: Problem,
    private readonly solution: Solution,
    private readonly opened: Opened,
    private readonly states: readonly ExactState[],
  ) {
    this.field = opened.field
    this.writer = new Writer(opened, Object.keys(problem.symbols ?? {}))
  }

  of(action: ActionSolution): ResultsInLetters {
    const { structure: s } = this.solution
    const weighted = this.weighted(action)
    return {
      nodes: Object.fromEntries(s.nodes.map((n, i) => [n.id, this.displacement(action, weighted, i)])),
      reactions: Object.fromEntries(
        s.supports.map((p) => [s.nodes[p.node].id, this.reaction(weighted, p.node)]),
      ),
      members: Object.fromEntries(s.members.map((m, i) => [m.id, this.member(action, weighted, i)])),
    }
  }

  /** The states of an action with their factors: a load letter times the factor of its case. */
  private weighted(action: ActionSolution): Weighted[] {
    const { field } = this
    const at = this.solution.cases.indexOf(action)
    const { combinations } = this.solution.structure
    const factors = at >= 0 ? undefined : combinations.find((c) => c.id === action.id)!.factors
    return this.states.flatMap((state) => {
      const factor = factors ? factors[state.case] : state.case === at ? 1 : 0
      if (factor === 0) return []
      const letter = state.letter === undefined ? field.of(1) : field.unknown(state.letter)
      return [{ state, factor: field.multiply(field.of(factor), letter) }]
    })
  }

  private sum(weighted: readonly Weighted[], of: (s: ExactState) => Found): Found {
    return total(
      this.field,
      weighted.map(({ state, factor }) => times(this.field, of(state), factor)),
    )
  }

  private write(q: Found, dimension: Dimension): Expression {
    if (!q) return null
    const text = this.writer.write(q, dimension)
    if (text === null) this.missing ??= HIDDEN
    else if (text.length > LONGEST) this.missing ??= new TooLong().message
    return text !== null && text.length > LONGEST ? null : text
  }

  private displacement(action: ActionSolution, weighted: readonly Weighted[], node: number) {
    const there = displacementAt(this.solution, action, node)
    const [x, y, rotation] = this.global(weighted, node, (s) => s.D)
    const say = (isThere: boolean, q: Found, d: Dimension) => (isThere ? this.write(q, d) : null)
    return {
      x: say(there.x !== null, x, D.length),
      y: say(there.y !== null, y, D.length),
      rotation: say(there.rotation !== null, rotation, D.none),
    }
  }

  private reaction(weighted: readonly Weighted[], node: number) {
    const [x, y, rotation] = this.global(weighted, node, (s) => s.reactions)
    return { x: this.write(x, D.force), y: this.write(y, D.force), rotation: this.write(rotation, D.moment) }
  }

  /** The three components of something at a joint, in global axes. */
  private global(weighted: readonly Weighted[], node: number, of: (s: ExactState) => Found[]): Found[] {
    const { of: number } = this.solution.dofs
    const own = [0, 1, 2].map((k) => {
      const dof = number[3 * node + k]
      return dof < 0 ? NOTHING : this.sum(weighted, (s) => of(s)[dof])
    })
    const support = this.opened.exact.supports.find((p) => p.node === node)
    if (!support || !own[0] || !own[1]) return own
    return [...turnedBy(this.field, support.cos, support.sin, own[0], own[1]), own[2]]
  }

  private member(action: ActionSolution, weighted: readonly Weighted[], i: number): MemberInLetters {
    const force = (j: number, d: Dimension) =>
      this.write(
        this.sum(weighted, (s) => s.forces[i][j]),
        d,
      )
    const at = (j: number) => ({
      fx: force(j, D.force),
      fy: force(j + 1, D.force),
      m: force(j + 2, D.moment),
    })
    return { start: at(0), end: at(3), extremes: this.extremes(action, weighted, i) }
  }

  private extremes(
    action: ActionSolution,
    weighted: readonly Weighted[],
    i: number,
  ): MemberInLetters['extremes'] {
    const course = this.course(weighted, i)
    const sampled = extremes(courseOf(this.solution, action, i))
    // an undetermined axial force has no size
    const most = (key: ExtremeKey) =>
      Math.max(Math.abs(sampled[key].max.value), Math.abs(sampled[key].min.value)) || 0
    const L = this.solution.structure.members[i].length
    const force = Math.max(most('V'), most('N'), most('M') / L)
    // what is rounding error beside the other forces counts as none
    const sizes = { N: force, V: force, M: force * L, relative: 0 }
    const one = (key: ExtremeKey, d: Dimension) => {
      const size = Math.max(most(key), 1e-4 * sizes[key])
      const of = (end: keyof Range) => this.extreme(course, i, key, sampled[key][end], size, d)
      return { max: of('max'), min: of('min') }
    }
    return {
      N: one('N', D.force),
      V: one('V', D.force),
      M: one('M', D.moment),
      relative: one('relative', D.length),
    }
  }

  private extreme(
    course: ExactCourse | undefined,
    i: number,
    key: ExtremeKey,
    { value, x }: { value: number; x: number },
    size: number,
    d: Dimension,
  ): ExtremeInLetters {
    if (!course || !Number.isFinite(value)) return { value: null, x: null }
    const { length } = this.opened.exact.members[i]
    const sample = { key, value: this.sampled(value, d), x: this.sampled(x, D.length) }
    try {
      const found = exactExtreme(this.field, course, length, sample, this.sampled(size, d))
      return { value: this.write(found.value, d), x: this.write(found.x, D.length) }
    } catch (error) {
      if (!(error instanceof NotInLetters) && !(error instanceof TooLong)) throw error
      this.missing ??= error instanceof TooLong ? error.message : HIGHER
      return { value: null, x: null }
    }
  }

  /** A number of the solution, SI, as the arithmetic samples it: coherent, in its scales. */
  private sampled(si: number, d: Dimension): number {
    return si / siPerCoherent(this.problem.units, d) / scaleFactor(this.opened.scales, powersOf(d))
  }

  /** The course of a member under an action; undefined where its start is undetermined. */
  private course(weighted: readonly Weighted[], i: number): ExactCourse | undefined {
    const { field } = this
    const m = this.opened.exact.members[i]
    const q = [0, 1, 2].map((j) => this.sum(weighted, (s) => s.forces[i][j]))
    const d = [0, 1, 2, 4].map((j) => this.sum(weighted, (s) => s.ends[i][j]))
    if ([...q.slice(1), ...d.slice(1)].some((x) => !x)) return undefined
    // an axial force that equilibrium leaves undetermined has no influence on the others
    const [fx = NOTHING, fy, moment] = q as Quotient[]
    const [u = NOTHING, v, rotation, far] = d as Quotient[]
    const start: StateIn<Quotient> = {
      N: field.negate(fx),
      V: fy,
      M: field.negate(moment),
      slope: m.bar ? field.divide(field.subtract(far, v), m.length) : rotation,
      v,
      u,
    }
    const acting = weighted.flatMap(({ state, factor }) => {
      const a = state.actions.get(i)
      return a ? [{ a, factor }] : []
    })
    const actions = acting.length > 0 ? summed(field, acting) : undefined
    const places = placesOf(field, m, actions ? [actions] : [])
    return integrateExactly(field, m, actions, places, start)
  }
}

/** Actions multiplied and added. */
function summed(
  field: Field,
  parts: readonly { a: MemberActions<Quotient>; factor: Quotient }[],
): MemberActions<Quotient> {
  const out = noActionsIn<Quotient>(field)
  for (const { a, factor } of parts) {
    const by = (q: Quotient) => field.multiply(q, factor)
    const both = ([x, y]: [Quotient, Quotient]): [Quotient, Quotient] => [by(x), by(y)]
    out.spans.push(...a.spans.map((s) => ({ a: s.a, b: s.b, p: both(s.p), q: both(s.q), c: both(s.c) })))
    out.points.push(...a.points.map((p) => ({ x: p.x, fx: by(p.fx), fy: by(p.fy), m: by(p.m) })))
    out.jumps.push(...a.jumps.map((j) => ({ x: j.x, slip: by(j.slip), kink: by(j.kink) })))
    out.axialStrain = field.add(out.axialStrain, by(a.axialStrain))
    out.curvature = field.add(out.curvature, by(a.curvature))
  }
  return out
}
