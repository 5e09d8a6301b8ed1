import {
  findRolled,
  makeReader,
  dimension,
  shapeProperties,
  shapeSides,
  type Problem,
  type SectionProperties,
  type Section,
  type ShapeType,
} from '@viga/core'

/** A section's shape as numbers in m: what is drawn, and its properties. */
export interface SectionShape {
  type: ShapeType
  sides: Record<string, number>
  properties: SectionProperties
}

/**
 * The shape of a section, from its sides or its designation; undefined when it is given by A and I, or cannot
 * be read.
 */
export function sectionShape(
  s: Section,
  problem: Pick<Problem, 'units' | 'symbols'>,
): SectionShape | undefined {
  if (s.catalogue !== undefined) {
    const rolled = findRolled(s.catalogue)
    if (!rolled) return undefined
    const { series, sides, A, I, depth, yTop, yBottom } = rolled
    return {
      type: series.shape,
      sides: { ...sides, h: sides.h ?? sides.b },
      properties: { A, I, depth, yTop, yBottom },
    }
  }
  if (!s.shape) return undefined
  const { reader } = makeReader(problem.units, problem.symbols)
  const sides: Record<string, number> = {}
  for (const [key, raw] of Object.entries(s.shape)) {
    if (key === 'type') continue
    const r = reader.read(raw, dimension.length)
    if (!r.ok) return undefined
    sides[key] = r.si
  }
  if (!shapeSides[s.shape.type].every((k) => sides[k] > 0)) return undefined
  const properties = shapeProperties(s.shape.type, sides)
  return typeof properties === 'string' ? undefined : { type: s.shape.type, sides, properties }
}
