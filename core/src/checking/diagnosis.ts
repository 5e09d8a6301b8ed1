import * as D from '../quantity/dimension.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Answer, Component, Problem } from '../document/types.js'
import { answerDimension } from '../kinds/answers/form.js'
import { siPerCoherent } from '../quantity/units.js'
import { computedFor } from './quantities.js'
import { statesEndForce } from './end-signs.js'
import { makeReader } from '../quantity/reader.js'
import { digitsOf, halfOfLastDigit } from './tolerance.js'

/** Why a hand value differs, as far as it can be told from the numbers. */
export interface Diagnosis {
  kind:
    'opposite-sign' | 'unit-factor' | 'other-place' | 'other-case' | 'other-quantity' | 'rounded' | 'factor'
  sentence: string
  /** By how many times the value is too large. */
  factor?: number
  /** What is at the place whose value it is: the keys of an answer that are others there. */
  place?: Partial<Answer>
  case?: string
  quantity?: string
}

/** Ratios by which a value goes wrong when a unit is mistaken, and what is mixed up then. */
const UNIT_SLIPS: readonly (readonly [number, string])[] = [
  [1000, 'a thousandfold unit, such as kN and N or m and mm'],
  [100, 'a hundredfold unit, such as m and cm'],
  [10, 'a power of ten'],
  [1e6, 'a millionfold unit, such as m² and mm²'],
  [4.4482216152605, 'kip and kN'],
  [3.28083989501312, 'feet and metres'],
  [9.80665, 'kgf and N (the acceleration of gravity)'],
]
/** The ratios of feet to inches, which are likely only where one of the two stands. */
const FOOT_SLIPS: readonly (readonly [number, string])[] = [
  [12, 'feet and inches'],
  [144, 'square feet and square inches'],
]
const FOOT_OR_INCH = /(?<![\p{L}])(?:ft|in)(?![\p{L}])|['"′″]/u

/**
 * Relative tolerance at which a hand value counts as a certain other value: half a percent, about three
 * figures.
 */
const SAME = 0.005

/** True where the hand value counts as the value given, SI. */
type Near = (v: number) => boolean

/**
 * Tries the common slips in order of likelihood: first those that give the very digits of the value (sign,
 * another case, place or quantity, then units), then those that come near it.
 * @param given,value hand and computed value in SI
 * @param allowed the tolerance that was in force
 */
export function diagnose(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer,
  given: number,
  value: number,
  allowed: number,
): Diagnosis | null {
  const rounded = roundedTo(problem, a, given, value)
  if (rounded) return rounded
  const { reader } = makeReader(problem.units, problem.symbols)
  const half = halfOfLastDigit(a.value, answerDimension(a), reader)
  const near: Near = (v) => Math.abs(given - v) <= Math.max(allowed, SAME * Math.abs(v))
  const exact: Near = half === undefined ? near : (v) => Math.abs(given - v) <= half * (1 + 1e-9)
  const sought = (fits: Near) => elsewhere(problem, solution, action, a, fits)
  if (given === 0 || value === 0) return value === 0 ? null : sought(near)
  const opposite: Diagnosis = { kind: 'opposite-sign', sentence: signSentence(problem, solution, a) }
  if (exact(-value)) return opposite
  return (
    sought(exact) ??
    unitSlip(problem, a, given, value, exact) ??
    (near(-value) ? opposite : null) ??
    sought(near) ??
    simpleFactor(given, value)
  )
}

/** A unit mistaken for another, to the digits given. */
function unitSlip(problem: Problem, a: Answer, given: number, value: number, exact: Near): Diagnosis | null {
  const feet = FOOT_OR_INCH.test(`${problem.units.length} ${String(a.value)}`)
  const sign = Math.sign(given * value)
  for (const [factor, what] of feet ? [...FOOT_SLIPS, ...UNIT_SLIPS] : UNIT_SLIPS)
    for (const f of [factor, 1 / factor])
      if (exact(sign * f * value))
        return {
          kind: 'unit-factor',
          factor: f,
          sentence:
            'The value is ' +
            `${f > 1 ? `${round(f)} times too large` : `${round(1 / f)} times too small`}: ${what} ` +
            `may have been mixed up${sign < 0 ? ', and the sign is opposite' : ''}.`,
        }
  return null
}

function simpleFactor(given: number, value: number): Diagnosis | null {
  const ratio = Math.abs(given / value)
  for (const f of [2, 0.5])
    if (Math.abs(ratio / f - 1) <= SAME)
      return {
        kind: 'factor',
        factor: f,
        sentence:
          f === 2 ? 'The value is twice what it should be.' : 'The value is half of what it should be.',
      }
  return null
}

const round = (x: number) => String(Number(x.toPrecision(4)))

function signSentence(problem: Problem, solution: Solution, a: Answer): string {
  if (statesEndForce(problem, solution, a))
    return (
      'The amount is right, the sign is opposite: the values at members’ ends are stated as forces on the ' +
      `member, ${a.quantity === 'moment' ? 'counter-clockwise' : 'along its y'} positive.`
    )
  switch (a.quantity) {
    case 'reaction':
    case 'displacement':
      return (
        'The amount is right, the sign is opposite: Viga counts ' +
        `${a.component === 'x' ? 'to the right' : a.component === 'y' ? 'upward' : 'counter-clockwise'} ` +
        'as positive.'
      )
    case 'fixed-end':
      return (
        'The amount is right, the sign is opposite: Viga counts what acts on the member, a moment positive ' +
        'counter-clockwise.'
      )
    case 'load-vector':
      return (
        'The amount is right, the sign is opposite: an entry of P is the load on the joint less the ' +
        'fixed-end ' +
        'forces there.'
      )
    case 'axial':
      return 'The amount is right, the sign is opposite: Viga counts tension as positive.'
    case 'moment':
      return (
        'The amount is right, the sign is opposite: Viga counts a moment as positive when it puts ' +
        'the −y face of the member in tension (sagging, for a member drawn from left to right).'
      )
    case 'shear':
      return (
        'The amount is right, the sign is opposite: Viga counts a shear as positive when it is up on ' +
        'the left part.'
      )
    default:
      return 'The amount is right, the sign is opposite.'
  }
}

/** The same quantity at other places, and the same place in other cases. */
function elsewhere(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer,
  near: (v: number) => boolean,
): Diagnosis | null {
  const matches = (other: Partial<Answer>, of = action) => {
    const c = computedFor(problem, solution, of, { ...a, ...other })
    return c.ok && D.equal(c.dimension, answerDimension(a)) && c.value !== 0 && near(c.value)
  }
  const found = (where: string, place: Partial<Answer>): Diagnosis => ({
    kind: 'other-place',
    sentence: `This is the value ${where}.`,
    place,
  })
  if (a.quantity === 'reaction' || a.quantity === 'displacement') {
    for (const component of ['x', 'y', 'rotation'] as Component[])
      if (component !== a.component && matches({ component }))
        return found(`of ${a.node} in ${component}`, { component })
    for (const node of solution.structure.nodes)
      if (node.id !== a.node && matches({ node: node.id })) return found(`at ${node.id}`, { node: node.id })
  } else if (a.member !== undefined && ['axial', 'shear', 'moment'].includes(a.quantity)) {
    const ends = (id: string): [string, string][] => {
      const m = solution.structure.members.find((t) => t.id === id)!
      return [
        ['0%', solution.structure.nodes[m.start].id],
        ['100%', solution.structure.nodes[m.end].id],
      ]
    }
    for (const [at, id] of ends(a.member))
      if (at !== a.at && matches({ at, side: undefined })) return found(`at ${id}`, { at })
    for (const m of solution.structure.members)
      if (m.id !== a.member)
        for (const [at, id] of ends(m.id))
          if (matches({ member: m.id, at, side: undefined }))
            return found(`in ${m.id} at ${id}`, { member: m.id, at })
  }
  for (const other of [...solution.cases, ...solution.combinations])
    if (other.id !== action.id && matches({}, other))
      return {
        kind: 'other-case',
        case: other.id,
        sentence: `This is the value of ${other.id}${other.title !== other.id ? ` (${other.title})` : ''}.`,
      }
  return otherQuantity(a, matches)
}

const FORCES = ['axial', 'shear'] as const

/** Another quantity of the same dimension at the same place: shear for axial force, and the reverse. */
function otherQuantity(a: Answer, matches: (other: Partial<Answer>) => boolean): Diagnosis | null {
  if (a.quantity !== 'axial' && a.quantity !== 'shear') return null
  for (const quantity of FORCES)
    if (quantity !== a.quantity && matches({ quantity, sense: undefined }))
      return {
        kind: 'other-quantity',
        quantity,
        sentence: `This is the ${quantity === 'axial' ? 'axial force' : 'shear'} at this place.`,
      }
  return null
}

/** A value that is right when it is rounded to fewer digits than it is given with. */
function roundedTo(problem: Problem, a: Answer, given: number, value: number): Diagnosis | null {
  const digits = digitsOf(a.value)
  if (digits === undefined || given === 0 || value === 0) return null
  const per = siPerCoherent(problem.units, answerDimension(a))
  // digits are those of the unit the value was written in: its own, or the coherent one
  const written = Number(/^\s*[-+−]?([\d.]+(?:[eE][-+]?\d+)?)/.exec(String(a.value))?.[1] ?? NaN)
  const unit = Number.isFinite(written) && written !== 0 ? Math.abs(given) / written : per
  const inUnit = Math.abs(value) / unit
  for (let n = digits - 1; n >= 2; n--)
    if (
      Math.abs(Number(inUnit.toPrecision(n)) - written) <= 1e-9 * written &&
      Math.sign(given) === Math.sign(value)
    )
      return {
        kind: 'rounded',
        sentence: `The value is right to ${n} digits, and is given with ${digits}.`,
      }
  return null
}
