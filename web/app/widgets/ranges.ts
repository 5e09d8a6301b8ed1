/** A value this close to a step, in steps, stands on it. */
const ROUNDING = 1e-9

/** From one round number to another, in round steps. */
export interface Range {
  low: number
  high: number
  step: number
}

/** A range of round numbers that holds all values and 0, in about so many steps. */
export function rangeOf(values: readonly number[], parts = 3): Range {
  const [least, most] = [Math.min(0, ...values), Math.max(0, ...values)]
  if (least === most) return { low: -1, high: 1, step: 1 }
  const rough = (most - least) / parts
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = power * ([1, 2, 5, 10].find((k) => k * power >= rough * 0.999) ?? 10)
  const round = (v: number) => Number(v.toPrecision(12))
  return {
    low: round(Math.floor(least / step + ROUNDING) * step),
    high: round(Math.ceil(most / step - ROUNDING) * step),
    step,
  }
}
