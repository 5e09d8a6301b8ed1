import type { Course, CourseKey, PlaceState, Stretch } from '../analysis/course.js'
import { antiderivative } from '../analysis/polynomial.js'
import { intensity, places, PolynomialStretch } from '../analysis/polynomial-course.js'
import type { MemberActions } from '../structure/actions.js'
import type { StructureMember } from '../structure/types.js'
import { chainOf, past, startOf, type Link, type Part } from './chain.js'
import { fieldSeries, stateOf, type Series } from './field.js'

/** A stretch in pieces, each a power series; the joins between them are no places of anything. */
class PiecewiseStretch implements Stretch {
  constructor(private readonly pieces: readonly PolynomialStretch[]) {}

  get x0(): number {
    return this.pieces[0].x0
  }
  get x1(): number {
    return this.pieces[this.pieces.length - 1].x1
  }
  private on(x: number): PolynomialStretch {
    return this.pieces.find((p) => x <= p.x1) ?? this.pieces[this.pieces.length - 1]
  }
  value(key: CourseKey, x: number): number {
    return this.on(x).value(key, x)
  }
  at(x: number): PlaceState {
    return this.on(x).at(x)
  }
  roots(key: CourseKey, level = 0): number[] {
    return this.joined(
      (p) => p.roots(key, level),
      (x) => this.on(x).value(key, x) - level,
    )
  }
  turningPoints(key: CourseKey, slope = 0): number[] {
    const rate = (p: PolynomialStretch, x: number, way: 1 | -1) => {
      const h = (p.x1 - p.x0) * 1e-6
      return (way * (p.value(key, x + way * h) - p.value(key, x))) / h - slope
    }
    return this.joined(
      (p) => p.turningPoints(key, slope),
      undefined,
      (before, after, x) => rate(before, x, -1) * rate(after, x, 1) <= 0,
    )
  }
  isStraight(key: CourseKey, tolerance: number): boolean {
    const [a, b] = [this.value(key, this.x0), this.value(key, this.x1)]
    return this.pieces.every(
      (p) =>
        p.isStraight(key, tolerance) &&
        Math.abs(p.value(key, p.x1) - a - ((b - a) * (p.x1 - this.x0)) / (this.x1 - this.x0)) <= tolerance,
    )
  }
  /** Places found inside the pieces, and the joins between them where one falls upon a join. */
  private joined(
    find: (p: PolynomialStretch) => number[],
    height?: (x: number) => number,
    turns?: (before: PolynomialStretch, after: PolynomialStretch, x: number) => boolean,
  ): number[] {
    const out: number[] = []
    this.pieces.forEach((p, i) => {
      const before = this.pieces[i - 1]
      if (before && (height ? height(p.x0) === 0 : turns!(before, p, p.x0))) out.push(p.x0)
      out.push(...find(p))
    })
    return out
  }
}

/** A course of second order: exact, by power series that are short enough for every digit. */
export class BentCourse implements Course {
  constructor(
    readonly length: number,
    readonly stretches: readonly Stretch[],
    readonly start: PlaceState,
    readonly end: PlaceState,
  ) {}

  /** Second order keeps no balance of energy. */
  strainWork(): number {
    return NaN
  }
  loadWork(): number {
    return NaN
  }
}

/**
 * The course of a member on its bent shape.
 * @param forces six end forces, member axes, N and N·m
 * @param ends six own end displacements, member axes, m and rad
 */
export function bentCourse(
  m: StructureMember,
  actions: MemberActions | undefined,
  forces: ArrayLike<number>,
  ends: ArrayLike<number>,
): BentCourse {
  const axial = axialPieces(m, actions, -forces[0], ends[0])
  const stretches = m.bar ? straight(m, axial, ends) : bentStretches(m, actions, axial, forces, ends)
  const [first, last] = [stretches[0].at(0), stretches[stretches.length - 1].at(m.length)]
  // outside of what acts at an end stand the end forces; where nothing acts there, the course goes through
  const start: PlaceState = actsAt(m, actions, 0)
    ? { N: -forces[0], V: forces[1], M: -forces[2], slope: ends[2], v: ends[1], u: ends[0] }
    : first
  const end: PlaceState = actsAt(m, actions, m.length)
    ? { N: forces[3], V: -forces[4], M: forces[5], slope: ends[5], v: ends[4], u: last.u }
    : last
  return new BentCourse(m.length, stretches, start, end)
}

