import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { typed } from '../document/typed.js'
import type { Problem } from '../document/types.js'

/** Places a person names rather than measures, as parts of the length. */
const NAMED: Readonly<Record<string, number>> = { start: 0, end: 1, mid: 0.5, middle: 0.5, midspan: 0.5 }

/** Beyond an end by less than this part of the length, the end is meant: it was typed with rounded digits. */
const ROUNDED = 1e-4

/**
 * A place along a member as a person types it: `2.35`, `7 ft 8 in`, `40%`, `L/3` (L is the member's length
 * where the problem has no symbol of that name), `a + 1 m`, `mid`, `end`.
 * @param length of the member, m
 * @returns the place in m from its start, or a sentence on why there is none
 */
export function readPlace(
  p: Pick<Problem, 'units' | 'symbols'>,
  length: number,
  text: string,
): { ok: true; x: number } | { ok: false; message: string } {
  const t = text.trim()
  if (t === '') return { ok: false, message: 'Type a place: a length, a percentage, or L/3.' }
  if (Object.hasOwn(NAMED, t.toLowerCase())) return { ok: true, x: NAMED[t.toLowerCase()] * length }
  const percent = /^(.+)%$/.exec(t)
  const symbols = { L: `${length} m`, ...p.symbols }
  const { reader } = makeReader(p.units, symbols)
  const read = percent
    ? reader.read(typed(percent[1]), D.none)
    : reader.read(typed(t.replace(/(\d)\s*L\b/g, '$1*L')), D.length)
  if (!read.ok) return { ok: false, message: read.message }
  const x = percent ? (read.si / 100) * length : read.si
  if (!(x >= -ROUNDED * length && x <= length * (1 + ROUNDED)))
    return { ok: false, message: 'This place is beyond the ends of the member.' }
  return { ok: true, x: Math.min(Math.max(x, 0), length) }
}
