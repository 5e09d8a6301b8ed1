import { makeReader } from '../quantity/reader.js'
import * as D from '../quantity/dimension.js'
import { typed } from '../document/typed.js'
import type { Problem } from '../document/types.js'
import { dimensionOf, type Varied } from './vary.js'
import { MOST_STEPS } from './sweep.js'

/** What a sweep runs through, as it is typed. */
export interface Range {
  from: string
  to: string
  steps: number
  /** A list instead of a range: `0, 50 kN, 120 kN`. */
  list?: string
}

/** The values of a sweep in SI, both ends included, or a sentence on what cannot be read. */
export function sweepValues(
  p: Problem,
  varied: Varied,
  { from, to, steps, list }: Range,
): { ok: true; values: number[] } | { ok: false; message: string; field: 'from' | 'to' | 'steps' | 'list' } {
  const dimension = dimensionOf(p, varied)
  const { reader } = makeReader(p.units, p.symbols)
  const read = (text: string) => reader.read(typed(text), dimension ?? D.none)
  if (list !== undefined && list.trim() !== '') {
    const values: number[] = []
    for (const text of list.split(/[,;]/)) {
      const r = read(text.trim())
      if (!r.ok) return { ok: false, field: 'list', message: r.message }
      values.push(r.si)
    }
    return values.length > MOST_STEPS
      ? { ok: false, field: 'list', message: `At most ${MOST_STEPS} values.` }
      : { ok: true, values }
  }
  const [a, b] = [read(from), read(to)]
  if (!a.ok) return { ok: false, field: 'from', message: a.message }
  if (!b.ok) return { ok: false, field: 'to', message: b.message }
  if (!Number.isInteger(steps) || steps < 1 || steps >= MOST_STEPS)
    return { ok: false, field: 'steps', message: `Steps are a whole number from 1 to ${MOST_STEPS - 1}.` }
  return { ok: true, values: Array.from({ length: steps + 1 }, (_, i) => a.si + ((b.si - a.si) * i) / steps) }
}
