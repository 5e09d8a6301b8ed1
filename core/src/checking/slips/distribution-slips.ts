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
import { alteredSolution, isLoadedAlong, loadsFor, readByEnds, withAlter } from './method-slips.js'
import type { Candidate, SlipContext, Slips } from './slip.js'

/** Slips of moment distribution: signs of single fixed-end moments, carrying over, factors. */
export const distributionSlips: Slips = (ctx) => {
  if (ctx.structure.kind === 'truss' || ctx.structure.order === 2) return []
  let system: System | undefined | null = null
  // a slip of another kind may have been found before: the system is made when it is first asked for
  const made = () => (system === null ? (system = distributed(ctx.structure)) : system)
  return [...signsAt(ctx), ...carried(ctx, made), ...exchanged(ctx, made), ...unmodified(ctx, made)]
}

type Made = () => System | undefined

/** A slip of the distribution: how it is solved alone, and what it changes beside another one. */
function distributing(
  ctx: SlipContext,
  made: Made,
  slip: () => DistributionSlip | undefined,
): Pick<Candidate, 'solve' | 'method'> {
  return {
    method: () => {
      const distribution = slip()
      return distribution && { distribution }
    },
    solve: () => {
      const [system, change] = [made(), slip()]
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
function signsAt(ctx: SlipContext): Candidate[] {
  if (!isLoadedAlong(ctx)) return []
  const loaded = new Set(ctx.base.solution.cases.flatMap((c) => [...c.fixed.keys()]))
  return [...loaded].flatMap((member) => {
    const m = ctx.structure.members[member]
    if (m.bar) return []
    return (['start', 'end'] as const).flatMap((end) => {
      const at = end === 'start' ? 2 : 5
      if (ctx.base.solution.cases.every((c) => !c.fixed.get(member)?.[at])) return []
      return ([false, true] as const).map((follow): Candidate => ({
        kind: 'fixed-end-sign-at',
        subject: { member: m.id, end },
        commonness: follow ? 0.04 : 0.05,
        sentence: `Your values fit the fixed-end moment of ${m.id} at its ${end} with the wrong sign.`,
        step: 'loads',
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

/** Nothing carried over, or all of it. */
function carried(ctx: SlipContext, made: Made): Candidate[] {
  if (turningJoints(ctx.structure).length === 0) return []
  return [
    {
      kind: 'carry-over-left-out',
      subject: {},
      commonness: 0.06,
      sentence: 'Your values fit a moment distribution in which nothing is carried over.',
      step: 'solution',
      ...distributing(ctx, made, () => ({ carryOver: 0 })),
    },
    {
      kind: 'carry-over-whole',
      subject: {},
      commonness: 0.04,
      sentence: 'Your values fit a moment distribution in which the whole moment is carried over, not half.',
      step: 'solution',
      ...distributing(ctx, made, () => ({ carryOver: 1 })),
    },
  ]
}

/** The two factors of distribution of a joint exchanged. */
function exchanged(ctx: SlipContext, made: Made): Candidate[] {
  const { structure: s } = ctx
  return turningJoints(s).flatMap(({ node, ends }): Candidate[] => {
    if (ends.length !== 2) return []
    const [a, b] = ends
    return [
      {
        kind: 'distribution-exchanged',
        subject: { node: s.nodes[node].id },
        commonness: 0.05,
        sentence:
          `Your values fit the distribution factors of ${s.members[a.member].id} and ` +
          `${s.members[b.member].id} exchanged at ${s.nodes[node].id}.`,
        step: 'solution',
        ...distributing(ctx, made, () => {
          const system = made()
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
function unmodified(ctx: SlipContext, made: Made): Candidate[] {
  const joints = turningJoints(ctx.structure)
  const turning = new Set(joints.flatMap((j) => j.ends.map((e) => `${e.member} ${e.end}`)))
  const fixed = new Set(ctx.structure.supports.filter((p) => p.hold.rotation === true).map((p) => p.node))
  return ctx.structure.members.flatMap((m, member): Candidate[] => {
    if (m.bar) return []
    return ([0, 1] as const).flatMap((end): Candidate[] => {
      const far = end === 0 ? m.end : m.start
      if (!turning.has(`${member} ${end}`) || turning.has(`${member} ${1 - end}`)) return []
      if (fixed.has(far) && m.releases[5 - 3 * end] === false) return []
      return [
        {
          kind: 'stiffness-not-modified',
          subject: { member: m.id },
          commonness: 0.06,
          sentence: `Your values fit the stiffness 4EI/L of ${m.id}, though its far end is hinged.`,
          step: 'solution',
          ...distributing(ctx, made, () => {
            const element = made()?.elements[member]
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
