/**
 * The four operations on one kind of number. What the mechanics compute both in numbers and in letters is
 * written with these, once.
 */
export interface Arithmetic<N> {
  /** A number that a formula holds, such as the 12 of 12EI/L³. */
  of(value: number): N
  add(a: N, b: N): N
  subtract(a: N, b: N): N
  multiply(a: N, b: N): N
  divide(a: N, b: N): N
  absolute(a: N): N
  isZero(a: N): boolean
  isLess(a: N, b: N): boolean
}

/** The operations of plain numbers. */
export const NUMBERS: Arithmetic<number> = {
  of: (value) => value,
  add: (a, b) => a + b,
  subtract: (a, b) => a - b,
  multiply: (a, b) => a * b,
  divide: (a, b) => a / b,
  absolute: Math.abs,
  isZero: (a) => a === 0,
  isLess: (a, b) => a < b,
}
