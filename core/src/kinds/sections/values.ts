import * as D from '../../quantity/dimension.js'
import type { Dimension } from '../../quantity/dimension.js'
import { isRecord, join } from '../../document/report.js'
import type { Section } from '../../document/types.js'
import { positive, value, type Reading } from '../../document/values.js'
import { findRolled, nearRolled } from './catalogue.js'
import { shapeProperties, type SectionProperties } from './shapes.js'

/** A section's numbers in SI; NaN marks what is not given. */
export interface SectionValues extends SectionProperties {
  shearArea: number
  /** Rigidities stated as such, N and N·m²: those of the member, whatever its material. */
  EA: number
  EI: number
  /** A designation that no series knows: where it stands, and what to say of it. */
  unknown?: { path: string; message: string }
}

/** Reads a section, by A and I, by rigidities, by its shape or from the catalogue. */
export function sectionValues(ctx: Reading, section: Section, path: string): SectionValues {
  const given = (['A', 'shape', 'catalogue'] as const).filter((k) => section[k] !== undefined)
  if (given.length > 1) ctx.report.error(path, `A section is given by ${given.join(' or by ')}, not by both.`)
  const own = statedValues(ctx, section, path)
  if (section.catalogue !== undefined) return rolled(section.catalogue, own, join(path, 'catalogue'))
  if (!isRecord(section.shape)) return own
  return { ...own, ...shapeValues(ctx, section.shape, `${path}.shape`) }
}

function statedValues(ctx: Reading, section: Section, path: string): SectionValues {
  const stated = (key: Exclude<keyof Section, 'id' | 'shape' | 'catalogue'>, d: Dimension) =>
    section[key] === undefined ? NaN : positive(ctx, section[key], d, join(path, key), key)
  return {
    A: stated('A', D.area),
    I: stated('I', D.secondMoment),
    EA: stated('EA', D.force),
    EI: stated('EI', D.bendingStiffness),
    depth: stated('depth', D.length),
    yTop: stated('yTop', D.length),
    yBottom: stated('yBottom', D.length),
    shearArea: stated('shearArea', D.area),
  }
}

/** A, I and depth of a shape; nothing when a side is missing or the sides do not fit together (reported). */
function shapeValues(
  ctx: Reading,
  { type, ...rest }: NonNullable<Section['shape']>,
  path: string,
): Partial<SectionProperties> {
  const sides: Record<string, number> = {}
  for (const [key, raw] of Object.entries(rest)) {
    const at = join(path, key)
    if (key === 'r') {
      sides[key] = value(ctx, raw, D.length, at)
      if (sides[key] < 0) ctx.report.error(at, 'The root radius cannot be negative.')
    } else sides[key] = positive(ctx, raw, D.length, at, key)
  }
  if (Object.values(sides).some((v) => !(v >= 0))) return {}
  const shape = shapeProperties(type, sides)
  if (typeof shape !== 'string') return shape
  ctx.report.error(path, shape)
  return {}
}

function rolled(designation: string, own: SectionValues, path: string): SectionValues {
  const shape = findRolled(designation)
  if (shape) {
    const { A, I, depth, yTop, yBottom } = shape
    return { ...own, A, I, depth, yTop, yBottom }
  }
  const near = nearRolled(designation).map((s) => s.designation)
  const hint = near.length ? ` Near it stand ${near.join(' and ')}.` : ' Give A and I, or a shape.'
  return {
    ...own,
    unknown: { path, message: `${designation} is not among the rolled shapes Viga knows.${hint}` },
  }
}
