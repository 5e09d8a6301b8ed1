import type { Solved } from '../analysis/solve.js'
import type { Asked, Problem } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import { influenceLine } from './line.js'
import { alongPath, type PathMember } from './path.js'
import { reversedTrain, worstPlaces, type TrainLoad } from './train.js'

/** The greatest and the least value at a place of a member while a train drives along its path, SI. */
export interface MovingPoint {
  member: number
  /** m from the member's start. */
  x: number
  max: Standing
  min: Standing
}

/** A value, and where the first load of the train stands then, m from the start of the path. */
export interface Standing {
  value: number
  front: number
  /** The train drives with its last load in front. */
  turned: boolean
}

/** A worst value of all places. */
export type AbsoluteWorst = Standing & { member: number; x: number }

export interface MovingEnvelope {
  quantity: 'moment' | 'shear'
  points: readonly MovingPoint[]
  /** The greatest and the least of all places, their places found exactly. */
  greatest: AbsoluteWorst
  least: AbsoluteWorst
}

/** A train, its path, and the quantity that is asked for. */
export interface Moving {
  problem: Problem
  structure: Structure
  path: readonly PathMember[]
  train: readonly TrainLoad[]
  quantity: 'moment' | 'shear'
  /** A solution of the same structure, whose factorisation is used again. */
  before?: Solved
}

/** Places along each member at which the worst is found. */
const PLACES = 24
/** Steps by which the place of the worst of all is narrowed. */
const STEPS = 44
const GOLDEN = (Math.sqrt(5) - 1) / 2

/** The worst values at a share of a member, the train either way round. */
function worstAt(of: Moving, member: number, share: number): MovingPoint | undefined {
  const { problem, structure, path, train, quantity, before } = of
  const m = structure.members[member]
  const asked = { quantity, member: m.id, at: `${100 * share}%` } as Asked
  const members = path.map((p) => p.member)
  const found = influenceLine(problem, structure, asked, '-Y', members, before)
  const stretches = found.ok ? alongPath(structure, found.line, path) : undefined
  if (!stretches) return undefined
  const ways = [train, reversedTrain(train)].map((t) => worstPlaces(stretches, t))
  const best = (side: 'max' | 'min'): Standing => {
    const [a, b] = ways.map((w) => w[side])
    const sign = side === 'max' ? 1 : -1
    const turned = sign * b.value > sign * a.value * (1 + 1e-12)
    const { value, x } = turned ? b : a
    return { value, front: x, turned }
  }
  return { member, x: share * m.length, max: best('max'), min: best('min') }
}

/**
 * The envelope of a train that drives along a path, either way round: exact at the places that are looked at,
 * and the absolute greatest and least value with the section at which it arises.
 * @returns undefined where the structure cannot be solved
 */
export function movingEnvelope(of: Moving): MovingEnvelope | undefined {
  const { structure, path, quantity } = of
  const points = path.flatMap(({ member }) =>
    Array.from({ length: PLACES + 1 }, (_, k) => worstAt(of, member, k / PLACES) ?? []).flat(),
  )
  if (points.length < path.length * (PLACES + 1)) return undefined
  const worst = (side: 'max' | 'min'): AbsoluteWorst => {
    const sign = side === 'max' ? 1 : -1
    const best = points.reduce((a, b) => (sign * b[side].value > sign * a[side].value ? b : a))
    const { length } = structure.members[best.member]
    const at = (share: number) => worstAt(of, best.member, atEnd(share))!
    const found = narrowed(at, (p) => sign * p[side].value, best.x / length)
    const point = sign * found[side].value > sign * best[side].value ? found : best
    return { member: point.member, x: point.x, ...point[side] }
  }
  return { quantity, points, greatest: worst('max'), least: worst('min') }
}

/** A place this near to an end of a member is that end: a load could not stand between. */
const atEnd = (share: number): number => (share < 1e-6 ? 0 : share > 1 - 1e-6 ? 1 : share)

/** The place near a share of a member at which a value is largest, by the golden section. */
function narrowed(
  at: (share: number) => MovingPoint,
  value: (p: MovingPoint) => number,
  near: number,
): MovingPoint {
  let [a, b] = [Math.max(0, near - 1 / PLACES), Math.min(1, near + 1 / PLACES)]
  let [lo, hi] = [at(b - GOLDEN * (b - a)), at(a + GOLDEN * (b - a))]
  for (let k = 0; k < STEPS; k++) {
    if (value(lo) > value(hi)) {
      b = a + GOLDEN * (b - a)
      hi = lo
      lo = at(b - GOLDEN * (b - a))
    } else {
      a = b - GOLDEN * (b - a)
      lo = hi
      hi = at(a + GOLDEN * (b - a))
    }
  }
  return value(lo) > value(hi) ? lo : hi
}
