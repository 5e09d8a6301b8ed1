import { apply } from '../../analysis/assemble.js'
import { loadVectors, type LoadVectors } from '../../analysis/load-vectors.js'
import { prepare, type System } from '../../analysis/system.js'
import { superpose, type ActionSolution, type Solution } from '../../analysis/solve.js'
import { stateUnder } from '../../analysis/state.js'
import type { Actions } from '../../structure/actions.js'
import { caseActions } from '../../structure/case-actions.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
import type { Alter, Candidate, SlipContext, Slips, SlipSolution } from './slip.js'
import { valuesByEnds } from './values.js'

/** Slips of the stiffness method itself: fixed-end forces and the turning of a member's axes. */
export const methodSlips: Slips = (ctx) =>
  // in second order the method is gone through round after round: no single slip of it can be told
  ctx.structure.order === 2 ? [] : [...fixedEndSigns(ctx), ...turnedWrong(ctx), ...closedForms(ctx)]

/**
 * The whole solution with the load vectors of every case altered; what acts along members is kept or left
 * out. `structure` is that of the system where it is another one than that of the problem.
 */
export function alteredSolution(
  ctx: SlipContext,
  system: System,
  alter: Alter,
  along: (actions: Actions) => Actions = (a) => a,
  structure: Structure = ctx.structure,
): Solution | undefined {
  const { structure: s, base } = ctx
  const cases: ActionSolution[] = []
  for (let i = 0; i < s.cases.length; i++) {
    const actions = caseActions(s, i)
    const state = stateUnder({ ...system, structure }, actions, (v) => alter(v, system, i))
    if ('kind' in state) return undefined
    const { id, title } = s.cases[i]
    cases.push({ id, title, kind: 'case', ...state, actions: along(actions) })
  }
  const { elements, dofs } = system
  const combinations = s.combinations.map((c) => superpose(s, cases, c))
  return { ...base.solution, elements, dofs, cases, combinations }
}

export const readByEnds = (ctx: SlipContext, solution: Solution | undefined): SlipSolution | undefined =>
  solution && { solution, read: (a) => valuesByEnds(ctx.problem, solution, a) }

/** A slip of the load vectors: how it is solved alone, and what it changes beside another one. */
export const withAlter = (ctx: SlipContext, alter: Alter): Pick<Candidate, 'solve' | 'method'> => ({
  solve: () => readByEnds(ctx, alteredSolution(ctx, ctx.base.system, alter)),
  method: () => ({ alter }),
})

/** Joint loads anew for other fixed-end forces: what they put on the joints is taken off with `sign`. */
export function loadsFor(
  { load, fixed }: LoadVectors,
  system: System,
  put: Map<number, Float64Array>,
  sign: 1 | -1,
) {
  const out = load.slice()
  const turned = new Float64Array(6)
  const add = (f: ReadonlyMap<number, Float64Array>, by: number) => {
    for (const [i, v] of f) {
      const e = system.elements[i]
      apply(e.T, v, true, turned)
      for (let j = 0; j < 6; j++) if (e.dofs[j] >= 0) out[e.dofs[j]] += by * turned[j]
    }
  }
  add(fixed, 1)
  add(put, -sign)
  return out
}

/** Whether any case has fixed-end forces. */
export const isLoadedAlong = ({ base }: SlipContext) => base.solution.cases.some((c) => c.fixed.size > 0)

function fixedEndSigns(ctx: SlipContext): Candidate[] {
  if (!isLoadedAlong(ctx)) return []
  const { system } = ctx.base
  return [
    {
      kind: 'fixed-end-sign',
      subject: {},
      commonness: 0.08,
      sentence:
        'Your values fit fixed-end forces put on the joints with their own sign instead of the opposite one.',
      step: 'loads',
      ...withAlter(ctx, (v, of) => ({ ...v, load: loadsFor(v, of, v.fixed, -1) })),
    },
    {
      kind: 'fixed-end-not-added',
      subject: {},
      commonness: 0.08,
      sentence: 'Your values fit end forces taken as k·d alone, without the fixed-end forces.',
      step: 'end-forces',
      solve: () =>
        readByEnds(
          ctx,
          alteredSolution(
            ctx,
            system,
            (v) => ({ ...v, fixed: new Map() }),
            (a) => ({ ...a, members: new Map() }),
          ),
        ),
    },
  ]
}

