import type { Series } from './series/form.js'
import { SERIES } from './series/series.js'
import { shapeProperties, type SectionProperties } from './shapes.js'

/**
 * A rolled shape of a published standard, its properties computed from the standard's dimensions, fillets
 * included.
 */
export interface RolledShape extends SectionProperties {
  /** As the standard writes it: `IPE 200`, `UB 305x165x40`, `W12x26`, `SHS 100x5`, `L 80x8`. */
  designation: string
  series: Series
  /** Dimensions by their letters, m. */
  sides: Record<string, number>
}

const METRES = { mm: 1e-3, in: 0.0254 }

/**
 * All rolled shapes, series by series, each in the standard's order. Worked out once, when first asked for.
 */
export const rolledShapes: () => readonly RolledShape[] = once(() =>
  SERIES.flatMap((series) => rowsOf(series).map((row) => shapeOf(series, row))),
)

const byKey = once(() => {
  const map = new Map<string, RolledShape>()
  for (const shape of rolledShapes()) for (const key of keysOf(shape)) map.set(key, shape)
  return map
})

/**
 * The rolled shape of that designation, or undefined. Blanks, case and the sign between numbers do not
 * matter: `ipe200`, `HE 200 A`, `W 12×26`, `305x165x40 UB`, `SHS 100x100x5` and `L 80x80x8` are all found.
 */
export const findRolled = (designation: string): RolledShape | undefined => byKey().get(plainKey(designation))

/** Rolled shapes whose designation holds all that was typed, at most `limit` of them. */
export function searchRolled(typed: string, limit = 60): RolledShape[] {
  const key = plainKey(typed)
  const fits = (shape: RolledShape) => keysOf(shape).some((k) => k.includes(key))
  const begins = (shape: RolledShape) => keysOf(shape).some((k) => k.startsWith(key))
  const found = rolledShapes().filter(fits)
  return [...found.filter(begins), ...found.filter((s) => !begins(s))].slice(0, limit)
}

/** Up to two sizes of the same series on either side of a designation that is not there. */
export function nearRolled(designation: string): RolledShape[] {
  const key = plainKey(designation)
  const series = SERIES.filter((s) => key.startsWith(s.name)).sort((a, b) => b.name.length - a.name.length)[0]
  if (!series) return []
  const size = (k: string) =>
    (k.slice(series.name.length).match(/[\d.]+/g) ?? []).reduce((sum, n, i) => sum + Number(n) / 1000 ** i, 0)
  const own = size(key)
  return rolledShapes()
    .filter((s) => s.series.name === series.name)
    .sort(
      (a, b) => Math.abs(size(plainKey(a.designation)) - own) - Math.abs(size(plainKey(b.designation)) - own),
    )
    .slice(0, 2)
}

function once<T>(make: () => T): () => T {
  let value: T | undefined
  return () => (value ??= make())
}

const rowsOf = ({ rows }: Series) =>
  rows
    .trim()
    .split('\n')
    .map((line) => line.trim().split(' '))

function shapeOf(series: Series, [name, ...numbers]: string[]): RolledShape {
  const metres = METRES[series.unit]
  const sides = Object.fromEntries(series.columns.split(' ').map((c, i) => [c, Number(numbers[i]) * metres]))
  const properties = shapeProperties(series.shape, whole(series, sides))
  if (typeof properties === 'string') throw new Error(`${series.name} ${name}: ${properties}`)
  return {
    ...properties,
    // American shapes are written without a blank: W12x26
    designation: series.unit === 'in' ? `${series.name}${name}` : `${series.name} ${name}`,
    series,
    sides,
  }
}

/**
 * What the standard leaves to its general rules: radii of hollow sections, toes of angles, the fillet of
 * American W.
 */
function whole({ shape, unit }: Series, s: Record<string, number>): Record<string, number> {
  const h = s.h ?? s.b
  if (shape === 'box') return { ...s, h, rOuter: (unit === 'in' ? 2 : 1.5) * s.t, rInner: s.t }
  if (shape === 'angle') return { ...s, h, rToe: s.r / 2 }
  if (s.k !== undefined) return { ...s, r: s.k - s.tf }
  return s
}

const plainKey = (text: string): string =>
  text.toUpperCase().replace(/[\s*]/g, '').replace(/×/g, 'X').replace(/,/g, '.')

/** The ways one shape is written. */
function keysOf({ designation, series: { name } }: RolledShape): string[] {
  const own = plainKey(designation)
  const size = own.slice(name.length)
  if (name === 'HEA' || name === 'HEB') return [own, `HE${size}${name[2]}`]
  if (name === 'UB' || name === 'UC') return [own, `${size}${name}`]
  if ((name === 'SHS' || name === 'L') && size.split('X').length === 2)
    return [own, `${name}${size.replace(/^([\d.]+)X/, '$1X$1X')}`]
  return [own]
}
