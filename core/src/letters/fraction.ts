/** A fraction of whole numbers. */
export type Fraction = [over: bigint, under: bigint]

/** The exact value of the shortest decimal that stands for a double: 0.1 is 1/10. */
export function decimal(value: number): Fraction {
  const [, sign, whole, part = '', exponent = '0'] = /^(-?)(\d+)(?:\.(\d+))?(?:e([+-]\d+))?$/.exec(
    String(value),
  )!
  const digits = BigInt(`${sign}${whole}${part}`)
  const power = Number(exponent) - part.length
  return power >= 0 ? [digits * 10n ** BigInt(power), 1n] : [digits, 10n ** BigInt(-power)]
}

/** Denominators up to this are looked for in a number that was computed with rounding. */
const MOST_UNDER = 1e6
const ROUNDING = 4e-16

/**
 * The simple fraction that a computed number was before it was rounded, such as 1/12 of an inch in feet; its
 * decimal where there is none.
 */
export function simplest(value: number): Fraction {
  let [p, q, before, underBefore] = [Math.floor(value), 1, 1, 0]
  let rest = value - p
  while (q <= MOST_UNDER && Math.abs(p) < Number.MAX_SAFE_INTEGER) {
    if (Math.abs(p / q - value) <= ROUNDING * Math.abs(value)) return [BigInt(p), BigInt(q)]
    if (rest === 0) break
    const next = Math.floor(1 / rest)
    rest = 1 / rest - next
    ;[p, before] = [next * p + before, p]
    ;[q, underBefore] = [next * q + underBefore, q]
  }
  return decimal(value)
}
