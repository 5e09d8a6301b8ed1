import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { addressOf } from '../address.js'
import { minus, number, over, sum, times, type Formula, type Letter } from '../expression.js'
import type { Beam, RigidFrame } from '../frames/model.js'
import { at, endLetters, ENDS } from '../frames/names.js'
import type { Notes } from '../notes.js'
import { carryOver } from './distribute.js'
import { noteDistribution, sumAt, type Distributing } from './table.js'
import type { Distributed } from './work.js'

type Letters = (address: string) => Letter
const both = [0, 1] as const

const stiffnessAt = (id: string, e: 0 | 1) => addressOf('stiffness', id, ENDS[e])

/** Notes stiffness, distribution and carry-over factor of every end that turns with its joint. */
export function noteFactors(notes: Notes, f: RigidFrame, { joints }: Distributed): void {
  const { members, nodes } = f.structure
  for (const j of joints) {
    const joint = nodes[j.node].id
    const spring = f.springs.get(j.node)
    if (spring)
      notes.put(['spring', joint], {
        symbol: { letter: 'k', sub: joint },
        si: spring,
        dimension: D.moment,
        from: 'The rotational spring of its support.',
        of: [thing.node(joint)],
      })
    if (f.couples[j.node] !== 0)
      notes.put(['couple', joint], {
        symbol: { letter: 'C', sub: joint },
        si: f.couples[j.node],
        dimension: D.moment,
        from: 'The couple on the joint, with the moments of overhangs.',
        of: [thing.node(joint)],
      })
    const all = j.ends.map((k): [string, 0 | 1] => [members[f.beams[k >> 1].member].id, (k & 1) as 0 | 1])
    j.ends.forEach((k, n) => {
      const b = f.beams[k >> 1]
      const [id, e] = all[n]
      noteStiffness(notes, f, b, e)
      notes.put(['factor', id, ENDS[e]], {
        symbol: { letter: 'DF', sub: endLetters(f.structure, b.member, e) },
        si: j.factors[n],
        dimension: D.none,
        of: [thing.member(id)],
        from: (l) =>
          over(
            l(stiffnessAt(id, e)),
            sum(
              ...all.map(([o, oe]) => l(stiffnessAt(o, oe))),
              ...(spring ? [l(addressOf('spring', joint))] : []),
            ),
          ),
      })
      notes.put(['carried', id, ENDS[e]], {
        symbol: { letter: 'CO', sub: endLetters(f.structure, b.member, e) },
        si: carryOver(f, k),
        dimension: D.none,
        of: [thing.member(id)],
        from: b.modified
          ? 'The far end has a known moment: nothing is carried over to it.'
          : b.sprung
            ? 'With the springs at the ends of the member.'
            : 'Of a member with the same section throughout, half arrives at the far end.',
      })
    })
  }
}

function noteStiffness(notes: Notes, f: RigidFrame, b: Beam, e: 0 | 1): void {
  const m = f.structure.members[b.member]
  notes.put(['stiffness', m.id, ENDS[e]], {
    symbol: { letter: 'K', sub: endLetters(f.structure, b.member, e) },
    si: b.stiffness[e][e],
    dimension: D.moment,
    of: [thing.member(m.id)],
    from: b.sprung
      ? 'The moment for a turn of 1, with the springs at its ends.'
      : (l) => over(times(number(b.modified ? 3 : 4), l(at.rigidity(m.id))), l(at.length(m.id))),
  })
}

/** Notes the moments that the distribution of the loads begins with. */
function noteBegin(notes: Notes, f: RigidFrame, fixed: Float64Array, coherent: Coherent): void {
  f.beams.forEach((b, i) => {
    const m = f.structure.members[b.member]
    const psi = f.given[b.member]
    for (const e of both) {
      const k = b.stiffness[e]
      const turned = b.nodes.reduce((t, n, j) => t + k[j] * (f.held.get(n) ?? 0), 0)
      const chord = (k[0] + k[1]) * psi
      notes.put(['begin', 0, m.id, ENDS[e]], {
        symbol: { letter: 'F', sub: endLetters(f.structure, b.member, e) },
        si: fixed[2 * i + e],
        dimension: D.moment,
        of: [thing.member(m.id)],
        from: (l) =>
          sum(
            ownFixed(b, m.id, e, l),
            ...(chord === 0 ? [] : [minus(chordMoment(b, m.id, psi, chord, l, coherent))]),
            ...(turned === 0 ? [] : [number(coherent(turned, D.moment))]),
          ),
      })
    }
  })
}

type Coherent = (si: number, d: D.Dimension) => number

