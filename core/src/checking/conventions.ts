import type { Solution } from '../analysis/solve.js'
import type { Answer, Problem } from '../document/types.js'
import type { Judged } from './judged.js'
import { REVERSED_END } from './end-signs.js'
import { endOf } from '../structure/place.js'
import { computedValues } from './slips/values.js'

/** A family of quantities whose sign is a convention: all of a sheet's answers of it are signed alike. */
type Family = 'axial' | 'shear' | 'moment' | 'reaction moment' | 'fixed-end moment'

/** All values of an answer that are right under a convention, SI. */
type Values = readonly number[] | undefined

/** A sign convention that a hand solution may have instead of the usual one. */
interface Convention {
  /** The values of an answer under the convention; undefined for an answer it says nothing of. */
  values(answer: Answer): Values
  /** True where the answers are enough to tell the convention from the usual one. */
  isShownBy(answers: readonly Judged[]): boolean
}

function familyOf(a: Answer): Family | undefined {
  if (a.sense) return undefined
  if (a.quantity === 'axial' || a.quantity === 'shear' || a.quantity === 'moment') return a.quantity
  if (a.quantity === 'maximum' || a.quantity === 'minimum')
    return a.of === 'axial' || a.of === 'shear' || a.of === 'moment' ? a.of : undefined
  if (a.quantity === 'fixed-end') return a.component === 'rotation' ? 'fixed-end moment' : undefined
  return a.quantity === 'reaction' && a.component === 'rotation' ? 'reaction moment' : undefined
}

const negatives = (values: Values) => values?.map((v) => -v)

/**
 * Every sign the other way round. Of the largest and the smallest value of a family people write minus that
 * value, or minus the other one, which is the largest of their own diagram.
 */
function opposite(problem: Problem, solution: Solution): Convention {
  const turned = (a: Answer): Answer[] =>
    a.quantity === 'maximum' || a.quantity === 'minimum'
      ? [a, { ...a, quantity: a.quantity === 'maximum' ? 'minimum' : 'maximum', at: undefined }]
      : [a]
  return {
    values: (a) => {
      const all = turned(a).map((t) => negatives(computedValues(problem, solution, t)))
      return all.some((v) => v !== undefined) ? all.flatMap((v) => v ?? []) : undefined
    },
    isShownBy: (answers) => answers.length >= 2,
  }
}

/**
 * The signs of the slope–deflection equations: end moments counter-clockwise on the member are positive, and
 * end shears are forces on the member along its y. Inside the span and for extremes the usual signs hold.
 */
function slopeDeflection(problem: Problem, solution: Solution, family: 'moment' | 'shear'): Convention {
  const end = (a: Answer) => {
    const m = solution.structure.members.find((o) => o.id === a.member)
    return a.quantity === family && m ? endOf(problem, a, m) : undefined
  }
  return {
    values: (a) => {
      const at = end(a)
      if (at === undefined) return undefined
      const usual = computedValues(problem, solution, a)
      return at === REVERSED_END[family] ? negatives(usual) : usual
    },
    isShownBy: (answers) => {
      const ends = new Set(answers.map((j) => end(j.answer)))
      return ends.has('start') && ends.has('end')
    },
  }
}

/**
 * The answers of a family that are right under a convention which all of them it says something of fit, the
 * zeros apart; none where they do not.
 */
function rightUnder(convention: Convention, all: readonly Judged[]): Judged[] {
  const about = all.flatMap((j) => {
    const values = convention.values(j.answer)
    return values === undefined ? [] : [{ j, values }]
  })
  const answers = about.map(({ j }) => j)
  if (answers.every((j) => j.given === 0) || answers.every((j) => j.agrees)) return []
  const fits = about.every(({ j, values }) =>
    values.some((v) => Math.abs(j.given - v) <= j.allowed(v) + Number.MIN_VALUE),
  )
  return fits && convention.isShownBy(answers) ? answers.filter((j) => !j.agrees) : []
}

/** The answers of a sheet that are right under another sign convention, by id. */
export function underOtherConvention(
  problem: Problem,
  solution: Solution,
  judged: readonly Judged[],
): Set<string> {
  const families = new Map<Family, Judged[]>()
  for (const j of judged) {
    const family = familyOf(j.answer)
    if (family) families.set(family, [...(families.get(family) ?? []), j])
  }
  const out = new Set<string>()
  for (const [family, all] of families) {
    const conventions = [opposite(problem, solution)]
    if (family === 'moment' || family === 'shear')
      conventions.push(slopeDeflection(problem, solution, family))
    for (const convention of conventions) for (const j of rightUnder(convention, all)) out.add(j.answer.id)
  }
  return out
}
