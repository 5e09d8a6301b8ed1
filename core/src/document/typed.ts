import type { Quantity } from './types.js'

/** A number stays a number, any other text is kept as typed. */
export function typed(text: string): Quantity {
  const t = text.trim()
  return t !== '' && String(Number(t)) === t ? Number(t) : t
}
