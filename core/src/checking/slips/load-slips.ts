import { describeLoad } from '../../kinds/loads/index.js'
import { scaledLoad } from '../../structure/scaled-load.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
import { structural, type Candidate, type SlipContext, type Slips } from './slip.js'

/** Slips of a single load: its sign, its presence, its size, its kind, its place. */

/** The resultant of a distributed load at its centroid; undefined where it has none. */
function resultant(s: Structure, l: StatedLoad): StatedLoad | undefined {
  if (l.type !== 'distributed') return undefined
  const m = s.members[l.member]
  let [total, moment] = [0, 0]
  for (let i = 1; i < l.points.length; i++) {
    const [a, b] = [l.points[i - 1], l.points[i]]
    const h = b.at - a.at
    total += ((a.q + b.q) / 2) * h
    moment += ((a.q + b.q) / 2) * h * a.at + ((a.q + 2 * b.q) / 6) * h * h
  }
  const at = moment / total
  if (!(at >= 0 && at <= m.length)) return undefined
  const share = l.per === 'projection' ? Math.abs(l.direction === 'X' ? m.sin : m.cos) : 1
  const along = l.direction === 'X' || l.direction === 'x'
  const force = total * share
  return {
    type: 'point',
    member: l.member,
    at,
    axes: l.direction === 'x' || l.direction === 'y' ? 'member' : 'global',
    fx: along ? force : 0,
    fy: along ? 0 : force,
    m: 0,
  }
}

/** Per length for per projection, or the reverse; undefined where the two are the same. */
function otherBasis(s: Structure, l: StatedLoad): StatedLoad | undefined {
  if (l.type !== 'distributed' || l.direction === 'x' || l.direction === 'y') return undefined
  const share = Math.abs(l.direction === 'X' ? s.members[l.member].sin : s.members[l.member].cos)
  return Math.abs(share - 1) < 1e-9 ? undefined : { ...l, per: l.per === 'length' ? 'projection' : 'length' }
}

/** The load measured from the other end of its member; undefined where that is the same. */
function fromOtherEnd(s: Structure, l: StatedLoad): StatedLoad | undefined {
  if (l.type === 'point') {
    const at = s.members[l.member].length - l.at
    return Math.abs(at - l.at) < 1e-9 ? undefined : { ...l, at }
  }
  if (l.type !== 'distributed' && l.type !== 'couple') return undefined
  const L = s.members[l.member].length
  const points = [...l.points].reverse().map((p) => ({ ...p, at: L - p.at }))
  const same = points.every((p, i) => Math.abs(p.at - l.points[i].at) < 1e-9 * L && p.q === l.points[i].q)
  return same ? undefined : { ...l, points }
}

const FACTORS: readonly (readonly [number, string])[] = [
  [1000, 'a thousand times too large'],
  [1 / 1000, 'a thousand times too small'],
  [12, 'twelve times too large, as feet for inches'],
  [1 / 12, 'twelve times too small, as inches for feet'],
  [9.80665, '9.81 times too large, as newtons for kilograms-force'],
  [1 / 9.80665, '9.81 times too small, as kilograms-force for newtons'],
  [10, 'ten times too large'],
  [1 / 10, 'ten times too small'],
  [100, 'a hundred times too large'],
  [1 / 100, 'a hundred times too small'],
]

/** The structure with one load of a case in another form. */
function withLoad(s: Structure, c: number, i: number, load: StatedLoad): Structure {
  const cases = s.cases.map((k, j) =>
    j !== c ? k : { ...k, loads: k.loads.map((l, n) => (n === i ? load : l)) },
  )
  return { ...s, cases }
}

export const loadSlips: Slips = (ctx: SlipContext) =>
  ctx.structure.cases.flatMap((c, ci) => [
    ...c.loads.flatMap((load, i) => ofLoad(ctx, ci, i, load)),
    ...(c.selfWeight !== 0 ? [ownWeight(ctx, ci)] : []),
  ])

/** A slip of one load, as it is made from the form that the load then has. */
type OfLoad = (
  kind: string,
  commonness: number,
  changed: StatedLoad | undefined,
  sentence: string,
  more?: Pick<Candidate, 'times'> & { factor?: number },
) => Candidate[]

const slipsOfLoad =
  (ctx: SlipContext, ci: number, i: number, load: StatedLoad): OfLoad =>
  (kind, commonness, changed, sentence, { factor, ...more } = {}) =>
    changed
      ? [
          structural(
            ctx,
            {
              kind,
              subject: { case: ctx.structure.cases[ci].id, load: i, ...(factor ? { factor } : {}) },
              commonness,
              sentence,
              step: 'loads',
              addsAt: `load ${ci} ${i} on ${load.type === 'nodal' ? 'joint' : load.member}`,
              ...more,
            },
            () => withLoad(ctx.structure, ci, i, changed),
          ),
        ]
      : []

function ofLoad(ctx: SlipContext, ci: number, i: number, load: StatedLoad): Candidate[] {
  const { structure: s, problem } = ctx
  const stated = problem.loadCases?.[ci]?.loads[i]
  const name = stated ? describeLoad(stated, problem.units) : 'the load'
  const make = slipsOfLoad(ctx, ci, i, load)
  const scaled = (kind: string, commonness: number, times: number, words: string, factor?: number) =>
    make(kind, commonness, scaledLoad(load, times), `Your values fit ${words}.`, { times, factor })
  const otherLength =
    load.type === 'distributed' && load.per === 'projection'
      ? 'of the member and not of its projection'
      : 'of the projection and not of the member'
  return [
    ...scaled('load-sign', 0.12, -1, `${name} taken in the opposite direction`),
    ...scaled('load-left-out', 0.1, 0, `a solution without ${name}`),
    ...scaled('load-doubled', 0.03, 2, `${name} counted twice`),
    ...FACTORS.flatMap(([factor, words]) =>
      scaled('load-factor', 0.02, factor, `${name} taken ${words}`, factor),
    ),
    ...make(
      'load-as-resultant',
      0.06,
      resultant(s, load),
      `Your values fit ${name} put as one force at its centroid.`,
    ),
    ...make(
      'load-basis',
      0.06,
      otherBasis(s, load),
      `Your values fit ${name} taken per length ${otherLength}.`,
    ),
    ...make(
      'load-from-other-end',
      0.06,
      fromOtherEnd(s, load),
      `Your values fit ${name} measured from the other end of the member.`,
    ),
  ]
}

function ownWeight(ctx: SlipContext, ci: number): Candidate {
  const { structure: s } = ctx
  const { id } = s.cases[ci]
  const cases = s.cases.map((k, j) => (j === ci ? { ...k, selfWeight: 0 } : k))
  return structural(
    ctx,
    {
      kind: 'own-weight-left-out',
      subject: { case: id },
      commonness: 0.06,
      sentence: `Your values fit a solution without the own weight of case ${id}.`,
      step: 'loads',
      addsAt: `own weight ${ci} on all`,
    },
    () => ({ ...s, cases }),
  )
}
