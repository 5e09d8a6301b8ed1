import * as D from '../../../quantity/dimension.js'
import { minus, over, sum, times, type Formula } from '../../expression.js'
import { endNumber, formula, index, type Context, type Kind, kinds, type Origin } from './kind.js'
import { toMember } from './belongs.js'
import { LOADS, loadsOn } from './loads.js'
import { superposed } from './superposed.js'
import { condensation } from './condensed.js'
import { turnLetter } from './stiffness.js'
import { ownWeight, termsOfLoad } from './load-terms.js'

/** Own fixed-end forces after some of the released ends are condensed: fᵢ′ = fᵢ − kᵢᵣ·fᵣ/(kᵣᵣ + s). */
function afterRelease(c: Context, id: string, step: number, r: number): Formula {
  const i = c.member(id)
  const { released } = c.solution.elements[i]
  if (step === 0) return c.letter('fixed-own', id, r + 1)
  return step === released.length ? c.letter('fixed', id, r + 1) : c.letter('fixed-part', id, step, r + 1)
}

function condensedForce(c: Context, id: string, step: number, r: number): Formula {
  const i = c.member(id)
  const { released } = c.solution.elements[i]
  const out = released[step - 1]
  const spring = typeof c.solution.structure.members[i].releases[out] === 'number'
  const k = (a: number, b: number) =>
    step - 1 === 0 ? c.letter('own', id, a + 1, b + 1) : c.letter('part', id, step - 1, a + 1, b + 1)
  const pivot = spring ? sum(k(out, out), c.letter('end-spring', id, out)) : k(out, out)
  return sum(
    afterRelease(c, id, step - 1, r),
    minus(over(times(k(r, out), afterRelease(c, id, step - 1, out)), pivot)),
  )
}

/** Fixed-end forces after each condensation, own ones first. */
function condensedForces(c: Context, i: number): number[][] {
  const { released } = c.solution.elements[i]
  const { releases } = c.solution.structure.members[i]
  const k = condensation(c.solution, i)
  const steps = [Array.from(c.action.fixedOwn.get(i) ?? new Float64Array(6))]
  released.forEach((r, step) => {
    const f = steps[step]
    const spring = releases[r]
    const pivot = k[step][7 * r] + (typeof spring === 'number' ? spring : 0)
    steps.push(f.map((v, a) => v - (k[step][6 * a + r] * f[r]) / pivot))
  })
  return steps
}

const forceDimension = (r: number) => (r % 3 === 2 ? D.moment : D.force)

/** Why a member held at both ends has no force of a component: nothing on it acts that way. */
const WITHOUT = ['acts along', 'acts across', 'bends'] as const

/** The fixed-end force of the loads on a member; where there is none, a sentence says so. */
function fromLoads(c: Context, i: number, r: number): Origin {
  const terms = [
    ...loadsOn(c, i).flatMap(({ n: at, load }) => termsOfLoad(c, i, at, load, r)),
    ...ownWeight(c, i, r),
  ]
  if (terms.length > 0) return formula(sum(...terms))()
  const { id } = c.solution.structure.members[i]
  return { kind: 'stated', words: `No load on ${id} ${WITHOUT[r % 3]} it.` }
}

/** End force number from 1 of a member, as an index with its member. */
function end(c: Context, id: string, at: string): { i: number; r: number } | undefined {
  const [i, r] = [c.member(id), index(at) - 1]
  return i < 0 || r < 0 || r > 5 ? undefined : { i, r }
}

/**
 * Fixed-end forces: of the member itself, with its released ends condensed, and turned to its joints' axes.
 */
export const FIXED_ENDS: Record<string, Kind> = {
  ...LOADS,
  ...kinds(toMember, {
    'fixed-own': superposed('fixed-own', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      return {
        symbol: {
          letter: 'f°',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: c.action.fixedOwn.get(i)?.[r] ?? 0,
        dimension: forceDimension(r),
        origin: () => fromLoads(c, i, r),
      }
    }),
    'fixed-part': superposed('fixed-part', (c, id, step, at) => {
      const it = end(c, id, at)
      if (!it || index(step) < 1 || index(step) >= c.solution.elements[it.i].released.length) return undefined
      return {
        symbol: {
          letter: `f${'′'.repeat(index(step))}`,
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: condensedForces(c, it.i)[index(step)][it.r],
        dimension: forceDimension(it.r),
        origin: () => formula(condensedForce(c, id, index(step), it.r))(),
      }
    }),
    fixed: superposed('fixed', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      const e = c.solution.elements[i]
      const found = {
        symbol: {
          letter: 'f',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: c.action.fixed.get(i)?.[r] ?? 0,
        dimension: forceDimension(r),
      }
      if (e.sprung && r % 3 === 0)
        return {
          ...found,
          origin: () => ({
            kind: 'solved',
            words: `${id} keeps its length: the springs at its ends share what acts along it.`,
          }),
        }
      if (c.solution.structure.members[i].releases[r] === true && e.released.includes(r))
        return {
          ...found,
          origin: () => ({
            kind: 'stated',
            words: `${['N', 'V', 'M'][r % 3]} is released at this end of ${id}.`,
          }),
        }
      if (e.released.length)
        return { ...found, origin: () => formula(condensedForce(c, id, e.released.length, r))() }
      return {
        ...found,
        origin: () => fromLoads(c, i, r),
      }
    }),
    /** Turned to the axes of the joints: Tᵀ·f. */
    'fixed-global': superposed('fixed-global', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      const { T } = c.solution.elements[i]
      const f = c.action.fixed.get(i)
      let si = 0
      for (let a = 0; a < 6; a++) si += T[6 * a + r] * (f?.[a] ?? 0)
      return {
        symbol: {
          letter: 'F',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si,
        dimension: forceDimension(r),
        origin: () => {
          const terms: Formula[] = []
          for (let a = 0; a < 6; a++)
            if (T[6 * a + r] !== 0 && f && f[a] !== 0)
              terms.push(times(turnLetter(c, id, a, r), c.letter('fixed', id, a + 1)))
          return formula(sum(...terms))()
        },
      }
    }),
  }),
}
