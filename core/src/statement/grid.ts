import { setView } from '../document/edits/edits.js'
import { measure } from '../document/measure.js'
import type { Problem } from '../document/types.js'
import { readBays } from '../document/bays.js'

/**
 * The person's own grid: lines at uneven spacings, in the problem's length unit, and the texts they were
 * stated by.
 */
export interface Grid {
  across: string
  up: string
  xs: number[]
  ys: number[]
}

/** What is kept in the document's `view`, where any reader may leave it alone. */
interface KeptGrid {
  across?: unknown
  up?: unknown
}

const lines = (text: string, p: Problem): number[] => {
  const bays = text.trim() === '' ? undefined : readBays(text, measure(p).reader)
  return Array.isArray(bays)
    ? bays.reduce((all, b) => [...all, Number((all[all.length - 1] + b).toPrecision(12))], [0])
    : []
}

/** The grid a problem was given; undefined when it has none. */
export function gridOf(p: Problem): Grid | undefined {
  const kept = p.view?.grid as KeptGrid | undefined
  if (typeof kept !== 'object' || kept === null) return undefined
  const across = typeof kept.across === 'string' ? kept.across : ''
  const up = typeof kept.up === 'string' ? kept.up : ''
  const grid = { across, up, xs: lines(across, p), ys: lines(up, p) }
  return grid.xs.length || grid.ys.length ? grid : undefined
}

/** Why a text of spacings is not understood; null when it is, or is empty. */
export function baysRefusal(text: string, p: Problem): string | null {
  if (text.trim() === '') return null
  const bays = readBays(text, measure(p).reader)
  return Array.isArray(bays) ? null : bays.message
}

export const setGrid = (p: Problem, across: string, up: string): Problem =>
  setView(p, 'grid', across.trim() === '' && up.trim() === '' ? undefined : { across, up })

/** The nearest line to a value, or the nearest step where the grid has none that way. */
export function snapTo(lines: readonly number[] | undefined, v: number, step: number): number {
  if (lines?.length) {
    const best = lines.reduce((a, b) => (Math.abs(b - v) < Math.abs(a - v) ? b : a))
    // beyond the lines the even steps go on
    if (v > lines[0] - step && v < lines[lines.length - 1] + step) return best
  }
  return Number((Math.round(v / step) * step).toPrecision(12))
}
