/** Exponents of the base dimensions mass, length, time, temperature, angle (SI base: kg, m, s, K, rad). */
export type Dimension = readonly [
  mass: number,
  length: number,
  time: number,
  temperature: number,
  angle: number,
]

export const none: Dimension = [0, 0, 0, 0, 0]
export const length: Dimension = [0, 1, 0, 0, 0]
export const force: Dimension = [1, 1, -2, 0, 0]
export const angle: Dimension = [0, 0, 0, 0, 1]
export const temperature: Dimension = [0, 0, 0, 1, 0]
export const area: Dimension = [0, 2, 0, 0, 0]
export const secondMoment: Dimension = [0, 4, 0, 0, 0]
export const moment: Dimension = [1, 2, -2, 0, 0]
/** E·I, force times length squared. */
export const bendingStiffness: Dimension = [1, 3, -2, 0, 0]
/** Force per length; also the stiffness of a translational spring. */
export const forcePerLength: Dimension = [1, 0, -2, 0, 0]
export const stress: Dimension = [1, -1, -2, 0, 0]
export const unitWeight: Dimension = [1, -2, -2, 0, 0]
export const density: Dimension = [1, -3, 0, 0, 0]
export const perTemperature: Dimension = [0, 0, 0, -1, 0]

export const multiply = (a: Dimension, b: Dimension): Dimension => zip(a, b, (x, y) => x + y)
export const divide = (a: Dimension, b: Dimension): Dimension => zip(a, b, (x, y) => x - y)
export const power = (a: Dimension, n: number): Dimension => zip(a, a, (x) => round(x * n))
export const equal = (a: Dimension, b: Dimension): boolean => a.every((x, i) => x === b[i])
/** Equality that treats radians as plain numbers: kN·m/rad is a moment. */
export const equalButAngle = (a: Dimension, b: Dimension): boolean => a.every((x, i) => i === 4 || x === b[i])

function zip(a: Dimension, b: Dimension, f: (x: number, y: number) => number): Dimension {
  return [f(a[0], b[0]), f(a[1], b[1]), f(a[2], b[2]), f(a[3], b[3]), f(a[4], b[4])]
}

// sqrt(x)^2 must come back to whole exponents
const round = (x: number) => Math.round(x * 1e6) / 1e6

const names: [Dimension, string][] = [
  [none, 'a plain number'],
  [length, 'a length'],
  [area, 'an area'],
  [[0, 3, 0, 0, 0], 'a volume or section modulus'],
  [secondMoment, 'a second moment of area'],
  [force, 'a force'],
  [moment, 'a moment'],
  [forcePerLength, 'a force per length'],
  [stress, 'a stress'],
  [unitWeight, 'a unit weight'],
  [density, 'a mass density'],
  [angle, 'an angle'],
  [temperature, 'a temperature'],
  [perTemperature, 'a value per degree'],
  [[1, 0, 0, 0, 0], 'a mass'],
  [bendingStiffness, 'a bending stiffness (force × length²)'],
  [[1, 2, -2, 0, -1], 'a rotational stiffness'],
]

/** What a reader calls a dimension: "a length", "a moment"; exponents for the unnamed ones. */
export function dimensionName(d: Dimension): string {
  const known = names.find(([n]) => equal(n, d))
  if (known) return known[1]
  const symbols = ['mass', 'length', 'time', 'temperature', 'angle']
  return d.flatMap((e, i) => (e === 0 ? [] : [e === 1 ? symbols[i] : `${symbols[i]}^${e}`])).join('·')
}
