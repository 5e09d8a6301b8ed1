import { resolve } from '../../structure/resolve.js'
import type { Structure, StructureMember } from '../../structure/types.js'
import { structural, type Candidate, type SlipContext, type Slips } from './slip.js'

/** Slips of members and joints: hinges, stiffnesses, axial deformation. */
export const memberSlips: Slips = (ctx) => [
  ...hinges(ctx),
  ...equalStiffness(ctx),
  ...otherSections(ctx),
  ...axial(ctx),
]

type Release = StructureMember['releases'][number]

/** The structure with the moment release of every member end at a joint replaced. */
function atJoint(s: Structure, node: number, to: (r: Release) => Release): Structure {
  const members = s.members.map((m) => {
    if (m.bar || (m.start !== node && m.end !== node)) return m
    const releases = [...m.releases]
    if (m.start === node) releases[2] = to(releases[2])
    if (m.end === node) releases[5] = to(releases[5])
    return { ...m, releases }
  })
  return { ...s, members }
}

function hinges(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  return s.nodes.flatMap((n, node): Candidate[] => {
    const ends = s.members.flatMap((m) =>
      m.bar ? [] : [...(m.start === node ? [m.releases[2]] : []), ...(m.end === node ? [m.releases[5]] : [])],
    )
    if (ends.length === 0) return []
    const out: Candidate[] = []
    const make = (kind: string, commonness: number, sentence: string, to: (r: Release) => Release) =>
      out.push(
        structural(ctx, { kind, subject: { node: n.id }, commonness, sentence, step: 'stiffness' }, () =>
          atJoint(s, node, to),
        ),
      )
    if (ends.some((r) => r === true))
      make('hinge-left-out', 0.08, `Your values fit ${n.id} without its hinge.`, (r) =>
        r === true ? false : r,
      )
    if (ends.length > 1 && ends.some((r) => r === false))
      make('hinge-added', 0.03, `Your values fit a hinge at ${n.id} in all members.`, () => true)
    return out
  })
}

function equalStiffness(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  const [first] = s.members
  if (!first || s.members.every((m) => m.EA === first.EA && m.EI === first.EI)) return []
  const { E, A, I, EA, EI, stated } = first
  const members = s.members.map((m) => ({ ...m, E, A, EA, stated, I: m.bar ? 0 : I, EI: m.bar ? 0 : EI }))
  return [
    structural(
      ctx,
      {
        kind: 'equal-stiffness',
        subject: {},
        commonness: 0.06,
        sentence: `Your values fit members that all have the stiffness of ${first.id}.`,
        step: 'stiffness',
      },
      () => ({ ...s, members }),
    ),
  ]
}

function otherSections(ctx: SlipContext): Candidate[] {
  const { problem } = ctx
  const sections = (problem.sections ?? []).map((x) => x.id)
  return problem.members.flatMap((m) =>
    sections
      .filter((taken) => taken !== m.section)
      .map((taken): Candidate =>
        structural(
          ctx,
          {
            kind: 'section',
            subject: { member: m.id, taken },
            commonness: 0.02,
            sentence: `Your values fit the section ${taken} for ${m.id}.`,
            step: 'stiffness',
          },
          () => withSection(ctx, m.id, taken),
        ),
      ),
  )
}

/** The structure with a member of another section; its ends and its place are as they are. */
function withSection(
  { problem, structure: s }: SlipContext,
  id: string,
  section: string,
): Structure | undefined {
  const resolved = resolve({
    ...problem,
    members: problem.members.map((o) => (o.id === id ? { ...o, section } : o)),
  })
  if (!resolved.ok || resolved.obstacles.length > 0) return undefined
  const other = resolved.structure.members.find((m) => m.id === id)
  if (!other) return undefined
  const { E, A, I, EA, EI, stated, GAs, depth, weight } = other
  const properties = { E, A, I, EA, EI, stated, GAs, depth, weight }
  return { ...s, members: s.members.map((m) => (m.id === id ? { ...m, ...properties } : m)) }
}

function axial(ctx: SlipContext): Candidate[] {
  const { structure: s } = ctx
  if (s.kind === 'truss') return []
  const counted = s.members.some((m) => m.axiallyRigid)
  const members = s.members.map((m) => ({ ...m, axiallyRigid: !counted }))
  if (counted && members.some((m) => !(m.EA > 0))) return []
  return [
    structural(
      ctx,
      {
        kind: counted ? 'axial-counted' : 'axial-neglected',
        subject: {},
        commonness: 0.08,
        sentence: counted
          ? 'Your values fit members that change their length: another idealisation than the statement ' +
            'has, not a mistake.'
          : 'Your values fit members that keep their length: another idealisation than the statement has, ' +
            'not a mistake.',
        step: 'idealisation',
      },
      () => ({ ...s, members }),
    ),
  ]
}
