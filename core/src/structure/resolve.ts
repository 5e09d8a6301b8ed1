import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { collect, join } from '../document/form.js'
import type { Component, Member, Notice, Problem, ProblemError, Support } from '../document/types.js'
import { statedLoad } from '../kinds/loads/index.js'
import { SUPPORT_KINDS } from '../kinds/supports/support-kinds.js'
import {
  materialValues,
  optional,
  sectionValues,
  value,
  type MaterialValues,
  type Reading,
  type SectionValues,
} from './properties.js'
import type {
  EndRelease,
  Hold,
  SolveError,
  StatedLoad,
  Structure,
  StructureMember,
  StructureSupport,
} from './types.js'

export interface Resolved {
  structure: Structure
  /**
   * What keeps this well-formed problem from being solved: a missing section, a thing this version does not
   * do.
   */
  obstacles: SolveError[]
  notices: Notice[]
}
export type ResolveResult = ({ ok: true } & Resolved) | { ok: false; errors: ProblemError[] }

/**
 * Two nodes nearer than this (relative to the structure's extent) are one place: a member between them has no
 * direction.
 */
const COINCIDENT = 1e-9

/**
 * Problem → Structure: every expression evaluated, every label looked up, SI throughout.
 * Pure. Errors are all found in one pass, each with its path; obstacles leave the geometry usable, so a
 * figure can be drawn.
 */
export function resolve(problem: Problem): ResolveResult {
  const report = collect()
  const { reader, problems: symbolProblems } = makeReader(problem.units, problem.symbols)
  for (const p of symbolProblems) report.error(`symbols.${p.name}`, p.message)
  if (report.errors.length) return { ok: false, errors: report.errors }
  const ctx: Reading = { reader, report }
  const obstacles: SolveError[] = []

  const materials = new Map(
    (problem.materials ?? []).map((m, i) => [m.id, materialValues(ctx, m, `materials[${i}]`)]),
  )
  const sections = new Map(
    (problem.sections ?? []).map((s, i) => [s.id, sectionValues(ctx, s, `sections[${i}]`)]),
  )
  const nodes = problem.nodes.map((n, i) => ({
    id: n.id,
    x: value(ctx, n.x, D.length, `nodes[${i}].x`),
    y: value(ctx, n.y, D.length, `nodes[${i}].y`),
  }))
  const nodeIndex = new Map(nodes.map((n, i) => [n.id, i]))
  let extent = 0
  for (const n of nodes) extent = Math.max(extent, Math.abs(n.x - nodes[0].x), Math.abs(n.y - nodes[0].y))

  const members: StructureMember[] = []
  problem.members.forEach((m, i) => {
    const path = `members[${i}]`
    const start = nodeIndex.get(m.start)
    const end = nodeIndex.get(m.end)
    if (start === undefined) report.error(`${path}.start`, `There is no joint ${m.start}.`)
    if (end === undefined) report.error(`${path}.end`, `There is no joint ${m.end}.`)
    if (start === undefined || end === undefined) return
    const dx = nodes[end].x - nodes[start].x
    const dy = nodes[end].y - nodes[start].y
    const length = Math.hypot(dx, dy)
    if (length <= COINCIDENT * extent)
      return report.error(path, `${m.id} has no length: ${m.start} and ${m.end} stand at the same place.`)
    if (m.material !== undefined && !materials.has(m.material))
      report.error(`${path}.material`, `There is no material ${m.material}.`)
    if (m.section !== undefined && !sections.has(m.section))
      report.error(`${path}.section`, `There is no section ${m.section}.`)
    const bar = problem.kind === 'truss' || m.type === 'bar'
    const material = m.material === undefined ? undefined : materials.get(m.material)
    const section = m.section === undefined ? undefined : sections.get(m.section)
    const rigid = m.axiallyRigid === true || problem.analysis?.neglectAxial === true
    obstacles.push(...lacking(m, bar, rigid, material, section, `members[${i}]`))
    members.push({
      id: m.id,
      start,
      end,
      length,
      cos: dx / length,
      sin: dy / length,
      bar,
      E: material?.E ?? NaN,
      A: section?.A ?? NaN,
      I: bar ? 0 : (section?.I ?? NaN),
      GAs: m.shearDeformation && !bar ? (material?.G ?? NaN) * (section?.shearArea ?? NaN) : 0,
      alpha: material?.alpha ?? NaN,
      depth: section?.depth ?? NaN,
      weight: (material?.unitWeight ?? NaN) * (section?.A ?? NaN),
      axiallyRigid: rigid,
      releases: releasesOf(ctx, m, path),
    })
  })
  const memberIndex = new Map(members.map((m, i) => [m.id, i]))

  const cases = problem.loadCases ?? []
  const caseIndex = new Map(cases.map((c, i) => [c.id, i]))
  const supports = (problem.supports ?? []).flatMap((s, i) =>
    supportOf(ctx, problem, s, nodeIndex, caseIndex, `supports[${i}]`),
  )
  const places = { ...ctx, nodes: nodeIndex, memberIndex, members }
  const structureCases = cases.map((c, ci) => ({
    id: c.id,
    title: c.title ?? c.id,
    category: c.category ?? ('other' as const),
    selfWeight: c.selfWeight ?? 0,
    loads: c.loads.flatMap((l, li): StatedLoad[] => {
      const path = `loadCases[${ci}].loads[${li}]`
      const load = statedLoad(places, l, path)
      if (load?.type === 'temperature') obstacles.push(...lacksHeat(load, members[load.member], `${path}`))
      return load ? [load] : []
    }),
  }))
  const combinations = (problem.combinations ?? []).map((c, i) => {
    const factors = cases.map(() => 0)
    for (const [key, factor] of Object.entries(c.factors)) {
      const at = caseIndex.get(key)
      if (at === undefined) report.error(`combinations[${i}].factors.${key}`, `There is no load case ${key}.`)
      else factors[at] = factor
    }
    return { id: c.id, title: c.title ?? c.id, factors }
  })
  if (problem.analysis?.order === 2)
    obstacles.push({
      kind: 'unsupported',
      path: 'analysis.order',
      message: 'This version of Viga solves first-order problems only; "order": 2 asks for second order.',
    })
  if (report.errors.length) return { ok: false, errors: report.errors }
  const structure: Structure = {
    kind: problem.kind,
    nodes,
    members,
    supports,
    cases: structureCases,
    combinations,
    order: problem.analysis?.order ?? 1,
  }
  return { ok: true, structure, obstacles, notices: notices(structure) }
}

