import type { QuantityReader } from '../quantity/reader.js'
import type { Quantity } from './types.js'

/** A number stays a number, any other text is kept as typed. */
export function typed(text: string): Quantity {
  const t = text.trim()
  return t !== '' && String(Number(t)) === t ? Number(t) : t
}

/**
 * A direction as a person types it, with its unit written behind it: `30` and `30°` are `30 deg`, `360/8` is
 * `(360/8) deg`; what states a unit, or is an angle by itself, stays.
 */
export function typedAngle(text: string, reader: QuantityReader): Quantity {
  const t = text.trim().replace(/\s*°/g, ' deg')
  if (t === '' || !reader.isPlain(t)) return t
  return /^[-+]?[\d.]+$/.test(t) ? `${t} deg` : `(${t}) deg`
}

/** A direction as it is shown in its field: `30°`; a bare number of a file is in radians. */
export function shownAngle(q: Quantity): string {
  if (typeof q === 'number') return `${Number(((q * 180) / Math.PI).toPrecision(12))}°`
  const degrees = /^\s*([-+]?[\d.]+|\([^()]*\))\s*(?:deg|°)\s*$/.exec(q)
  return degrees ? `${degrees[1]}°` : q
}
