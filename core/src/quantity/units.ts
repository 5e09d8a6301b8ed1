import * as D from './dimension.js'
import type { Dimension } from './dimension.js'

/** A unit: how many SI base units it is worth, and its dimension. */
export interface Unit {
  siPerUnit: number
  dimension: Dimension
}

/** Standard gravity, m/s² (exact, CGPM 1901). */
export const GRAVITY = 9.80665

const INCH = 0.0254 // m, exact (1959 agreement)
const FOOT = 0.3048 // m, exact
const POUND_FORCE = 0.45359237 * GRAVITY // N, exact
const PSI = POUND_FORCE / (INCH * INCH)

const prefixes: Record<string, number> = {
  G: 1e9,
  M: 1e6,
  k: 1e3,
  d: 1e-1,
  c: 1e-2,
  m: 1e-3,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  n: 1e-9,
}

const prefixed: Record<string, Unit> = {
  m: { siPerUnit: 1, dimension: D.length },
  N: { siPerUnit: 1, dimension: D.force },
  Pa: { siPerUnit: 1, dimension: D.stress },
  g: { siPerUnit: 1e-3, dimension: [1, 0, 0, 0, 0] },
}

const plain: Record<string, Unit> = {
  in: { siPerUnit: INCH, dimension: D.length },
  ft: { siPerUnit: FOOT, dimension: D.length },
  lbf: { siPerUnit: POUND_FORCE, dimension: D.force },
  kip: { siPerUnit: 1000 * POUND_FORCE, dimension: D.force },
  kgf: { siPerUnit: GRAVITY, dimension: D.force },
  tonf: { siPerUnit: 1000 * GRAVITY, dimension: D.force }, // metric
  psi: { siPerUnit: PSI, dimension: D.stress },
  ksi: { siPerUnit: 1000 * PSI, dimension: D.stress },
  psf: { siPerUnit: POUND_FORCE / FOOT ** 2, dimension: D.stress },
  pcf: { siPerUnit: POUND_FORCE / FOOT ** 3, dimension: D.unitWeight },
  plf: { siPerUnit: POUND_FORCE / FOOT, dimension: D.forcePerLength },
  klf: { siPerUnit: (1000 * POUND_FORCE) / FOOT, dimension: D.forcePerLength },
  deg: { siPerUnit: Math.PI / 180, dimension: D.angle },
  '°': { siPerUnit: Math.PI / 180, dimension: D.angle },
  rad: { siPerUnit: 1, dimension: D.angle },
  K: { siPerUnit: 1, dimension: D.temperature },
  degC: { siPerUnit: 1, dimension: D.temperature },
  degF: { siPerUnit: 5 / 9, dimension: D.temperature },
}

const table: ReadonlyMap<string, Unit> = new Map([
  ...Object.entries(plain),
  ...Object.entries(prefixed).flatMap(([name, unit]): [string, Unit][] => [
    [name, unit],
    ...Object.entries(prefixes).map(([p, factor]): [string, Unit] => [
      p + name,
      { siPerUnit: unit.siPerUnit * factor, dimension: unit.dimension },
    ]),
  ]),
])

/** The unit of that name, or undefined. Names are case-sensitive: `mN` is not `MN`. */
export const unitByName = (name: string): Unit | undefined => table.get(name)

/** Every unit name Viga knows. */
export const unitNames = (): string[] => [...table.keys()]

/** The known unit most like a mistyped name, for "did you mean". */
export function nearestUnit(name: string): string | undefined {
  const common = [
    'm',
    'mm',
    'cm',
    'km',
    'in',
    'ft',
    'N',
    'kN',
    'MN',
    'lbf',
    'kip',
    'kgf',
    'tonf',
    'Pa',
    'kPa',
    'MPa',
    'GPa',
    'psi',
    'ksi',
    'psf',
    'pcf',
    'plf',
    'klf',
    'deg',
    'rad',
    'degC',
    'degF',
    'kg',
  ]
  const lower = name.toLowerCase()
  const aliases: Record<string, string> = {
    inch: 'in',
    inches: 'in',
    feet: 'ft',
    foot: 'ft',
    lb: 'lbf',
    lbs: 'lbf',
    kips: 'kip',
    k: 'kip',
    meter: 'm',
    metre: 'm',
    degree: 'deg',
    degrees: 'deg',
    c: 'degC',
    f: 'degF',
  }
  if (Object.hasOwn(aliases, lower)) return aliases[lower]
  return (
    common.find((u) => u.toLowerCase() === lower) ??
    common.find(
      (u) =>
        u.length > 1 && Math.abs(u.length - name.length) <= 1 && distanceAtMostOne(u.toLowerCase(), lower),
    )
  )
}

function distanceAtMostOne(a: string, b: string): boolean {
  if (a.length > b.length) return distanceAtMostOne(b, a)
  let i = 0
  while (i < a.length && a[i] === b[i]) i++
  return a.length === b.length ? a.slice(i + 1) === b.slice(i + 1) : a.slice(i) === b.slice(i + 1)
}

export interface ProblemUnits {
  length: string
  force: string
}

/**
 * SI value of one coherent unit of a dimension, in a problem's own length and force units. Mass and time
 * never occur alone in a problem, so M¹ stands for force·time²/length. Example: { length: 'm', force: 'kN' }
 * and a moment gives 1000 (N·m per kN·m).
 */
export function siPerCoherent(units: ProblemUnits, d: Dimension): number {
  const l = unitByName(units.length)!.siPerUnit
  const f = unitByName(units.force)!.siPerUnit
  // force exponent = mass exponent; what remains of the length exponent is length
  return f ** d[0] * l ** (d[1] - d[0])
}

/** How a coherent unit is written: "kN·m", "kip/ft", "in⁴"; angles are "rad", temperatures "K". */
export function coherentUnitName(units: ProblemUnits, d: Dimension): string {
  if (D.equal(d, D.angle)) return 'rad'
  if (D.equal(d, D.temperature)) return 'K'
  if (D.equal(d, D.perTemperature)) return '1/K'
  const f = d[0]
  const l = d[1] - d[0]
  const raise = (u: string, n: number) => u + (n === 1 ? '' : superscript(n))
  const up = [f > 0 && raise(units.force, f), l > 0 && raise(units.length, l)].filter(Boolean).join('·')
  const down = [f < 0 && raise(units.force, -f), l < 0 && raise(units.length, -l)].filter(Boolean).join('·')
  if (down === '') return up
  return `${up || '1'}/${down.includes('·') ? `(${down})` : down}`
}

const superscript = (n: number) => String(n).replace(/\d/g, (c) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(c)])
