import * as D from '../quantity/dimension.js'
import { setMaterial, setSection } from '../document/edits/edits.js'
import { measure, type Measure } from '../document/measure.js'
import { newProblem } from '../document/new.js'
import type { Material, Member, Problem, Section } from '../document/types.js'
import { COMMON_MATERIALS, materialsFor, type CommonMaterial } from '../kinds/materials/common-materials.js'
import type { Doubt } from './doubts.js'

/** Values that loads need and a material or a section does not state, each with a usual one to put in. */
export function missingValues(p: Problem): Doubt[] {
  const loads = (p.loadCases ?? []).flatMap((c) => c.loads)
  const warmed = loads.flatMap((l) => (l.type === 'temperature' && (l.uniform ?? l.gradient) ? [l] : []))
  const weighs = (p.loadCases ?? []).some((c) => (c.selfWeight ?? 0) !== 0)
  if (warmed.length === 0 && !weighs) return []
  const m = measure(p)
  const member = new Map(p.members.map((o) => [o.id, o]))
  const on = (all: readonly { member: string }[]) => all.flatMap((l) => member.get(l.member) ?? [])
  const graded = warmed.filter((l) => l.gradient !== undefined && l.gradient !== 0)
  return [
    ...withoutExpansion(p, m, on(warmed)),
    ...withoutDepth(p, m, on(graded)),
    ...(weighs ? withoutWeight(p, m) : []),
  ]
}

/** The usual material nearest to one in E, in the problem's own system of units. */
export function usualFor(p: Problem, m: Measure, material: Material): CommonMaterial {
  const own = m.reader.read(material.E, D.stress)
  const apart = (c: CommonMaterial) => {
    const r = m.reader.read(c.material.E, D.stress)
    return own.ok && r.ok ? Math.abs(Math.log(r.si / own.si)) : 0
  }
  const [system] = materialsFor(p.units.length)
  const candidates = COMMON_MATERIALS.filter((c) => c.system === system.system)
  return candidates.reduce((best, c) => (apart(c) < apart(best) ? c : best))
}

const ids = (members: readonly Member[]) => [...new Set(members.map((o) => o.id))]

function withoutExpansion(p: Problem, m: Measure, members: readonly Member[]): Doubt[] {
  return (p.materials ?? []).flatMap((material, i): Doubt[] => {
    const of = members.filter((o) => o.material === material.id)
    if (of.length === 0 || material.alpha !== undefined) return []
    const { name, material: usual } = usualFor(p, m, material)
    return [
      {
        kind: 'missing-value',
        severity: 'error',
        path: `materials[${i}].alpha`,
        message: `${ids(of).join(', ')} is warmed, and ${material.id} has no coefficient of expansion.`,
        nodes: [],
        members: ids(of),
        repair: {
          label: `Give ${material.id} that of ${name.toLowerCase()}, ${usual.alpha}`,
          apply: (q) => setMaterial(q, material.id, { alpha: usual.alpha }),
        },
      },
    ]
  })
}

function withoutDepth(p: Problem, m: Measure, members: readonly Member[]): Doubt[] {
  return (p.sections ?? []).flatMap((section, i): Doubt[] => {
    const of = members.filter((o) => o.section === section.id)
    if (of.length === 0 || section.depth !== undefined || section.shape || section.catalogue) return []
    const depth = rectangleDepth(m, section)
    return [
      {
        kind: 'missing-value',
        severity: 'error',
        path: `sections[${i}].depth`,
        message: `The faces of ${ids(of).join(', ')} are warmed unlike, and ${section.id} has no depth.`,
        nodes: [],
        members: ids(of),
        ...(depth === undefined
          ? {}
          : {
              repair: {
                label: `Give ${section.id} the depth of a rectangle of its A and I, ${depth}`,
                apply: (q: Problem) => setSection(q, section.id, { depth }),
              },
            }),
      },
    ]
  })
}

/** The depth of a rectangle with the section's A and I, √(12·I/A), in mm. */
function rectangleDepth(m: Measure, s: Section): string | undefined {
  const [A, I] = [m.reader.read(s.A, D.area), m.reader.read(s.I, D.secondMoment)]
  return A.ok && I.ok && A.si > 0 && I.si > 0
    ? `${Number((1000 * Math.sqrt((12 * I.si) / A.si)).toPrecision(3))} mm`
    : undefined
}

function withoutWeight(p: Problem, m: Measure): Doubt[] {
  return (p.materials ?? []).flatMap((material, i): Doubt[] => {
    const of = p.members.filter((o) => o.material === material.id)
    if (of.length === 0 || material.unitWeight !== undefined) return []
    const { name, material: usual } = usualFor(p, m, material)
    return [
      {
        kind: 'missing-value',
        severity: 'warning',
        path: `materials[${i}].unitWeight`,
        message: `Own weight acts, and ${material.id} has no unit weight: it weighs nothing.`,
        nodes: [],
        members: [],
        repair: {
          label: `Give ${material.id} that of ${name.toLowerCase()}, ${usual.unitWeight}`,
          apply: (q) => setMaterial(q, material.id, { unitWeight: usual.unitWeight }),
        },
      },
    ]
  })
}

/** Sections in use whose A and I nobody stated: they are those that a new sheet begins with. */
export function ownSections(p: Problem): string[] {
  const own = newProblem().sections!
  return (p.sections ?? [])
    .filter((s) => own.some((o) => o.id === s.id && o.A === s.A && o.I === s.I))
    .filter((s) => p.members.some((m) => m.section === s.id))
    .map((s) => s.id)
}

/**
 * The values of Viga's own sections that the members with them need: A where one changes its length, I where
 * one bends. Undefined where nothing is Viga's own.
 */
export function ownValues(p: Problem): 'A' | 'I' | 'A and I' | undefined {
  const own = new Set(ownSections(p))
  const members = p.members.filter((m) => own.has(m.section ?? ''))
  const bends = (m: Member) => p.kind === 'frame' && m.type !== 'bar'
  const A = members.some((m) => !p.analysis?.neglectAxial && !m.axiallyRigid)
  const I = members.some(bends)
  return A && I ? 'A and I' : A ? 'A' : I ? 'I' : undefined
}
