import { levelPlaces } from './cubic.js'
import { ROUNDING, valueAlong, type Peak, type PathStretch } from './path.js'

/** A load of a train: its size, N, in the direction of the line, and how far behind the first it is. */
export interface TrainLoad {
  force: number
  /** Distance behind the first load, m; 0 for the first. */
  behind: number
}

/** A train of loads at its worst place: where its first load stands on the path, m, and the value, SI. */
export type WorstPlace = Peak

/**
 * The value while the first load of a train stands at a place; loads beside the path act on nothing.
 * @param side where a line jumps below a load, whether that load stands just left or just right of the jump
 */
export const trainValue = (
  path: readonly PathStretch[],
  train: readonly TrainLoad[],
  x: number,
  side: 'left' | 'right' = 'left',
): number => train.reduce((sum, { force, behind }) => sum + force * valueAlong(path, x - behind, side), 0)

/** A train turned round: its last load in front. */
export function reversedTrain(train: readonly TrainLoad[]): TrainLoad[] {
  const last = Math.max(0, ...train.map((t) => t.behind))
  return train
    .map(({ force, behind }) => ({ force, behind: last - behind }))
    .sort((a, b) => a.behind - b.behind)
}

/**
 * The worst places of a train that moves along a path: exact, since between two places at which a load passes
 * from one stretch to the next the value is a cubic of the place.
 */
export function worstPlaces(
  path: readonly PathStretch[],
  train: readonly TrainLoad[],
): { max: WorstPlace; min: WorstPlace } {
  const edges = path.flatMap((t) => [t.from, t.to])
  const passes = [...new Set(train.flatMap(({ behind }) => edges.map((e) => e + behind)))].sort(
    (a, b) => a - b,
  )
  const found: WorstPlace[] = [{ x: passes[0] ?? 0, value: 0 }]
  const see = (x: number) => {
    for (const side of ['left', 'right'] as const) found.push({ x, value: trainValue(path, train, x, side) })
  }
  passes.forEach((x, i) => {
    see(x)
    const next = passes[i + 1]
    if (next !== undefined) for (const level of levelBetween(path, train, x, next)) see(level)
  })
  const size = Math.max(0, ...path.flatMap((t) => t.value.map(Math.abs)))
  const small = ROUNDING * size * train.reduce((sum, t) => sum + Math.abs(t.force), 0)
  const best = (sign: number) => found.reduce((a, b) => (sign * b.value > sign * a.value + small ? b : a))
  return { max: best(1), min: best(-1) }
}

/** Places between two passes at which the value of a train is level. */
function levelBetween(
  path: readonly PathStretch[],
  train: readonly TrainLoad[],
  from: number,
  to: number,
): number[] {
  const middle = (from + to) / 2
  // the slope by the place is a sum of quadratics: a + b·(x − from) + c·(x − from)²
  let [a, b, c] = [0, 0, 0]
  for (const { force, behind } of train) {
    const t = path.find((o) => middle - behind > o.from && middle - behind < o.to)
    if (!t) continue
    const size = t.to - t.from
    const [, k1, k2, k3] = t.value
    const s0 = (from - behind - t.from) / size
    a += (force * (k1 + 2 * k2 * s0 + 3 * k3 * s0 * s0)) / size
    b += (force * (2 * k2 + 6 * k3 * s0)) / size ** 2
    c += (3 * force * k3) / size ** 3
  }
  const share = to - from
  const slope = [0, a * share, (b * share ** 2) / 2, (c * share ** 3) / 3] as const
  return levelPlaces(slope).map((part) => from + part * share)
}
