import {
  inLetters,
  lengthsInLetters,
  lettersOf,
  symbolsIn,
  type Load,
  type Problem,
  type Quantity,
} from '@viga/core'
import type { LoadWords } from './loads'

type Stated = Pick<Problem, 'view' | 'symbols' | 'units' | 'nodes' | 'loadCases'>

/** The words of a value on the figure, where it is stated in letters and those are to be shown. */
export type InLetters = (value: string, letters: string | undefined) => string

/** How values and letters stand on the figure: `12 kN/m`, `w`, or `w = 12 kN/m`. */
function wordsOf(p: Stated): InLetters {
  const choice = lettersOf(p)
  return (value, letters) =>
    letters === undefined || choice === 'numbers' || value === ''
      ? value
      : choice === 'letters'
        ? letters
        : `${letters} = ${value}`
}

/** The stated quantity behind the words of a load: its one force, its intensity, its couple. */
function statedBehind(load: Load): { main?: Quantity; end?: Quantity; couple?: Quantity } {
  const only = (...of: (Quantity | undefined)[]) => {
    const stated = of.filter((q) => q !== undefined && q !== 0)
    return stated.length === 1 ? stated[0] : undefined
  }
  switch (load.type) {
    case 'nodal':
    case 'point':
      return { main: load.force ?? only(load.fx, load.fy), couple: load.m }
    case 'distributed':
    case 'couple': {
      const { q, points = [] } = load
      return q !== undefined ? { main: q } : { main: points[0]?.q, end: points[points.length - 1]?.q }
    }
    default:
      return {}
  }
}

/** The words of a load with its letters, where the problem asks for them. */
export function loadInLetters(p: Stated, load: Load | undefined, words: LoadWords): LoadWords {
  if (!load || lettersOf(p) === 'numbers') return words
  const said = wordsOf(p)
  const stated = statedBehind(load)
  const { end, couple } = words
  return {
    main: said(words.main, inLetters(p, stated.main)),
    ...(end === undefined ? {} : { end: said(end, inLetters(p, stated.end)) }),
    ...(couple === undefined ? {} : { couple: said(couple, inLetters(p, stated.couple)) }),
  }
}

/** The stated places of a load along its member. */
const placesOf = (l: Load): (Quantity | undefined)[] =>
  l.type === 'point' ? [l.at] : 'points' in l ? (l.points ?? []).map((o) => o.at) : []

/** The words of a span of a dimension chain, for lengths in m and the words of their value. */
export interface SpanWords {
  across: (si: number, value: string) => string
  up: (si: number, value: string) => string
}

/**
 * Spans in letters: multiples of the symbols that the coordinates of joints in that direction, or places of
 * loads, are stated by. Undefined where the problem asks for numbers alone.
 */
export function spansInLetters(p: Stated): SpanWords | undefined {
  if (lettersOf(p) === 'numbers') return undefined
  const said = wordsOf(p)
  const ats = (p.loadCases ?? []).flatMap((c) => c.loads.flatMap(placesOf).flatMap((at) => symbolsIn(p, at)))
  const by = (key: 'x' | 'y') => {
    const names = [...new Set([...p.nodes.flatMap((n) => symbolsIn(p, n[key])), ...ats])]
    const multiple = lengthsInLetters(p, names)
    return (si: number, value: string) => said(value, multiple(si))
  }
  return { across: by('x'), up: by('y') }
}
