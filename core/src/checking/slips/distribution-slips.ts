import type { System } from '../../analysis/system.js'
import type { StructureMember } from '../../structure/types.js'
import {
  altered,
  distributed,
  endStiffness,
  turningJoints,
  unmodifiedStiffness,
  type DistributionSlip,
} from './distribution.js'
import { alteredSolution, isLoadedAlong, loadsFor, readByEnds, withAlter } from './altered.js'
import { inFormulas } from './pictures.js'
import type { Found, SlipContext, SlipKind } from './slip.js'

/** Slips of moment distribution: signs of single fixed-end moments, carrying over, factors. */

const DISTRIBUTION = { stiffness: 'solution', 'moment-distribution': 'distribution' }
const FACTORS = { stiffness: 'solution', 'moment-distribution': 'factors' }

/** The system of each context as it is distributed, made when it is first asked for. */
const systems = new WeakMap<SlipContext, { system: System | undefined }>()
function systemOf(ctx: SlipContext): System | undefined {
  const kept = systems.get(ctx) ?? { system: distributed(ctx.structure) }
  systems.set(ctx, kept)
  return kept.system
}

/** True where moments are distributed: a truss has none, second order has no single distribution. */
const isDistributed = ({ structure: s }: SlipContext) => s.kind !== 'truss' && s.order !== 2

/** A slip of the distribution: how it is solved alone, and what it changes beside another one. */
function distributing(
  ctx: SlipContext,
  slip: () => DistributionSlip | undefined,
): Pick<Found, 'solve' | 'method'> {
  return {
    method: () => {
      const distribution = slip()
      return distribution && { distribution }
    },
    solve: () => {
      const [system, change] = [systemOf(ctx), slip()]
      const other = system && change && altered(system, change)
      if (!other) return undefined
      const solution = alteredSolution(
        ctx,
        other,
        (v) => v,
        (a) => a,
        other.structure,
      )
      return readByEnds(ctx, solution)
    },
  }
}

/** A single fixed-end moment with the wrong sign; the shears of its member follow, or stay. */
function signsAt(ctx: SlipContext): Found[] {
  if (!isDistributed(ctx) || !isLoadedAlong(ctx)) return []
  const loaded = new Set(ctx.base.solution.cases.flatMap((c) => [...c.fixed.keys()]))
  return [...loaded].flatMap((member) => {
    const m = ctx.structure.members[member]
    if (m.bar) return []
    return (['start', 'end'] as const).flatMap((end) => {
      const at = end === 'start' ? 2 : 5
      if (ctx.base.solution.cases.every((c) => !c.fixed.get(member)?.[at])) return []
      return ([false, true] as const).map((follow): Found => ({
        subject: { member: m.id, end },
        ...(follow ? { commonness: 0.04 } : {}),
        sentence: `Your values fit the fixed-end moment of ${m.id} at its ${end} with the wrong sign.`,
        addsAt: `fixed on ${member}`,
        ...withAlter(ctx, (v, system) => {
          const own = v.fixed.get(member)
          if (!own) return v
          const f = own.slice()
          f[at] = -own[at]
          if (follow) addCouple(f, -2 * own[at], m)
          const fixed = new Map(v.fixed).set(member, f)
          return { ...v, fixed, load: loadsFor(v, system, fixed, 1) }
        }),
      }))
    })
  })
}

/** Adds the end shears that a change of an end moment asks for. */
function addCouple(f: Float64Array, moment: number, m: StructureMember) {
  f[1] += moment / m.length
  f[4] -= moment / m.length
}

/** Moments carried over by another factor than a half. */
const carried = (
  key: string,
  did: string,
  commonness: number,
  carryOver: 0 | 1,
  words: string,
): SlipKind => ({
  key,
  did,
  about: [],
  commonness,
  line: DISTRIBUTION,
  find: (ctx) =>
    isDistributed(ctx) && turningJoints(ctx.structure).length > 0
      ? [
          {
            subject: {},
            sentence: `Your values fit a moment distribution in which ${words}.`,
            ...distributing(ctx, () => ({ carryOver })),
          },
        ]
      : [],
  picture: () => inFormulas([`C = ${carryOver}`, `C = ${carryOver}`], ['C = \\tfrac{1}{2}', 'C = 1/2']),
})

