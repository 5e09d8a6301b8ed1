import { describeLoad } from '../../kinds/loads/index.js'
import { scaledLoad } from '../../structure/scaled-load.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
import { inWords, loadsDrawn, loadSized } from './pictures.js'
import { structural, type SlipContext, type SlipKind } from './slip.js'

/** Slips of a single load: its sign, its presence, its size, its kind, its place. */

/** Loads come in with the joint loads of the stiffness method, and the fixed-end moments of the others. */
const LINE = { stiffness: 'loads', 'slope-deflection': 'fixed-end', 'moment-distribution': 'fixed-end' }

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

/** A factor as the contract writes it: `1/12`. */
const asFraction = (factor: number) =>
  factor < 1 ? `1/${Number((1 / factor).toPrecision(9))}` : String(factor)

/** The structure with one load of a case in another form. */
function withLoad(s: Structure, c: number, i: number, load: StatedLoad): Structure {
  const cases = s.cases.map((k, j) =>
    j !== c ? k : { ...k, loads: k.loads.map((l, n) => (n === i ? load : l)) },
  )
  return { ...s, cases }
}

/** The loads of all cases, each with its place. */
const loadsOf = ({ structure }: SlipContext) =>
  structure.cases.flatMap((c, ci) => c.loads.map((load, i) => ({ c, ci, load, i })))

/** A load as a slip has it, and what happened to it in words. */
interface Changed {
  load: StatedLoad
  words: string
  times?: number
  factor?: number
}

/** A kind of slip of a single load, by what it makes of each. */
const ofEachLoad = (
  kind: Pick<SlipKind, 'key' | 'did' | 'commonness' | 'picture'>,
  make: (load: StatedLoad, name: string, s: Structure) => readonly Changed[],
): SlipKind => ({
  about: ['case', 'load'],
  line: LINE,
  picture: loadsDrawn,
  ...kind,
  find: (ctx) =>
    loadsOf(ctx).flatMap(({ c, ci, load, i }) => {
      const { structure: s, problem } = ctx
      const stated = problem.loadCases?.[ci]?.loads[i]
      const name = stated ? describeLoad(stated, problem.units) : 'the load'
      return make(load, name, s).map(({ load: changed, words, times, factor }) =>
        structural(
          ctx,
          {
            subject: { case: c.id, load: i, ...(factor ? { factor } : {}) },
            sentence: `Your values fit ${words}.`,
            addsAt: `load ${ci} ${i} on ${load.type === 'nodal' ? 'joint' : load.member}`,
            ...(times === undefined ? {} : { times }),
          },
          () => withLoad(s, ci, i, changed),
        ),
      )
    }),
})

/** The load taken as so many times itself. */
const scaled = (load: StatedLoad, times: number, words: string, factor?: number): Changed[] => {
  const changed = scaledLoad(load, times)
  return changed ? [{ load: changed, words, times, factor }] : []
}

/** The load in another form, where it has one. */
const reshaped = (load: StatedLoad | undefined, words: string): Changed[] => (load ? [{ load, words }] : [])

const otherLength = (load: StatedLoad) =>
  load.type === 'distributed' && load.per === 'projection'
    ? 'of the member and not of its projection'
    : 'of the projection and not of the member'

const ownWeightLeftOut: SlipKind = {
  key: 'own-weight-left-out',
  did: 'forgot own weight',
  about: ['case'],
  commonness: 0.06,
  line: LINE,
  find: (ctx) =>
    ctx.structure.cases.flatMap(({ id, selfWeight }, ci) => {
      if (selfWeight === 0) return []
      const cases = ctx.structure.cases.map((k, j) => (j === ci ? { ...k, selfWeight: 0 } : k))
      const words = {
        subject: { case: id },
        sentence: `Your values fit a solution without the own weight of case ${id}.`,
        addsAt: `own weight ${ci} on all`,
      }
      return [structural(ctx, words, () => ({ ...ctx.structure, cases }))]
    }),
  picture: ({ subject }) =>
    inWords(
      `${String(subject.case)} without own weight`,
      `${String(subject.case)} with the own weight of its members`,
    ),
}

export const LOAD_SLIPS: readonly SlipKind[] = [
  ofEachLoad({ key: 'load-sign', did: 'took the load the other way', commonness: 0.12 }, (load, name) =>
    scaled(load, -1, `${name} taken in the opposite direction`),
  ),
  ofEachLoad({ key: 'load-left-out', did: 'forgot it', commonness: 0.1 }, (load, name) =>
    scaled(load, 0, `a solution without ${name}`),
  ),
  ofEachLoad(
    { key: 'load-doubled', did: 'counted it twice', commonness: 0.03, picture: loadSized },
    (load, name) => scaled(load, 2, `${name} counted twice`),
  ),
  {
    ...ofEachLoad(
      {
        key: 'load-factor',
        did: `has it wrong by a unit: ${FACTORS.map(([factor]) => asFraction(factor)).join(', ')}`,
        commonness: 0.02,
        picture: loadSized,
      },
      (load, name) =>
        FACTORS.flatMap(([factor, words]) => scaled(load, factor, `${name} taken ${words}`, factor)),
    ),
    about: ['case', 'load', 'factor'],
  },
  ofEachLoad(
    {
      key: 'load-as-resultant',
      did: 'put a distributed load as one force at its centroid',
      commonness: 0.06,
    },
    (load, name, s) => reshaped(resultant(s, load), `${name} put as one force at its centroid`),
  ),
  ofEachLoad(
    { key: 'load-basis', did: 'took per length for per projection or the reverse', commonness: 0.06 },
    (load, name, s) => reshaped(otherBasis(s, load), `${name} taken per length ${otherLength(load)}`),
  ),
  ofEachLoad(
    {
      key: 'load-from-other-end',
      did:
        'measured its place from the member’s other end (a and b exchanged); a varying load turned end ' +
        'for end',
      commonness: 0.06,
    },
    (load, name, s) => reshaped(fromOtherEnd(s, load), `${name} measured from the other end of the member`),
  ),
  ownWeightLeftOut,
]
