import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import type { QuantityReader } from '../quantity/reader.js'
import { isRecord, join, type Report } from '../document/form.js'
import type { Material, Section } from '../document/types.js'
import { findRolled, nearRolled } from '../kinds/sections/catalogue.js'
import { shapeProperties, type SectionProperties } from '../kinds/sections/shapes.js'

/** Reads quantities of a document and reports each failure at its path; a failed value comes back as NaN. */
export interface Reading {
  reader: QuantityReader
  report: Report
}

export function value(ctx: Reading, raw: unknown, dimension: Dimension, path: string): number {
  const result = ctx.reader.read(raw, dimension)
  if (result.ok) return result.si
  ctx.report.error(path, result.message)
  return NaN
}

/** An optional quantity: absent gives `fallback`. */
export const optional = (
  ctx: Reading,
  raw: unknown,
  dimension: Dimension,
  path: string,
  fallback: number,
): number => (raw === undefined ? fallback : value(ctx, raw, dimension, path))

function positive(ctx: Reading, raw: unknown, dimension: Dimension, path: string, what: string): number {
  const v = value(ctx, raw, dimension, path)
  if (v <= 0) ctx.report.error(path, `${what} must be greater than zero.`)
  return v
}

export interface MaterialValues {
  E: number
  /** NaN when neither G nor nu is given. */
  G: number
  alpha: number
  unitWeight: number
}

/** A material's numbers in SI; NaN marks what is not given. */
export function materialValues(ctx: Reading, material: Material, path: string): MaterialValues {
  const E = positive(ctx, material.E, D.stress, join(path, 'E'), 'E')
  const nu = optional(ctx, material.nu, D.none, join(path, 'nu'), NaN)
  if (nu <= -1 || nu > 0.5) ctx.report.error(join(path, 'nu'), "Poisson's ratio lies between −1 and 0.5.")
  const G =
    material.G === undefined ? E / (2 * (1 + nu)) : positive(ctx, material.G, D.stress, join(path, 'G'), 'G')
  optional(ctx, material.yield, D.stress, join(path, 'yield'), NaN)
  return {
    E,
    G,
    alpha: optional(ctx, material.alpha, D.perTemperature, join(path, 'alpha'), NaN),
    unitWeight: optional(ctx, material.unitWeight, D.unitWeight, join(path, 'unitWeight'), NaN),
  }
}

export interface SectionValues extends SectionProperties {
  shearArea: number
  /** A designation that no series knows: where it stands, and what to say of it. */
  unknown?: { path: string; message: string }
}

/** A section's numbers in SI, from A and I or from its shape; NaN marks what is not given. */
export function sectionValues(ctx: Reading, section: Section, path: string): SectionValues {
  const { report } = ctx
  const given = ['A', 'shape', 'catalogue'].filter(
    (k) => (section as unknown as Record<string, unknown>)[k] !== undefined,
  )
  if (given.length > 1) report.error(path, `A section is given by ${given.join(' or by ')}, not by both.`)
  const pos = (key: keyof Section, d: Dimension) =>
    section[key] === undefined ? NaN : positive(ctx, section[key], d, join(path, key), key)
  const own = {
    A: pos('A', D.area),
    I: pos('I', D.secondMoment),
    depth: pos('depth', D.length),
    yTop: pos('yTop', D.length),
    yBottom: pos('yBottom', D.length),
    shearArea: pos('shearArea', D.area),
  }
  if (section.catalogue !== undefined) return rolled(section.catalogue, own, join(path, 'catalogue'))
  if (!isRecord(section.shape)) return own
  const { type, ...rest } = section.shape
  const sides: Record<string, number> = {}
  for (const [key, raw] of Object.entries(rest)) {
    const at = `${path}.shape.${key}`
    if (key === 'r') {
      sides[key] = value(ctx, raw, D.length, at)
      if (sides[key] < 0) report.error(at, 'The root radius cannot be negative.')
    } else sides[key] = positive(ctx, raw, D.length, at, key)
  }
  if (Object.values(sides).some((v) => !(v >= 0))) return { ...own }
  const shape = shapeProperties(type, sides)
  if (typeof shape === 'string') {
    report.error(`${path}.shape`, shape)
    return own
  }
  return { ...shape, shearArea: own.shearArea }
}

function rolled(designation: string, own: SectionValues, path: string): SectionValues {
  const shape = findRolled(designation)
  if (shape) {
    const { A, I, depth, yTop, yBottom } = shape
    return { A, I, depth, yTop, yBottom, shearArea: own.shearArea }
  }
  const near = nearRolled(designation).map((s) => s.designation)
  const hint = near.length ? ` Near it stand ${near.join(' and ')}.` : ' Give A and I, or a shape.'
  return {
    ...own,
    unknown: { path, message: `${designation} is not among the rolled shapes Viga knows.${hint}` },
  }
}
