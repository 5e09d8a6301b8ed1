import { type Display, type ShownUnit, type StatedLoad, type Structure } from '@viga/core'
import { texNumber } from '../widgets/tex-number'
import type { Versions } from './versions'

/** Both versions of a slip in the method: as formulas with their numbers. */

const TAKEN = 'as your numbers have it'
const STATED = 'as it stands here'

const pair = (taken: [string, string], stated: [string, string], titles = [TAKEN, STATED]): Versions => [
  { title: titles[0], formula: { tex: taken[0], plain: taken[1] } },
  { title: titles[1], formula: { tex: stated[0], plain: stated[1] } },
]

export function formulaVersions(
  kind: string,
  subject: Readonly<Record<string, unknown>>,
  s: Structure,
  display: Display,
): Versions | undefined {
  switch (kind) {
    case 'fixed-end-sign':
      return pair(
        ['P = P_{\\text{joint}} + f^{0}', 'P = P joint + f0'],
        ['P = P_{\\text{joint}} - f^{0}', 'P = P joint − f0'],
      )
    case 'fixed-end-not-added':
      return pair(['f = k\\,d', 'f = k d'], ['f = k\\,d + f^{0}', 'f = k d + f0'])
    case 'turned-wrong':
      return turning(s, String(subject.member))
    case 'factor-left-out':
      return factors(s, String(subject.combination), String(subject.case))
    case 'fixed-end':
      return closedForm(s, String(subject.member), String(subject.formula), display)
    default:
      return undefined
  }
}

function turning(s: Structure, id: string): Versions | undefined {
  const m = s.members.find((o) => o.id === id)
  if (!m) return undefined
  const [c, n] = [texNumber(m.cos), texNumber(Math.abs(m.sin))]
  const minus = (on: boolean) => (on ? '-' : '')
  const matrix = (sin: number): [string, string] => [
    `\\begin{bmatrix}${c}&${minus(sin < 0)}${n}\\\\${minus(sin > 0)}${n}&${c}\\end{bmatrix}`,
    `cosine ${c}, sine ${minus(sin < 0)}${n}`,
  ]
  return pair(matrix(-m.sin), matrix(m.sin))
}

function factors(s: Structure, id: string, left: string): Versions | undefined {
  const of = s.combinations.find((c) => c.id === id)
  if (!of) return undefined
  const sum = (without: boolean) => {
    const terms = of.factors.flatMap((f, i) => {
      const name = s.cases[i].id
      return f === 0 ? [] : [`${texNumber(without && name === left ? 1 : f)}\\,\\text{${name}}`]
    })
    return terms.join(' + ')
  }
  const said = (tex: string): [string, string] => [tex, tex.replace(/\\,|\\text\{|\}/g, ' ')]
  return pair(said(sum(true)), said(sum(false)))
}

/** How each closed form is written for its load, and which one a slip puts in its place. */
const OTHER: Record<string, string> = { 'wL^2/8': 'wL^2/12', 'wL^2/12': 'wL^2/8', 'PL/4': 'PL/8' }
const BELONGS: Record<string, string> = {
  'wL^2/8': 'one end fixed, the other pinned',
  'wL^2/12': 'both ends fixed',
  'PL/4': 'both ends pinned: the moment in the middle',
  'PL/8': 'both ends fixed',
}

function closedForm(s: Structure, id: string, form: string, display: Display): Versions | undefined {
  const index = s.members.findIndex((m) => m.id === id)
  const load = s.cases.flatMap((c) => c.loads).find((l) => l.type !== 'nodal' && l.member === index)
  if (!load) return undefined
  const { length } = s.members[index]
  if (form === 'ab-exchanged') return exchanged(load, length, display)
  const other = OTHER[form]
  const [a, b] = [form, other].map((f) => written(f, load, length, display))
  return other && a && b ? pair(a, b, [BELONGS[form], BELONGS[other]]) : undefined
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
function exchanged(load: StatedLoad, L: number, display: Display): Versions | undefined {
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
  return pair(of(L - load.at, 'P a^2 b'), of(load.at, 'P a b^2'))
}
