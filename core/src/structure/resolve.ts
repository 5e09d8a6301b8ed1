import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { collect } from '../document/report.js'
import type { Notice, Problem, ProblemError } from '../document/types.js'
import { value, type Reading } from '../document/values.js'
import { loadLacks, statedLoad } from '../kinds/loads/index.js'
import type { Places } from '../kinds/loads/kind.js'
import { materialValues } from '../kinds/materials/values.js'
import { sectionValues } from '../kinds/sections/values.js'
import { listed } from './listed.js'
import { memberOf, type MemberContext } from './members.js'
import { supportOf } from './supports.js'
import type {
  SolveError,
  StatedLoad,
  Structure,
  StructureCase,
  StructureCombination,
  StructureNode,
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
 * Problem → Structure: every expression evaluated, every label looked up, SI throughout. Pure. Errors are all
 * found in one pass, each with its path; obstacles leave the geometry usable, so a figure can be drawn.
 */
export function resolve(problem: Problem): ResolveResult {
  const report = collect()
  const { reader, problems: symbolProblems } = makeReader(problem.units, problem.symbols)
  for (const p of symbolProblems) report.error(`symbols.${p.name}`, p.message)
  problem.letters?.forEach((name, i) => {
    if (!Object.hasOwn(problem.symbols ?? {}, name))
      report.error(`letters[${i}]`, `There is no symbol ${name} that could be left open.`)
  })
  if (report.errors.length) return { ok: false, errors: report.errors }
  const ctx: Reading = { reader, report }
  const obstacles: SolveError[] = []

  const nodes = nodesOf(ctx, problem)
  const nodeIndex = new Map(nodes.map((n, i) => [n.id, i]))
  const memberContext: MemberContext = {
    ...ctx,
    problem,
    nodes,
    nodeIndex,
    materials: new Map(
      (problem.materials ?? []).map((m, i) => [m.id, materialValues(ctx, m, `materials[${i}]`)]),
    ),
    sections: new Map(
      (problem.sections ?? []).map((s, i) => [s.id, sectionValues(ctx, s, `sections[${i}]`)]),
    ),
    extent: extentOf(nodes),
    obstacles,
  }
  const members = problem.members.flatMap((m, i) => memberOf(memberContext, m, `members[${i}]`) ?? [])
  const caseIndex = new Map((problem.loadCases ?? []).map((c, i) => [c.id, i]))
  const truss = problem.kind === 'truss'
  const supportContext = { ...ctx, nodes: nodeIndex, cases: caseIndex, truss }
  const supports = (problem.supports ?? []).flatMap(
    (s, i) => supportOf(supportContext, s, `supports[${i}]`) ?? [],
  )
  const memberIndex = new Map(members.map((m, i) => [m.id, i]))
  const cases = casesOf({ ...ctx, nodes: nodeIndex, memberIndex, members }, problem, obstacles)
  const combinations = combinationsOf(ctx, problem, caseIndex)
  if (report.errors.length) return { ok: false, errors: report.errors }
  const order = problem.analysis?.order ?? 1
  const structure: Structure = { kind: problem.kind, nodes, members, supports, cases, combinations, order }
  return { ok: true, structure, obstacles, notices: notices(structure) }
}

const nodesOf = (ctx: Reading, problem: Problem): StructureNode[] =>
  problem.nodes.map((n, i) => ({
    id: n.id,
    x: value(ctx, n.x, D.length, `nodes[${i}].x`),
    y: value(ctx, n.y, D.length, `nodes[${i}].y`),
  }))

/** The greatest distance of a node from the first, along x or y, m. */
function extentOf(nodes: readonly StructureNode[]): number {
  let extent = 0
  for (const n of nodes) extent = Math.max(extent, Math.abs(n.x - nodes[0].x), Math.abs(n.y - nodes[0].y))
  return extent
}

function casesOf(ctx: Places, problem: Problem, obstacles: SolveError[]): StructureCase[] {
  return (problem.loadCases ?? []).map((c, ci) => ({
    id: c.id,
    title: c.title ?? c.id,
    category: c.category ?? ('other' as const),
    selfWeight: c.selfWeight ?? 0,
    loads: c.loads.flatMap((l, li): StatedLoad[] => {
      const path = `loadCases[${ci}].loads[${li}]`
      const load = statedLoad(ctx, l, path)
      if (!load) return []
      const member = load.type === 'nodal' ? undefined : ctx.members[load.member]
      const message = member && loadLacks(load, member)
      if (member && message) obstacles.push({ kind: 'missing', path, message, members: [member.id] })
      return [load]
    }),
  }))
}

function combinationsOf(
  { report }: Reading,
  problem: Problem,
  caseIndex: ReadonlyMap<string, number>,
): StructureCombination[] {
  return (problem.combinations ?? []).map((c, i) => {
    const factors = new Array<number>(caseIndex.size).fill(0)
    for (const [key, factor] of Object.entries(c.factors)) {
      const at = caseIndex.get(key)
      if (at === undefined) report.error(`combinations[${i}].factors.${key}`, `There is no load case ${key}.`)
      else factors[at] = factor
    }
    return { id: c.id, title: c.title ?? c.id, factors }
  })
}

function notices(s: Structure): Notice[] {
  const out: Notice[] = []
  const reached = new Set(s.members.flatMap((m) => [m.start, m.end]))
  s.nodes.forEach((n, i) => {
    if (!reached.has(i))
      out.push({ path: `nodes[${i}]`, message: `No member reaches ${n.id}; it is left out.` })
  })
  if (s.cases.some((c) => c.selfWeight !== 0)) {
    const weightless = s.members.filter((m) => Number.isNaN(m.weight))
    const without = (what: string, ids: string[]) => {
      if (ids.length)
        out.push({
          message:
            `${listed(ids)} ${ids.length > 1 ? 'have' : 'has'} no ${what}: own weight counts as ` +
            'nothing there.',
        })
    }
    without(
      'area A',
      weightless.filter((m) => Number.isNaN(m.A)).map((m) => m.id),
    )
    without(
      'unit weight',
      weightless.filter((m) => !Number.isNaN(m.A)).map((m) => m.id),
    )
  }
  return out
}
