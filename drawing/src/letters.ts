import {
  formatPlain,
  inLetters,
  lengthsInLetters,
  lettersOf,
  symbolsIn,
  type Load,
  type Problem,
  type Quantity,
} from '@viga/core'
import type { LoadWords } from './loads'

type Stated = Pick<
  Problem,
  'view' | 'symbols' | 'units' | 'nodes' | 'loadCases' | 'kind' | 'members' | 'sections'
>

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

/**
 * The words of a load with its letters, where the problem asks for them.
 * @param factor of its case in a combination; it stands before the letters
 */
export function loadInLetters(
  p: Stated,
  load: Load | undefined,
  words: LoadWords,
  factor: number,
): LoadWords {
  if (!load || lettersOf(p) === 'numbers') return words
  const said = wordsOf(p)
  const stated = statedBehind(load)
  const letters = (q: Quantity | undefined) => {
    const one = inLetters(p, q)
    return one === undefined || factor === 1 ? one : `${formatPlain(factor, 4)}·${one}`
  }
  const { end, couple } = words
  return {
    main: said(words.main, letters(stated.main)),
    ...(end === undefined ? {} : { end: said(end, letters(stated.end)) }),
    ...(couple === undefined ? {} : { couple: said(couple, letters(stated.couple)) }),
  }
}

/** The stated places of a load along its member. */
const placesOf = (l: Load): (Quantity | undefined)[] =>
  l.type === 'point' ? [l.at] : 'points' in l ? (l.points ?? []).map((o) => o.at) : []

/** What the figure writes in letters besides its loads. */
export interface FigureLetters {
  /**
   * The words of a level or an upright span of a dimension chain, for lengths in m and the words of their
   * value.
   */
  across: (si: number, value: string) => string
  up: (si: number, value: string) => string
  /** Members by their label, each with its rigidity in letters: `2EI`. */
  rigidities: ReadonlyMap<string, string>
}

/**
 * The letters of the figure: spans as multiples of the symbols that the coordinates of joints in that
 * direction, or places of loads, are stated by, and rigidities of members. Undefined where the problem
 * asks for numbers alone.
 */
export function figureLetters(p: Stated): FigureLetters | undefined {
  if (lettersOf(p) === 'numbers') return undefined
  const said = wordsOf(p)
  const ats = (p.loadCases ?? []).flatMap((c) => c.loads.flatMap(placesOf).flatMap((at) => symbolsIn(p, at)))
  const by = (key: 'x' | 'y') => {
    const names = [...new Set([...p.nodes.flatMap((n) => symbolsIn(p, n[key])), ...ats])]
    const multiple = lengthsInLetters(p, names)
    return (si: number, value: string) => said(value, multiple(si))
  }
  return { across: by('x'), up: by('y'), rigidities: rigiditiesInLetters(p) }
}

/**
 * Members whose section is stated in symbols, by their label: EI of a frame, EA of a truss, or the
 * symbol of I or A where the rigidity is not stated as such. A structure of one rigidity has none here:
 * its caption says it.
 */
function rigiditiesInLetters(p: Stated): ReadonlyMap<string, string> {
  const truss = p.kind === 'truss'
  const sections = new Map(
    p.sections?.map((s) => [s.id, inLetters(p, truss ? (s.EA ?? s.A) : (s.EI ?? s.I))]),
  )
  const found = p.members.flatMap((m): [string, string][] => {
    const words = m.section === undefined ? undefined : sections.get(m.section)
    return words === undefined ? [] : [[m.id, words]]
  })
  const differ = new Set(found.map(([, words]) => words)).size > 1 || found.length < p.members.length
  return new Map(differ ? found : [])
}

/** The rigidity that every member has, in letters, for the caption: `EI constant`. */
export function constantRigidity(p: Stated): string | undefined {
  if (lettersOf(p) === 'numbers' || p.members.length === 0) return undefined
  const used = new Set(p.members.map((m) => m.section))
  const section = used.size === 1 ? p.sections?.find((s) => used.has(s.id)) : undefined
  const stated = section && (p.kind === 'truss' ? (section.EA ?? section.A) : (section.EI ?? section.I))
  const letters = inLetters(p, stated)
  return letters && `${letters} constant`
}