function lacking(
  m: Member,
  bar: boolean,
  rigid: boolean,
  material: MaterialValues | undefined,
  section: SectionValues | undefined,
  path: string,
): SolveError[] {
  const out: SolveError[] = []
  const missing = (key: string, message: string) =>
    out.push({ kind: 'missing', path: `${path}.${key}`, message, members: [m.id] })
  if (!material) missing('material', `${m.id} has no material, so its E is not known.`)
  if (section?.unknown) out.push({ kind: 'unsupported', ...section.unknown, members: [m.id] })
  else if (!section)
    missing('section', `${m.id} has no section, so its ${bar ? 'A is' : 'A and I are'} not known.`)
  else {
    if (Number.isNaN(section.A) && !rigid) missing('section', `The section of ${m.id} has no A.`)
    if (!bar && Number.isNaN(section.I))
      missing('section', `The section of ${m.id} has no I, and ${m.id} bends.`)
    if (m.shearDeformation && !bar && Number.isNaN(section.shearArea))
      missing('section', `${m.id} deforms in shear, so its section needs a shear area.`)
  }
  if (m.shearDeformation && !bar && material && Number.isNaN(material.G))
    missing('material', `${m.id} deforms in shear, so its material needs G or Poisson's ratio.`)
  return out
}

function lacksHeat(
  load: Extract<StatedLoad, { type: 'temperature' }>,
  m: StructureMember,
  path: string,
): SolveError[] {
  if ((load.uniform !== 0 || load.gradient !== 0) && Number.isNaN(m.alpha))
    return [
      {
        kind: 'missing',
        path,
        message: `${m.id} is warmed, but its material has no coefficient of expansion (alpha).`,
        members: [m.id],
      },
    ]
  if (load.gradient !== 0 && Number.isNaN(m.depth))
    return [
      {
        kind: 'missing',
        path,
        message: `${m.id} is warmed unevenly, but its section has no depth.`,
        members: [m.id],
      },
    ]
  return []
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

function supportOf(
  ctx: Reading,
  problem: Problem,
  s: Support,
  nodes: ReadonlyMap<string, number>,
  cases: ReadonlyMap<string, number>,
  path: string,
): StructureSupport[] {
  const { report } = ctx
  const node = nodes.get(s.node)
  if (node === undefined) report.error(`${path}.node`, `There is no joint ${s.node}.`)
  if ((s.type === undefined) === (s.restrain === undefined)) {
    report.error(
      s.type ? `${path}.restrain` : `${path}.type`,
      s.type ? 'A support has a "type" or "restrain", not both.' : 'A support needs a "type" or "restrain".',
    )
    return []
  }
  const hold: Record<Component, Hold> = s.type
    ? { ...SUPPORT_KINDS[s.type] }
    : { x: false, y: false, rotation: false }
  for (const c of ['x', 'y', 'rotation'] as const) {
    const raw = s.restrain?.[c]
    if (raw === undefined || raw === 'free') continue
    if (raw === 'fixed') hold[c] = true
    else {
      const k = value(ctx, raw, c === 'rotation' ? D.moment : D.forcePerLength, `${path}.restrain.${c}`)
      if (k <= 0)
        report.error(`${path}.restrain.${c}`, 'The stiffness of a spring must be greater than zero.')
      hold[c] = k
    }
  }
  const settlement: Record<Component, number> = { x: 0, y: 0, rotation: 0 }
  for (const c of ['x', 'y', 'rotation'] as const) {
    const raw = s.settlement?.[c]
    if (raw === undefined) continue
    settlement[c] = value(ctx, raw, c === 'rotation' ? D.angle : D.length, `${path}.settlement.${c}`)
    if (hold[c] !== true)
      report.error(
        `${path}.settlement.${c}`,
        `${s.node} is not fixed in this direction, so nothing can be prescribed there.`,
      )
  }
  const settles = Object.values(settlement).some((v) => v !== 0)
  const settlementCase = s.settlementCase === undefined ? 0 : (cases.get(s.settlementCase) ?? -1)
  if (settlementCase < 0)
    report.error(join(path, 'settlementCase'), `There is no load case ${s.settlementCase}.`)
  if (settles && cases.size === 0)
    report.error(join(path, 'settlement'), 'A settlement belongs to a load case, and there is none.')
  if (problem.kind === 'truss') hold.rotation = false
  return node === undefined
    ? []
    : [{ node, hold, angle: optional(ctx, s.angle, D.angle, `${path}.angle`, 0), settlement, settlementCase }]
}

function notices(s: Structure): Notice[] {
  const out: Notice[] = []
  const reached = new Set(s.members.flatMap((m) => [m.start, m.end]))
  s.nodes.forEach((n, i) => {
    if (!reached.has(i))
      out.push({ path: `nodes[${i}]`, message: `No member reaches ${n.id}; it is left out.` })
  })
  if (s.cases.some((c) => c.selfWeight !== 0)) {
    const weightless = s.members.filter((m) => Number.isNaN(m.weight)).map((m) => m.id)
    if (weightless.length)
      out.push({
        message:
          `${listed(weightless)} ${weightless.length > 1 ? 'have' : 'has'} no unit weight: own ` +
          'weight counts as nothing there.',
      })
  }
  return out
}

/** "A", "A and B", "A, B and C"; long lists are cut with a count. */
export function listed(ids: string[], limit = 8): string {
  const shown = ids.length > limit ? [...ids.slice(0, limit - 1), `${ids.length - limit + 1} more`] : ids
  return shown.length < 2
    ? (shown[0] ?? '')
    : `${shown.slice(0, -1).join(', ')} and ${shown[shown.length - 1]}`
}
