import type { Display } from '../../document/display.js'
import { formatNumber } from '../../quantity/format.js'
import { resolve } from '../../structure/resolve.js'
import type { Structure, StructureMember } from '../../structure/types.js'
import { inWords, loadsDrawn } from './pictures.js'
import { structural, type SlipContext, type SlipKind } from './slip.js'

/** Slips of members and joints: hinges, stiffnesses, axial deformation. */

const LINE = { stiffness: 'stiffness', 'slope-deflection': 'equations', 'moment-distribution': 'factors' }

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

/** A kind of slip of the hinges at a joint: at which joints it is possible, and what it makes of each end. */
const ofHinges = (
  kind: Pick<SlipKind, 'key' | 'did' | 'commonness'>,
  isPossible: (ends: readonly Release[]) => boolean,
  to: (r: Release) => Release,
  words: (node: string) => string,
): SlipKind => ({
  ...kind,
  about: ['node'],
  line: LINE,
  picture: loadsDrawn,
  find: (ctx) =>
    ctx.structure.nodes.flatMap(({ id }, node) => {
      const ends = endsAt(ctx.structure, node)
      return isPossible(ends)
        ? [
            structural(ctx, { subject: { node: id }, sentence: `Your values fit ${words(id)}.` }, () =>
              atJoint(ctx.structure, node, to),
            ),
          ]
        : []
    }),
})

/** The moment releases of the member ends at a joint; bars have none. */
const endsAt = ({ members }: Structure, node: number): Release[] =>
  members.flatMap((m) =>
    m.bar ? [] : [...(m.start === node ? [m.releases[2]] : []), ...(m.end === node ? [m.releases[5]] : [])],
  )

const equalStiffness: SlipKind = {
  key: 'equal-stiffness',
  did: 'gave every member the E, A and I of the first',
  about: [],
  commonness: 0.06,
  line: LINE,
  find: (ctx) => {
    const { structure: s } = ctx
    const [first] = s.members
    if (!first || s.members.every((m) => m.EA === first.EA && m.EI === first.EI)) return []
    const { E, A, I, EA, EI, stated } = first
    const members = s.members.map((m) => ({ ...m, E, A, EA, stated, I: m.bar ? 0 : I, EI: m.bar ? 0 : EI }))
    const sentence = `Your values fit members that all have the stiffness of ${first.id}.`
    return [structural(ctx, { subject: {}, sentence }, () => ({ ...s, members }))]
  },
  picture: ({ right, wrong, display }) => {
    const key = right.members.every((m) => m.EI === right.members[0].EI) ? 'EA' : 'EI'
    const [first] = wrong.members
    return inWords(
      `every member: ${key} ${rigidity(first, key, display)}`,
      stiffnesses(right.members, key, display),
    )
  },
}

/** E·I or E·A of a member, with its unit. */
const rigidity = (m: StructureMember, key: 'EA' | 'EI', { force, length }: Display): string =>
  key === 'EA'
    ? `${formatNumber(m.EA * force.perSI)} ${force.unit}`
    : `${formatNumber(m.EI * force.perSI * length.perSI ** 2)} ${force.unit}·${length.unit}²`

/** Members whose stiffness is named in a picture. */
const MOST_NAMED = 4

function stiffnesses(members: readonly StructureMember[], key: 'EA' | 'EI', display: Display): string {
  const named = members.slice(0, MOST_NAMED).map((m) => `${m.id}: ${key} ${rigidity(m, key, display)}`)
  return named.join(', ') + (members.length > MOST_NAMED ? ' …' : '')
}

const otherSection: SlipKind = {
  key: 'section',
  did: 'took another section of the problem for it',
  about: ['member', 'taken'],
  commonness: 0.02,
  line: LINE,
  clashes: () => true,
  find: (ctx) => {
    const sections = (ctx.problem.sections ?? []).map((x) => x.id)
    return ctx.problem.members.flatMap((m) =>
      sections
        .filter((taken) => taken !== m.section)
        .map((taken) =>
          structural(
            ctx,
            {
              subject: { member: m.id, taken },
              sentence: `Your values fit the section ${taken} for ${m.id}.`,
            },
            () => withSection(ctx, m.id, taken),
          ),
        ),
    )
  },
  picture: ({ problem, subject }) => {
    const name = String(subject.member)
    const stated = problem.members.find((m) => m.id === name)?.section
    return inWords(
      `${name} with the section ${String(subject.taken)}`,
      `${name} with its section ${stated ?? ''}`.trim(),
    )
  },
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

const [KEEP, CHANGE] = ['members keep their length', 'members change their length']

/** Members taken as axially rigid where the statement does not, or the reverse. */
const axial = (key: string, did: string, counted: boolean): SlipKind => ({
  key,
  did: `${did}: not a mistake but an idealisation; said as such`,
  about: [],
  commonness: 0.08,
  line: { stiffness: 'idealisation' },
  find: (ctx) => {
    const { structure: s } = ctx
    if (s.kind === 'truss' || s.members.some((m) => m.axiallyRigid) !== counted) return []
    const members = s.members.map((m) => ({ ...m, axiallyRigid: !counted }))
    if (counted && members.some((m) => !(m.EA > 0))) return []
    const sentence =
      `Your values fit members that ${counted ? 'change' : 'keep'} their length: another idealisation than ` +
      'the statement has, not a mistake.'
    return [structural(ctx, { subject: {}, sentence }, () => ({ ...s, members }))]
  },
  picture: () => (counted ? inWords(CHANGE, KEEP) : inWords(KEEP, CHANGE)),
})

export const MEMBER_SLIPS: readonly SlipKind[] = [
  ofHinges(
    { key: 'hinge-left-out', did: 'took every hinge at the joint as rigid', commonness: 0.08 },
    (ends) => ends.includes(true),
    (r) => (r === true ? false : r),
    (node) => `${node} without its hinge`,
  ),
  ofHinges(
    { key: 'hinge-added', did: 'took a rigid joint as a hinge in all members', commonness: 0.03 },
    (ends) => ends.length > 1 && ends.includes(false),
    () => true,
    (node) => `a hinge at ${node} in all members`,
  ),
  equalStiffness,
  otherSection,
  axial('axial-neglected', 'took members as axially rigid where the statement does not', false),
  axial('axial-counted', 'counted axial deformation where the statement does not', true),
]