/** The two factors of distribution of a joint exchanged. */
function exchanged(ctx: SlipContext): Found[] {
  const { structure: s } = ctx
  if (!isDistributed(ctx)) return []
  return turningJoints(s).flatMap(({ node, ends }): Found[] => {
    if (ends.length !== 2) return []
    const [a, b] = ends
    return [
      {
        subject: { node: s.nodes[node].id },
        sentence:
          `Your values fit the distribution factors of ${s.members[a.member].id} and ` +
          `${s.members[b.member].id} exchanged at ${s.nodes[node].id}.`,
        ...distributing(ctx, () => {
          const system = systemOf(ctx)
          if (!system) return undefined
          const [Sa, Sb] = [a, b].map((e) => endStiffness(system.elements[e.member], e.end))
          if (!(Sa > 0 && Sb > 0) || Math.abs(Sa - Sb) <= 1e-9 * Sa) return undefined
          const taken = (member: number, end: 0 | 1) =>
            member === a.member && end === a.end
              ? Sb / Sa
              : member === b.member && end === b.end
                ? Sa / Sb
                : 1
          return { taken }
        }),
      },
    ]
  })
}

/** 4EI/L kept for a member whose far end is hinged. */
function unmodified(ctx: SlipContext): Found[] {
  if (!isDistributed(ctx)) return []
  const joints = turningJoints(ctx.structure)
  const turning = new Set(joints.flatMap((j) => j.ends.map((e) => `${e.member} ${e.end}`)))
  const fixed = new Set(ctx.structure.supports.filter((p) => p.hold.rotation === true).map((p) => p.node))
  return ctx.structure.members.flatMap((m, member): Found[] => {
    if (m.bar) return []
    return ([0, 1] as const).flatMap((end): Found[] => {
      const far = end === 0 ? m.end : m.start
      if (!turning.has(`${member} ${end}`) || turning.has(`${member} ${1 - end}`)) return []
      if (fixed.has(far) && m.releases[5 - 3 * end] === false) return []
      return [
        {
          subject: { member: m.id },
          sentence: `Your values fit the stiffness 4EI/L of ${m.id}, though its far end is hinged.`,
          ...distributing(ctx, () => {
            const element = systemOf(ctx)?.elements[member]
            if (!element) return undefined
            const [S, whole] = [endStiffness(element, end), unmodifiedStiffness(element, end)]
            if (!(S > 0) || Math.abs(S - whole) <= 1e-9 * whole) return undefined
            const taken = (i: number, e: 0 | 1) => (i === member && e === end ? whole / S : 1)
            return { taken }
          }),
        },
      ]
    })
  })
}

export const DISTRIBUTION_SLIPS: readonly SlipKind[] = [
  {
    key: 'fixed-end-sign-at',
    did: 'has the fixed-end moment of this end alone with the wrong sign (shears follow or stay)',
    about: ['member', 'end'],
    commonness: 0.05,
    line: { stiffness: 'loads', 'slope-deflection': 'fixed-end', 'moment-distribution': 'fixed-end' },
    find: signsAt,
  },
  carried('carry-over-left-out', 'carried nothing over', 0.06, 0, 'nothing is carried over'),
  carried(
    'carry-over-whole',
    'carried over 1 in place of 1/2',
    0.04,
    1,
    'the whole moment is carried over, not half',
  ),
  {
    key: 'distribution-exchanged',
    did: 'exchanged the distribution factors of a joint of two member ends',
    about: ['node'],
    commonness: 0.05,
    line: FACTORS,
    find: exchanged,
  },
  {
    key: 'stiffness-not-modified',
    did: 'kept 4EI/L though the far end is hinged and the fixed-end moment modified',
    about: ['member'],
    commonness: 0.06,
    line: { ...FACTORS, 'slope-deflection': 'equations' },
    find: unmodified,
    picture: () => inFormulas(['4EI/L', '4EI/L'], ['3EI/L', '3EI/L']),
  },
]