function ownFixed(b: Beam, id: string, e: 0 | 1, l: Letters): Formula {
  if (b.ends[e].known !== undefined) return l(at.moment(id, e))
  return l(b.modified || b.sprung ? at.modified(id, e) : at.fixed(id, e))
}

/** 6EIψ/L, or 3EIψ/L where the far end has a known moment. */
const chordMoment = (
  b: Beam,
  id: string,
  psi: number,
  chord: number,
  l: Letters,
  coherent: Coherent,
): Formula =>
  b.sprung
    ? number(coherent(chord, D.moment))
    : over(times(number(b.modified ? 3 : 6), l(at.rigidity(id)), number(psi)), l(at.length(id)))

/** Notes the distributions, the holding forces, the correction factors and the end moments. */
export function noteDistributions(
  notes: Notes,
  f: RigidFrame,
  d: Distributed,
  coherent: Coherent,
  digit?: number,
): void {
  const { structure: s, sways } = f
  noteBegin(notes, f, d.held.fixed, coherent)
  const all = distributings(f, d, digit)
  d.sways.forEach((c, t) => {
    f.beams.forEach((b, i) => {
      const m = s.members[b.member]
      for (const e of both) {
        const si = c.distribution.fixed[2 * i + e]
        const psi = sways[t].chords[b.member] * c.scale
        notes.put(['begin', t + 1, m.id, ENDS[e]], {
          symbol: { letter: `FEM${'′'.repeat(t + 1)}`, sub: endLetters(s, b.member, e) },
          si,
          dimension: D.moment,
          of: [thing.member(m.id)],
          from: (l) => (si === 0 ? number(0) : minus(chordMoment(b, m.id, psi, -si, l, coherent))),
        })
      }
    })
  })
  for (const w of all) noteDistribution(notes, w)
  noteHolding(notes, f, d, all, coherent)
  f.beams.forEach((b, i) => {
    const m = s.members[b.member]
    for (const e of both) {
      const k = 2 * i + e
      notes.put(['moment', m.id, ENDS[e]], {
        symbol: { letter: 'M', sub: endLetters(s, b.member, e) },
        si: d.moments[i][e],
        dimension: D.moment,
        of: [thing.member(m.id)],
        from:
          b.ends[e].known !== undefined
            ? 'That end has a known moment.'
            : (l) =>
                sum(
                  l(sumAt(all[0], k)),
                  ...d.sways.map((_, t) => times(l(addressOf('correction', t + 1)), l(sumAt(all[t + 1], k)))),
                ),
      })
    }
  })
}

/** The distributions of a frame: of the loads, then of each sway. */
export const distributings = (f: RigidFrame, d: Distributed, digit?: number): Distributing[] =>
  [d.held, ...d.sways.map((c) => c.distribution)].map((one, c) => ({ f, joints: d.joints, c, d: one, digit }))

/** Notes what holds each sway in the case of the loads and in each sway case, and the correction factors. */
function noteHolding(
  notes: Notes,
  f: RigidFrame,
  d: Distributed,
  all: readonly Distributing[],
  coherent: Coherent,
): void {
  const ends = (c: number, chords: Float64Array, l: Letters): Formula[] =>
    f.beams.flatMap((b, i): Formula[] => {
      const psi = chords[b.member]
      if (psi === 0) return []
      const pair = sum(l(sumAt(all[c], 2 * i)), l(sumAt(all[c], 2 * i + 1)))
      const turned = 1 / coherent(1 / psi, D.length)
      return [turned < 0 ? minus(times(number(-turned), pair)) : times(number(turned), pair)]
    })
  f.sways.forEach((s, t) => {
    notes.put(['holding', t + 1, 0], {
      symbol: { letter: 'W', sub: `${t + 1}0` },
      si: d.holding[t],
      dimension: D.force,
      from: (l) => sum(...ends(0, s.chords, l), number(coherent(f.work[t], D.force))),
    })
    d.sways.forEach((c, u) =>
      notes.put(['holding', t + 1, u + 1], {
        symbol: { letter: 'W', sub: `${t + 1}${u + 1}` },
        si: d.resisting[t][u],
        dimension: D.force,
        from: (l) => {
          const spring = f.springWork[t][u] * c.scale
          return sum(
            ...ends(u + 1, s.chords, l),
            ...(spring === 0 ? [] : [number(-coherent(spring, D.force))]),
          )
        },
      }),
    )
  })
  d.sways.forEach((c, t) =>
    notes.put(['correction', t + 1], {
      symbol: { letter: 'C', sub: String(t + 1) },
      si: c.factor,
      dimension: D.none,
      from:
        d.sways.length === 1
          ? (l) => minus(over(l(addressOf('holding', 1, 0)), l(addressOf('holding', 1, 1))))
          : 'The equations of the sways together give the factors.',
    }),
  )
}