const actsAt = (m: StructureMember, actions: MemberActions | undefined, x: number): boolean =>
  !m.bar &&
  [...(actions?.points ?? []), ...(actions?.jumps ?? [])].some((p) => Math.abs(p.x - x) <= 1e-10 * m.length)

interface AxialPiece {
  x0: number
  x1: number
  N: number[]
  u: number[]
}

/** N and u between the places of load, in powers of the distance from the start of each. */
function axialPieces(
  m: StructureMember,
  actions: MemberActions | undefined,
  N0: number,
  u0: number,
): AxialPiece[] {
  const at = places(m.length, actions)
  const near = (x: number, y: number) => Math.abs(x - y) <= 1e-10 * m.length
  const out: AxialPiece[] = []
  let [start, from] = [N0, u0]
  for (let i = 0; i < at.length - 1; i++) {
    for (const p of actions?.points ?? []) if (near(p.x, at[i])) start -= p.fx
    const { p } = intensity(at[i], at[i + 1], m.length, actions)
    const N = antiderivative([-p[0], -p[1]], start)
    const strain = actions?.axialStrain ?? 0
    const u = antiderivative(
      m.axiallyRigid ? [strain] : N.map((a, k) => a / m.EA + (k === 0 ? strain : 0)),
      from,
    )
    out.push({ x0: at[i], x1: at[i + 1], N, u })
    const h = at[i + 1] - at[i]
    start = N.reduceRight((s, a) => s * h + a, 0)
    from = u.reduceRight((s, a) => s * h + a, 0)
  }
  return out
}

/** A bar stays straight between its ends; its shear force is that of its axial force on the turned chord. */
function straight(m: StructureMember, axial: readonly AxialPiece[], ends: ArrayLike<number>): Stretch[] {
  const slope = (ends[4] - ends[1]) / m.length
  return axial.map(
    ({ x0, x1, N, u }) =>
      new PolynomialStretch(x0, x1, {
        N,
        V: N.map((a) => -a * slope),
        M: [0],
        slope: [slope],
        v: [ends[1] + slope * x0, slope],
        u,
      }),
  )
}

function bentStretches(
  m: StructureMember,
  actions: MemberActions | undefined,
  axial: readonly AxialPiece[],
  forces: ArrayLike<number>,
  ends: ArrayLike<number>,
): Stretch[] {
  const chain = chainOf(m, actions, { start: -forces[0], factor: 1 })
  const at = chain.places([ends[1], ends[2], ends[4], ends[5]])
  const pieces = chain.links.flatMap((link, i) => {
    const { v, slope } = chain.jumps[i]
    return piecesOf(link, axial, [at[i][0] + v, at[i][1] + slope, at[i + 1][0], at[i + 1][1]])
  })
  return axial.map(({ x0, x1 }) => {
    const within = pieces.filter((p) => (p.x0 + p.x1) / 2 > x0 && (p.x0 + p.x1) / 2 < x1)
    return within.length === 1 ? within[0] : new PiecewiseStretch(within)
  })
}

function piecesOf(
  link: Link,
  axial: readonly AxialPiece[],
  d: readonly [number, number, number, number],
): PolynomialStretch[] {
  let state = startOf(link, d)
  return link.parts.map((part, i) => {
    if (i > 0) state = past(state, part.jump)
    const series = fieldSeries(part.piece, state, part.load)
    state = stateOf(series, part.piece.h)
    return pieceOf(part, axial, series)
  })
}

function pieceOf(
  { x0, x1 }: Part,
  axial: readonly AxialPiece[],
  { v, slope, M, V }: Series,
): PolynomialStretch {
  const middle = (x0 + x1) / 2
  const on = axial.find((a) => middle > a.x0 && middle < a.x1)!
  const t = x0 - on.x0
  const shift = (p: readonly number[]) => [
    p.reduceRight((s, a) => s * t + a, 0),
    ...p.slice(1).map((_, k) => taylor(p, k + 1, t)),
  ]
  return new PolynomialStretch(x0, x1, { N: shift(on.N), V, M, slope, v, u: shift(on.u) })
}

/** The k-th coefficient of a polynomial about another origin. */
function taylor(p: readonly number[], k: number, t: number): number {
  let out = 0
  for (let i = p.length - 1; i >= k; i--) {
    let binomial = 1
    for (let j = 0; j < k; j++) binomial = (binomial * (i - j)) / (j + 1)
    out += p[i] * binomial * t ** (i - k)
  }
  return out
}