/** A slanted member whose sine has the wrong sign in T. */
function turnedWrong(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  return s.members.flatMap((m, i): Candidate[] => {
    if (Math.abs(m.sin) < 1e-9 || Math.abs(m.cos) < 1e-9) return []
    const members = s.members.map((o, j) => (j === i ? { ...o, sin: -o.sin } : o))
    return [
      {
        kind: 'turned-wrong',
        subject: { member: m.id },
        commonness: 0.05,
        sentence: `Your values fit the sine of ${m.id} with the wrong sign in its turning matrix.`,
        step: 'stiffness',
        solve: () => {
          const prepared = prepare({ ...s, members })
          if (!prepared.ok) return undefined
          return readByEnds(
            ctx,
            alteredSolution(ctx, prepared.system, (v) => v),
          )
        },
      },
    ]
  })
}

/**
 * A closed form of fixed-end moments taken for another: what it is used for, and what it makes of the
 * moments.
 */
interface ClosedForm {
  formula: string
  fits(load: StatedLoad, s: Structure): boolean
  moments(m1: number, m2: number): [number, number]
}

const isUniform = (l: StatedLoad, s: Structure): boolean => {
  if (l.type !== 'distributed') return false
  const L = s.members[l.member].length
  const [a, b] = [l.points[0], l.points[l.points.length - 1]]
  return l.points.every((p) => p.q === a.q) && a.at <= 1e-9 * L && b.at >= L * (1 - 1e-9)
}
const isPoint = (l: StatedLoad): l is Extract<StatedLoad, { type: 'point' }> =>
  l.type === 'point' && l.m === 0

const times =
  (f: number) =>
  (a: number, b: number): [number, number] => [f * a, f * b]

const FORMS: readonly ClosedForm[] = [
  { formula: 'wL^2/8', fits: isUniform, moments: times(1.5) },
  { formula: 'wL^2/12', fits: isUniform, moments: times(2 / 3) },
  {
    formula: 'PL/4',
    fits: (l, s) =>
      isPoint(l) && Math.abs(l.at - s.members[l.member].length / 2) < 1e-6 * s.members[l.member].length,
    moments: times(2),
  },
  {
    formula: 'ab-exchanged',
    fits: (l, s) =>
      isPoint(l) && Math.abs(l.at - s.members[l.member].length / 2) > 1e-6 * s.members[l.member].length,
    moments: (a, b) => [-b, -a],
  },
]

function closedForms(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  return s.members.flatMap((m, member) =>
    m.bar
      ? []
      : FORMS.filter((form) =>
          s.cases.some((c) =>
            c.loads.some((l) => l.type !== 'nodal' && l.member === member && form.fits(l, s)),
          ),
        ).flatMap((form) =>
          ([false, true] as const).map((shears): Candidate => ({
            kind: 'fixed-end',
            subject: { member: m.id, formula: form.formula },
            commonness: shears ? 0.04 : 0.05,
            sentence: sentenceOf(form.formula, m.id),
            step: 'loads',
            addsAt: `fixed on ${member}`,
            ...withAlter(ctx, (v, system, c) =>
              withForm(v, system, member, partsOf(ctx, member, form)[c], form, shears),
            ),
          })),
        ),
  )
}

const sentenceOf = (formula: string, member: string) =>
  formula === 'ab-exchanged'
    ? `Your values fit fixed-end moments of ${member} with a and b exchanged.`
    : `Your values fit ${formula.replace('^2', '²')} for the fixed-end moments of ${member}.`

/** The fixed-end forces, case by case, of the loads on a member that the formula is used for. */
function partsOf(ctx: SlipContext, member: number, form: ClosedForm): (Float64Array | undefined)[] {
  const { structure: s, base } = ctx
  return s.cases.map((c, i) => {
    const loads = c.loads.filter((l) => l.type !== 'nodal' && l.member === member && form.fits(l, s))
    if (loads.length === 0) return undefined
    const cases = s.cases.map((k, j) => (j === i ? { ...k, loads, selfWeight: 0 } : k))
    const alone = { ...s, cases }
    const vectors = loadVectors(alone, base.system.dofs, base.system.elements, caseActions(alone, i))
    return 'kind' in vectors ? undefined : vectors.fixed.get(member)
  })
}

/** Fixed-end moments by another closed form; the shears follow by equilibrium, or stay. */
function withForm(
  v: LoadVectors,
  system: System,
  member: number,
  part: Float64Array | undefined,
  form: ClosedForm,
  shears: boolean,
): LoadVectors {
  const own = v.fixed.get(member)
  if (!part || !own) return v
  const [m1, m2] = form.moments(part[2], part[5])
  const [d1, d2] = [m1 - part[2], m2 - part[5]]
  const f = own.slice()
  f[2] += d1
  f[5] += d2
  if (shears) {
    const { length } = system.structure.members[member]
    f[1] += (d1 + d2) / length
    f[4] -= (d1 + d2) / length
  }
  const fixed = new Map(v.fixed).set(member, f)
  return { ...v, fixed, load: loadsFor(v, system, fixed, 1) }
}
