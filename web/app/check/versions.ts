import {
  displayOf,
  formatNumber,
  withUnit,
  type Component,
  type Display,
  type Explanation,
  type Problem,
  type Solution,
  type Structure,
  type StructureMember,
} from '@viga/core'
import { miniScene } from '@viga/drawing/card-figure'
import type { Group } from '@viga/drawing/marks'
import { drawnLoads, loadWords } from '@viga/drawing/words'
import { formulaVersions } from './formula-versions'

/** One of the two versions of what a slip is about: drawn, as a formula, or in words. */
export interface Version {
  title: string
  groups?: Group[]
  formula?: { tex: string; plain: string }
  words?: string
}

export const VERSION = { width: 250, height: 170 }

/** How the numbers of a hand solution have it, and how it stands in the statement. */
export type Versions = readonly [taken: Version, stated: Version]

/** Slips that show in a drawing of the structure with its loads. */
const DRAWN = new Set([
  'load-sign',
  'load-left-out',
  'load-doubled',
  'load-factor',
  'load-as-resultant',
  'load-basis',
  'load-from-other-end',
  'support',
  'support-angle',
  'spring-left-out',
  'spring-rigid',
  'hinge-left-out',
  'hinge-added',
])

const TAKEN = 'as your numbers have it'
const STATED = 'as it is stated'

/**
 * Both versions of what a slip is about.
 * @param wrong the solution as the slip would have it
 * @param caseId the case whose loads are drawn
 */
export function versionsOf(
  problem: Problem,
  { kind, subject }: Explanation,
  right: Solution,
  wrong: Solution,
  caseId: string | null,
): Versions | undefined {
  const display = displayOf(problem)
  const of = (s: Structure, cases: readonly string[]) =>
    miniScene(s, drawnLoads(s, new Set(cases), display), VERSION.width, VERSION.height)
  if (DRAWN.has(kind)) {
    const cases = casesOf(problem, typeof subject.case === 'string' ? subject.case : caseId)
    const amount = (s: Structure) =>
      kind === 'load-factor' || kind === 'load-doubled' ? { words: amountOf(s, subject, display) } : {}
    return [
      { title: TAKEN, groups: of(wrong.structure, cases), ...amount(wrong.structure) },
      { title: STATED, groups: of(right.structure, cases), ...amount(right.structure) },
    ]
  }
  if (kind === 'case-for-case') {
    const [asked, taken] = [String(subject.case), String(subject.taken)]
    return [
      { title: `${taken}, which your numbers are of`, groups: of(right.structure, casesOf(problem, taken)) },
      { title: `${asked}, which is asked for`, groups: of(right.structure, casesOf(problem, asked)) },
    ]
  }
  const formulas = formulaVersions(kind, subject, right.structure, display)
  if (formulas) return formulas
  const said = wordsOf(problem, kind, subject, right.structure, wrong.structure, display)
  return (
    said && [
      { title: TAKEN, words: said[0] },
      { title: STATED, words: said[1] },
    ]
  )
}

/** The size of the load that a slip is about; its arrows are as long whatever it is. */
function amountOf(s: Structure, subject: Readonly<Record<string, unknown>>, display: Display): string {
  const load = s.cases.find((c) => c.id === subject.case)?.loads[Number(subject.load)]
  if (!load) return ''
  const { main, end, couple } = loadWords(load, display)
  return [main, end, couple].filter(Boolean).join(', ')
}

/** The cases whose loads act in a case or combination. */
function casesOf(problem: Problem, id: string | null): string[] {
  const combination = problem.combinations?.find((c) => c.id === id)
  return combination ? Object.keys(combination.factors) : id === null ? [] : [id]
}

/** Slips of a value that no drawing shows, each in the value it has and the value it should have. */
function wordsOf(
  problem: Problem,
  kind: string,
  subject: Readonly<Record<string, unknown>>,
  right: Structure,
  wrong: Structure,
  display: Display,
): readonly [string, string] | undefined {
  const name = [subject.node, subject.member, subject.case].find((v) => typeof v === 'string') ?? ''
  switch (kind) {
    case 'own-weight-left-out':
      return [`${name} without own weight`, `${name} with the own weight of its members`]
    case 'settlement-sign':
    case 'settlement-left-out': {
      const of = (s: Structure) => settlementOf(s, name, subject.component as Component, display)
      return [`${name} settles ${of(wrong)}`, `${name} settles ${of(right)}`]
    }
    case 'axial-neglected':
      return ['members keep their length', 'members change their length']
    case 'axial-counted':
      return ['members change their length', 'members keep their length']
    case 'equal-stiffness': {
      const key = right.members.every((m) => m.EI === right.members[0].EI) ? 'EA' : 'EI'
      const [first] = wrong.members
      return [
        `every member: ${key} ${rigidity(first, key, display)}`,
        stiffnesses(right.members, key, display),
      ]
    }
    case 'section': {
      const stated = problem.members.find((m) => m.id === name)?.section
      return [
        `${name} with the section ${String(subject.taken)}`,
        `${name} with its section ${stated ?? ''}`.trim(),
      ]
    }
    default:
      return undefined
  }
}

function settlementOf(s: Structure, node: string, c: Component, display: Display): string {
  const support = s.supports.find((p) => s.nodes[p.node].id === node)
  const v = support?.settlement[c] ?? 0
  if (v === 0) return 'not at all'
  if (c === 'rotation') return `${formatNumber(Math.abs(v))} rad ${v < 0 ? 'clockwise' : 'counter-clockwise'}`
  const way = c === 'x' ? (v < 0 ? 'to the left' : 'to the right') : v < 0 ? 'down' : 'up'
  return `${withUnit(Math.abs(v), display.displacement)} ${way}`
}

const MOST_NAMED = 4
/** E·I or E·A of a member, with its unit. */
const rigidity = (m: StructureMember, key: 'EA' | 'EI', { force, length }: Display): string =>
  key === 'EA'
    ? `${formatNumber(m.EA * force.perSI)} ${force.unit}`
    : `${formatNumber(m.EI * force.perSI * length.perSI ** 2)} ${force.unit}·${length.unit}²`

/** The same of some members, each by its name. */
function stiffnesses(members: readonly StructureMember[], key: 'EA' | 'EI', display: Display): string {
  const named = members.slice(0, MOST_NAMED).map((m) => `${m.id}: ${key} ${rigidity(m, key, display)}`)
  return named.join(', ') + (members.length > MOST_NAMED ? ' …' : '')
}
