import type { Solution, Solved } from '../analysis/solve.js'
import { computedFor } from '../checking/quantities.js'
import { placeOn } from '../structure/place.js'
import type { Answer, Asked, Problem } from '../document/types.js'
import { answerDimension } from '../kinds/answers/index.js'
import type { Dimension } from '../quantity/dimension.js'
import { solve } from '../stability/second-order.js'
import type { Structure, StructureCase } from '../structure/types.js'
import { cubicAt, cubicThrough, SAMPLES, type Cubic } from './cubic.js'
import { unitLoad, type Direction } from './unit-load.js'

/** A part of a member over which an influence line is one polynomial. */
export interface LineStretch {
  /** From and to where on the member, m from its start. */
  from: number
  to: number
  /** The value by the share of the stretch, 0 to 1: SI units of the quantity for each N of the force. */
  value: Cubic
}

/** The line over one member; no stretches where the quantity is undetermined while the force is on it. */
export interface MemberLine {
  member: number
  stretches: readonly LineStretch[]
}

/** The value of a quantity for a unit force at each place of some members. */
export interface InfluenceLine {
  asked: Asked
  direction: Direction
  dimension: Dimension
  members: readonly MemberLine[]
}

/** Quantities that are read inside a member, where the force may stand left or right of the place. */
const INSIDE = new Set(['axial', 'shear', 'moment', 'deflection'])
/** Quantities that do not follow the force in proportion, or do not follow it at all. */
const NO_LINE: Readonly<Record<string, string>> = {
  maximum: 'The place of a maximum moves with the force: choose a place on the member.',
  minimum: 'The place of a minimum moves with the force: choose a place on the member.',
  stiffness: 'A stiffness does not depend on loads.',
  'load-factor': 'A critical factor is not in proportion to a load.',
}

/** Why a quantity has no influence line; undefined where it has one. */
export const lineRefusal = ({ quantity }: Asked): string | undefined => NO_LINE[quantity]

/** Parts shorter than this share of a member are none. */
const SHORTEST = 1e-9

/**
 * The influence line of a quantity: exact, since a force that moves along a part of a member between which
 * nothing jumps gives a cubic. The structure is solved for four places of the force on each such part.
 * @param only the members along which the force moves, by index
 * @param before a solution of the same structure, whose factorisation is used again
 * @returns the line, or why the structure cannot be solved
 */
export function influenceLine(
  problem: Problem,
  structure: Structure,
  asked: Asked,
  direction: Direction,
  only: readonly number[] = structure.members.map((_, i) => i),
  before?: Solved,
): { ok: true; line: InfluenceLine } | { ok: false; message: string } {
  const answer = { ...asked, id: 'asked', value: 0, case: undefined } as Answer
  const parts = only.flatMap((member) => partsOf(problem, structure, answer, member))
  const bare = unloaded(structure)
  const cases = parts.flatMap(({ member, from, to }, i) =>
    SAMPLES.map((share, k): StructureCase => ({
      id: `${i} ${k}`,
      title: '',
      category: 'other',
      selfWeight: 0,
      loads: unitLoad(structure, member, from + share * (to - from), direction),
    })),
  )
  const solved = solve({ ...bare, cases }, before)
  if (!solved.ok) return { ok: false, message: solved.error.message }
  const read = (c: number) => valueIn(problem, solved.solution, c, answer)
  const found = parts.map((part, i) => {
    const values = SAMPLES.map((_, k) => read(i * SAMPLES.length + k))
    return { ...part, values }
  })
  const largest = Math.max(...found.flatMap(({ values }) => values.map((v) => Math.abs(v ?? 0))))
  return {
    ok: true,
    line: {
      asked,
      direction,
      dimension: answerDimension(answer),
      members: only.map((member) => ({
        member,
        stretches: found
          .filter((f) => f.member === member)
          .flatMap(({ from, to, values }) => stretch(from, to, values, largest)),
      })),
    },
  }
}

/** Values smaller than this part of the largest of a line are rounding. */
const ROUNDING = 1e-12

function stretch(
  from: number,
  to: number,
  values: readonly (number | null)[],
  largest: number,
): LineStretch[] {
  const known = values.filter((v) => v !== null)
  if (known.length < values.length) return []
  const nothing = known.every((v) => Math.abs(v) <= ROUNDING * largest)
  return [{ from, to, value: nothing ? [0, 0, 0, 0] : cubicThrough(known) }]
}

/** The structure without anything that acts on it: no loads, settlements, combinations; of first order. */
const unloaded = (s: Structure): Structure => ({
  ...s,
  order: 1,
  combinations: [],
  supports: s.supports.map((p) => ({
    ...p,
    settlement: { x: 0, y: 0, rotation: 0 },
    settlementCase: 0,
  })),
})

/** The parts of a member on either side of the place that is read, where that is inside it. */
function partsOf(problem: Problem, s: Structure, a: Answer, member: number) {
  const m = s.members[member]
  const inside = INSIDE.has(a.quantity) && a.member === m.id && a.at !== undefined
  const place = inside ? placeOn(problem, a.at!, m) : undefined
  const isSplit =
    place !== undefined && place > SHORTEST * m.length && place < (1 - SHORTEST) * m.length && !m.bar
  const ends = isSplit ? [0, place, m.length] : [0, m.length]
  return ends.slice(1).map((to, i) => ({ member, from: ends[i], to }))
}

function valueIn(problem: Problem, solution: Solution, c: number, a: Answer): number | null {
  const found = computedFor(problem, solution, solution.cases[c], a)
  return found.ok && !Number.isNaN(found.value) ? found.value : null
}

/** The value of a line while the force stands at a place of a member, coming from the left or the right. */
export function lineAt({ stretches }: MemberLine, x: number, side: 'left' | 'right' = 'left'): number | null {
  const here = stretches.filter((t) => x >= t.from - SHORTEST * t.to && x <= t.to * (1 + SHORTEST))
  const found = side === 'left' ? here[0] : here[here.length - 1]
  return found ? cubicAt(found.value, (x - found.from) / (found.to - found.from)) : null
}
