import * as D from './dimension.js'
import { unitByName, type Unit } from './units.js'

/** Everyday names of single units, each with the unit of the format that has the same size. */
const OTHER_NAMES: Readonly<Record<string, string>> = {
  kips: 'kip',
  k: 'kip',
  lb: 'lbf',
  lbs: 'lbf',
  KN: 'kN',
  t: 'tonf',
  tf: 'tonf',
  C: 'degC',
  '°C': 'degC',
  '°F': 'degF',
}

const FORCES = ['N', 'kN', 'KN', 'MN', 'lbf', 'lb', 'lbs', 'kip', 'kips', 'k', 'kgf', 'tonf', 'tf', 't']
const LENGTHS = ['m', 'mm', 'cm', 'in', 'ft']

const single = (name: string): Unit | undefined =>
  unitByName(name) ?? (Object.hasOwn(OTHER_NAMES, name) ? unitByName(OTHER_NAMES[name]) : undefined)

const aliases: ReadonlyMap<string, Unit> = new Map<string, Unit>([
  ...Object.entries(OTHER_NAMES).map(([name, unit]): [string, Unit] => [name, unitByName(unit)!]),
  // moments without a sign between force and length: kNm, Nmm, kipft
  ...FORCES.flatMap((force) =>
    LENGTHS.map((length): [string, Unit] => [force + length, product(single(force)!, single(length)!)]),
  ),
  // powers of a length without a raised digit: mm2, cm4, in4
  ...LENGTHS.flatMap((length) =>
    [2, 3, 4].map((n): [string, Unit] => {
      const { siPerUnit, dimension } = unitByName(length)!
      return [length + n, { siPerUnit: siPerUnit ** n, dimension: D.power(dimension, n) }]
    }),
  ),
])

function product(a: Unit, b: Unit): Unit {
  return { siPerUnit: a.siPerUnit * b.siPerUnit, dimension: D.multiply(a.dimension, b.dimension) }
}

/**
 * The unit that an everyday name stands for: `kips`, `k`, `lb`, `KN`, `t`, `kNm`, `cm4`. A problem may have a
 * symbol of such a name, which then goes before; names of the format itself are not among them.
 */
export const unitByAlias = (name: string): Unit | undefined =>
  unitByName(name) === undefined ? aliases.get(name) : undefined

/**
 * Whether two units with a dash between them are a moment (`kN-m`, `ft-lb`) and not a difference, which a
 * force and a length do not have.
 */
export const dashIsProduct = (left: Unit, right: Unit): boolean =>
  (D.equal(left.dimension, D.force) && D.equal(right.dimension, D.length)) ||
  (D.equal(left.dimension, D.length) && D.equal(right.dimension, D.force))
