import * as D from '../quantity/dimension.js'
import type { Member, Problem } from '../document/types.js'
import { value, type Reading } from '../document/values.js'
import type { MaterialValues } from '../kinds/materials/values.js'
import type { SectionValues } from '../kinds/sections/values.js'
import type { EndRelease, SolveError, StructureMember, StructureNode } from './types.js'

/**
 * Two nodes nearer than this (relative to the structure's extent) are one place: a member between them has no
 * direction.
 */
const COINCIDENT = 1e-9

/** What a member of the document is resolved with. */
export interface MemberContext extends Reading {
  problem: Problem
  nodes: readonly StructureNode[]
  nodeIndex: ReadonlyMap<string, number>
  materials: ReadonlyMap<string, MaterialValues>
  sections: ReadonlyMap<string, SectionValues>
  /** The larger side of the box around all nodes, m. */
  extent: number
  /** Collects the properties that the solution needs and the statement does not give. */
  obstacles: SolveError[]
}

/** A member as numbers; undefined when its ends are not known or stand at one place (reported). */
export function memberOf(ctx: MemberContext, m: Member, path: string): StructureMember | undefined {
  const { report, nodes, problem } = ctx
  const [start, end] = [ctx.nodeIndex.get(m.start), ctx.nodeIndex.get(m.end)]
  if (start === undefined) report.error(`${path}.start`, `There is no joint ${m.start}.`)
  if (end === undefined) report.error(`${path}.end`, `There is no joint ${m.end}.`)
  if (start === undefined || end === undefined) return undefined
  const dx = nodes[end].x - nodes[start].x
  const dy = nodes[end].y - nodes[start].y
  const length = Math.hypot(dx, dy)
  if (length <= COINCIDENT * ctx.extent) {
    report.error(path, `${m.id} has no length: ${m.start} and ${m.end} stand at the same place.`)
    return undefined
  }
  if (m.material !== undefined && !ctx.materials.has(m.material))
    report.error(`${path}.material`, `There is no material ${m.material}.`)
  if (m.section !== undefined && !ctx.sections.has(m.section))
    report.error(`${path}.section`, `There is no section ${m.section}.`)
  const bar = problem.kind === 'truss' || m.type === 'bar'
  const axiallyRigid = m.axiallyRigid === true || problem.analysis?.neglectAxial === true
  const material = m.material === undefined ? undefined : ctx.materials.get(m.material)
  const section = m.section === undefined ? undefined : ctx.sections.get(m.section)
  const properties = propertiesOf(m, bar, material, section)
  ctx.obstacles.push(...lacking(m, { ...properties, bar, axiallyRigid }, material, section, path))
  return {
    id: m.id,
    start,
    end,
    length,
    cos: dx / length,
    sin: dy / length,
    bar,
    ...properties,
    axiallyRigid,
    releases: releasesOf(ctx, m, path),
  }
}

type Properties = Pick<
  StructureMember,
  | 'E'
  | 'A'
  | 'I'
  | 'EA'
  | 'EI'
  | 'stated'
  | 'GAs'
  | 'alpha'
  | 'depth'
  | 'yTop'
  | 'yBottom'
  | 'shearArea'
  | 'yieldStress'
  | 'weight'
>

/**
 * The stiffnesses of a member in SI; NaN marks what is not stated. A stated rigidity stands before E·A, E·I.
 */
function propertiesOf(
  m: Member,
  bar: boolean,
  material: MaterialValues | undefined,
  section: SectionValues | undefined,
): Properties {
  const { E = NaN, G = NaN, alpha = NaN, unitWeight = NaN, yield: yieldStress = NaN } = material ?? {}
  const { A = NaN, I = NaN, shearArea = NaN, depth = NaN } = section ?? {}
  const { EA: statedEA = NaN, EI: statedEI = NaN } = section ?? {}
  const stated = { EA: !Number.isNaN(statedEA), EI: !bar && !Number.isNaN(statedEI) }
  return {
    E,
    A,
    I: bar ? 0 : I,
    EA: stated.EA ? statedEA : E * A,
    EI: bar ? 0 : stated.EI ? statedEI : E * I,
    stated,
    GAs: m.shearDeformation && !bar ? G * shearArea : 0,
    alpha,
    depth,
    yTop: fibre(section?.yTop, depth),
    yBottom: fibre(section?.yBottom, depth),
    shearArea,
    yieldStress,
    weight: unitWeight * A,
  }
}

/** The distance to an outer fibre; half the depth where only that is stated. */
const fibre = (stated = NaN, depth: number): number => (Number.isNaN(stated) ? depth / 2 : stated)

/** The properties of a member that the solution needs and the statement does not give, each as a sentence. */
function lacking(
  m: Member,
  p: Pick<StructureMember, 'EA' | 'EI' | 'bar' | 'axiallyRigid' | 'GAs'>,
  material: MaterialValues | undefined,
  section: SectionValues | undefined,
  path: string,
): SolveError[] {
  const out: SolveError[] = []
  const missing = (key: string, message: string) =>
    out.push({ kind: 'missing', path: `${path}.${key}`, message, members: [m.id] })
  const needsEA = !p.axiallyRigid && Number.isNaN(p.EA)
  const needsEI = !p.bar && Number.isNaN(p.EI)
  const { A = NaN, I = NaN } = section ?? {}
  if ((needsEA || needsEI) && section?.unknown) {
    out.push({ kind: 'unsupported', ...section.unknown, members: [m.id] })
    return out
  }
  if ((needsEA || needsEI) && !material && !(section && Number.isNaN(needsEA ? A : I)))
    missing('material', `${m.id} has no material, so its E is not known.`)
  if ((needsEA || needsEI) && !section)
    missing('section', `${m.id} has no section, so its ${p.bar ? 'A is' : 'A and I are'} not known.`)
  else {
    if (needsEA && Number.isNaN(A))
      missing('section', `The section of ${m.id} has no A and no EA, and ${m.id} changes its length.`)
    if (needsEI && Number.isNaN(I))
      missing('section', `The section of ${m.id} has no I and no EI, and ${m.id} bends.`)
  }
  if (m.shearDeformation && !p.bar) {
    if (section && !section.unknown && Number.isNaN(section.shearArea))
      missing('section', `${m.id} deforms in shear, so its section needs a shear area.`)
    if (!material) missing('material', `${m.id} deforms in shear, so it needs a material with G.`)
    else if (Number.isNaN(material.G))
      missing('material', `${m.id} deforms in shear, so its material needs G or Poisson's ratio.`)
  }
  return out
}

function releasesOf(ctx: Reading, m: Member, path: string): EndRelease[] {
  if (m.releases === undefined) return [false, false, false, false, false, false]
  return (['start', 'end'] as const).flatMap((end) =>
    (['N', 'V', 'M'] as const).map((key): EndRelease => {
      const raw = m.releases?.[end]?.[key] as unknown
      if (raw === undefined || raw === false) return false
      if (raw === true) return true
      const at = `${path}.releases.${end}.${key}`
      const k = value(ctx, raw, key === 'M' ? D.moment : D.forcePerLength, at)
      if (k < 0) ctx.report.error(at, 'The stiffness of a spring cannot be negative.')
      return k === 0 ? true : k
    }),
  )
}
