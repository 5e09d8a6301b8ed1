import { loadVectors, type LoadVectors } from '../../analysis/load-vectors.js'
import type { System } from '../../analysis/system.js'
import type { Display, ShownUnit } from '../../document/display.js'
import { texNumber } from '../../quantity/tex-number.js'
import { caseActions } from '../../structure/case-actions.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
import { isOneRound, loadsFor, withAlter } from './altered.js'
import { inFormulas } from './pictures.js'
import type { Found, Picture, SlipContext, SlipKind } from './slip.js'

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

function find(ctx: SlipContext): Found[] {
  const { structure: s } = ctx
  if (!isOneRound(ctx)) return []
  return s.members.flatMap((m, member) =>
    m.bar
      ? []
      : FORMS.filter((form) =>
          s.cases.some((c) =>
            c.loads.some((l) => l.type !== 'nodal' && l.member === member && form.fits(l, s)),
          ),
        ).flatMap((form) =>
          ([false, true] as const).map((shears): Found => ({
            subject: { member: m.id, formula: form.formula },
            ...(shears ? { commonness: 0.04 } : {}),
            sentence: sentenceOf(form.formula, m.id),
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

/** The closed form that belongs to a load, by the one that a slip puts in its place. */
const OTHER: Record<string, string> = { 'wL^2/8': 'wL^2/12', 'wL^2/12': 'wL^2/8', 'PL/4': 'PL/8' }
const BELONGS: Record<string, string> = {
  'wL^2/8': 'one end fixed, the other pinned',
  'wL^2/12': 'both ends fixed',
  'PL/4': 'both ends pinned: the moment in the middle',
  'PL/8': 'both ends fixed',
}

function pictured(s: Structure, id: string, form: string, display: Display): Picture | undefined {
  const index = s.members.findIndex((m) => m.id === id)
  const load = s.cases.flatMap((c) => c.loads).find((l) => l.type !== 'nodal' && l.member === index)
  if (!load) return undefined
  const { length } = s.members[index]
  if (form === 'ab-exchanged') return exchanged(load, length, display)
  const other = OTHER[form]
  const [a, b] = [form, other].map((f) => written(f, load, length, display))
  return other && a && b ? inFormulas(a, b, [BELONGS[form], BELONGS[other]]) : undefined
}

const shown = (si: number, { perSI }: ShownUnit) => texNumber(Math.abs(si * perSI))

/** `wL²/8 = 6·4²/8 = 12 kN·m`. */
function written(form: string, load: StatedLoad, L: number, display: Display): [string, string] | undefined {
  const divisor = Number(/\d+$/.exec(form)![0])
  const length = shown(L, display.length)
  const unit = `\\;\\text{${display.moment.unit}}`
  if (form.startsWith('w') && load.type === 'distributed') {
    const q = load.points[0].q
    const result = shown((q * L * L) / divisor, display.moment)
    const numbers = `\\frac{${shown(q, display.distributed)}\\cdot ${length}^2}{${divisor}}`
    return [`\\frac{wL^2}{${divisor}} = ${numbers} = ${result}${unit}`, `wL²/${divisor} = ${result}`]
  }
  if (load.type !== 'point') return undefined
  const P = Math.hypot(load.fx, load.fy)
  const result = shown((P * L) / divisor, display.moment)
  const numbers = `\\frac{${shown(P, display.force)}\\cdot ${length}}{${divisor}}`
  return [`\\frac{PL}{${divisor}} = ${numbers} = ${result}${unit}`, `PL/${divisor} = ${result}`]
}

/** The moments of a point load at a from the start: P·a·b²/L² there, P·a²·b/L² at the end. */
function exchanged(load: StatedLoad, L: number, display: Display): Picture | undefined {
  if (load.type !== 'point') return undefined
  const P = Math.hypot(load.fx, load.fy)
  const of = (a: number, letters: string): [string, string] => {
    const b = L - a
    const value = shown((P * a * b * b) / (L * L), display.moment)
    return [
      `M_1 = \\frac{${letters}}{L^2} = ${value}\\;\\text{${display.moment.unit}}`,
      `M1 = ${value} ${display.moment.unit}`,
    ]
  }
  return inFormulas(of(L - load.at, 'P a^2 b'), of(load.at, 'P a b^2'))
}

/** Another closed form used for the fixed-end moments of a member; the shears follow, or stay. */
export const CLOSED_FORM_SLIPS: readonly SlipKind[] = [
  {
    key: 'fixed-end',
    did:
      'used another closed form for the fixed-end moments (the fixed-end shears follow by equilibrium or ' +
      'stay) of a load over that member: `"wL^2/8"` for wL²/12, `"wL^2/12"` for wL²/8, `"PL/4"` for PL/8, ' +
      '`"ab-exchanged"`',
    about: ['member', 'formula'],
    commonness: 0.05,
    line: { stiffness: 'loads', 'slope-deflection': 'fixed-end', 'moment-distribution': 'fixed-end' },
    find,
    picture: ({ right, subject, display }) =>
      pictured(right, String(subject.member), String(subject.formula), display),
  },
]
