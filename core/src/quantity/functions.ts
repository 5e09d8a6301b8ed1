import * as D from './dimension.js'
import { plainValue, type Value } from './value.js'

/** A function of an expression; `fail` throws with the place of the call. */
export type Fn = (args: Value[], fail: (message: string) => never) => Value

/** Refuses a number of arguments other than n. */
function count(name: string, args: Value[], n: number, fail: (m: string) => never) {
  if (args.length !== n) fail(`${name} takes ${n} value${n === 1 ? '' : 's'}, not ${args.length}.`)
}

/** A function of an angle or a plain number (radians). */
const ofAngle =
  (name: string, f: (x: number) => number): Fn =>
  (args, fail) => {
    count(name, args, 1, fail)
    if (!D.equalButAngle(args[0].dimension, D.none))
      fail(`${name} takes an angle, not ${D.dimensionName(args[0].dimension)}.`)
    return plainValue(f(args[0].si))
  }

/** A function of a plain number whose value is an angle, rad. */
const toAngle =
  (name: string, f: (x: number) => number): Fn =>
  (args, fail) => {
    count(name, args, 1, fail)
    if (!D.equal(args[0].dimension, D.none))
      fail(`${name} takes a plain number, not ${D.dimensionName(args[0].dimension)}.`)
    return { ...plainValue(f(args[0].si)), turn: true }
  }

/** Refuses arguments of different dimensions. */
function alike(name: string, args: Value[], fail: (m: string) => never) {
  if (args.length === 0) fail(`${name} takes at least one value.`)
  const odd = args.find((a) => !D.equal(a.dimension, args[0].dimension) || a.bare !== args[0].bare)
  if (odd)
    fail(
      `${name} needs values of one kind, not ${D.dimensionName(args[0].dimension)} and ` +
        `${D.dimensionName(odd.dimension)}.`,
    )
}

/** The functions an expression may use, by name. */
export const functions: ReadonlyMap<string, Fn> = new Map<string, Fn>([
  [
    'sqrt',
    (args, fail) => {
      count('sqrt', args, 1, fail)
      if (args[0].si < 0) fail('The square root of a negative number has no value.')
      return { si: Math.sqrt(args[0].si), dimension: D.power(args[0].dimension, 0.5), bare: args[0].bare }
    },
  ],
  ['abs', (args, fail) => (count('abs', args, 1, fail), { ...args[0], si: Math.abs(args[0].si) })],
  ['sin', ofAngle('sin', Math.sin)],
  ['cos', ofAngle('cos', Math.cos)],
  ['tan', ofAngle('tan', Math.tan)],
  ['asin', toAngle('asin', Math.asin)],
  ['acos', toAngle('acos', Math.acos)],
  ['atan', toAngle('atan', Math.atan)],
  [
    'atan2',
    (args, fail) => {
      count('atan2', args, 2, fail)
      alike('atan2', args, fail)
      return { ...plainValue(Math.atan2(args[0].si, args[1].si)), turn: true }
    },
  ],
  ['min', (args, fail) => (alike('min', args, fail), { ...args[0], si: Math.min(...args.map((a) => a.si)) })],
  ['max', (args, fail) => (alike('max', args, fail), { ...args[0], si: Math.max(...args.map((a) => a.si)) })],
])
