import * as D from '../quantity/dimension.js'
import type { QuantityReader } from '../quantity/reader.js'
import { siPerCoherent } from '../quantity/units.js'

/** Limit on the bays in one line. */
const MOST = 200

/** A number of equal spacings. */
const REPEATED = /^(\d+)\s*@\s*(.*)$/

/** The spacings of a line, each as it is written. */
const partsOf = (text: string): string[] =>
  text
    .split(/[,;]/)
    .flatMap((part) =>
      /^[\s\d.@]+$/.test(part)
        ? part
            .trim()
            .replace(/\s*@\s*/g, '@')
            .split(/\s+/)
        : [part],
    )
    .map((part) => part.trim())
    .filter(Boolean)

/**
 * Spacings as people say them: `3@4, 5.5`, `2@20 ft, 15 ft`, `6 6 4.5`. Each part is a length, with `n@`
 * before it for n of them.
 * @returns the spacings in the problem's length unit, or a sentence on what is not understood
 */
export function readBays(text: string, reader: QuantityReader): number[] | { message: string } {
  const out: number[] = []
  for (const part of partsOf(text)) {
    const repeat = REPEATED.exec(part)
    const [times, length] = repeat ? [Number(repeat[1]), repeat[2]] : [1, part]
    const r = reader.read(length, D.length)
    if (!r.ok) return { message: `"${part}": ${r.message}` }
    if (r.si <= 0) return { message: `"${part}": a spacing is greater than zero.` }
    if (times < 1 || out.length + times > MOST) return { message: `At most ${MOST} spacings are taken.` }
    for (let i = 0; i < times; i++) out.push(r.si / siPerCoherent(reader.units, D.length))
  }
  return out.length ? out : { message: 'Write spacings such as 3@4, 5.5.' }
}

/** Spacings back to text: equal neighbours together, "3@4, 5.5". */
export function writeBays(spacings: readonly number[]): string {
  const groups: [number, number][] = []
  for (const s of spacings) {
    const last = groups[groups.length - 1]
    if (last && last[1] === s) last[0]++
    else groups.push([1, s])
  }
  return groups.map(([n, s]) => (n > 1 ? `${n}@${s}` : String(s))).join(', ')
}

/** Spacings with the unit written behind those that state none. */
export const baysWithUnit = (text: string, reader: QuantityReader, unit: string): string =>
  partsOf(text)
    .map((part) => {
      const [, times, length = part] = REPEATED.exec(part) ?? []
      return reader.isPlain(length) ? `${times === undefined ? '' : `${times}@`}${length} ${unit}` : part
    })
    .join(', ')
