import { SAME, type Rule } from './rule.js'

/** Ratios by which a value goes wrong when a unit is mistaken, and what is mixed up then. */
const UNIT_SLIPS: readonly (readonly [number, string])[] = [
  [1000, 'a thousandfold unit, such as kN and N or m and mm'],
  [100, 'a hundredfold unit, such as m and cm'],
  [10, 'a power of ten'],
  [1e6, 'a millionfold unit, such as m² and mm²'],
  [4.4482216152605, 'kip and kN'],
  [3.28083989501312, 'feet and metres'],
  [9.80665, 'kgf and N (the acceleration of gravity)'],
]
/** The ratios of feet to inches, which are likely only where one of the two stands. */
const FOOT_SLIPS: readonly (readonly [number, string])[] = [
  [12, 'feet and inches'],
  [144, 'square feet and square inches'],
]
const FOOT_OR_INCH = /(?<![\p{L}])(?:ft|in)(?![\p{L}])|['"′″]/u

const round = (x: number) => String(Number(x.toPrecision(4)))

/** A unit mistaken for another. */
export const unitFactor: Rule = {
  kind: 'unit-factor',
  tried: ['digits'],
  find: ({ problem, answer, given, value }, near) => {
    const feet = FOOT_OR_INCH.test(`${problem.units.length} ${String(answer.value)}`)
    const sign = Math.sign(given * value)
    for (const [factor, what] of feet ? [...FOOT_SLIPS, ...UNIT_SLIPS] : UNIT_SLIPS)
      for (const f of [factor, 1 / factor])
        if (near(sign * f * value))
          return {
            kind: 'unit-factor',
            factor: f,
            sentence:
              'The value is ' +
              `${f > 1 ? `${round(f)} times too large` : `${round(1 / f)} times too small`}: ${what} ` +
              `may have been mixed up${sign < 0 ? ', and the sign is opposite' : ''}.`,
          }
    return null
  },
}

/** Twice or half of what it should be. */
export const simpleFactor: Rule = {
  kind: 'factor',
  tried: ['near'],
  find: ({ given, value }) => {
    const ratio = Math.abs(given / value)
    const f = [2, 0.5].find((by) => Math.abs(ratio / by - 1) <= SAME)
    return f === undefined
      ? null
      : {
          kind: 'factor',
          factor: f,
          sentence:
            f === 2 ? 'The value is twice what it should be.' : 'The value is half of what it should be.',
        }
  },
}
