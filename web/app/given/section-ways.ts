import { edit, shapeSides, type Problem, type Section, type ShapeType } from '@viga/core'
import { byRigidity, withRigidity } from '@viga/core/statement/rigidities'

/**
 * The ways a section is stated: by A and I, by its rigidities, by its designation, or by a shape with sides.
 */
export type By = 'AI' | 'EI' | 'catalogue' | ShapeType

export const WAY_WORDS: Record<By, string> = {
  AI: 'A and I',
  EI: 'EI and EA',
  catalogue: 'rolled shape',
  rectangle: 'rectangle',
  circle: 'circle',
  tube: 'tube',
  box: 'box',
  I: 'I shape',
  T: 'T shape',
  channel: 'channel',
  angle: 'angle',
}

/** Sides a shape begins with, so that it is whole at once. */
const FIRST: Record<string, string> = {
  b: '100 mm',
  h: '200 mm',
  d: '100 mm',
  t: '5 mm',
  tf: '10 mm',
  tw: '6 mm',
}

/** Everything that one way of stating a section leaves behind for the next. */
const NOTHING = {
  A: undefined,
  I: undefined,
  EA: undefined,
  EI: undefined,
  shape: undefined,
  catalogue: undefined,
  depth: undefined,
  yTop: undefined,
  yBottom: undefined,
}

/** The way a section is stated. */
export function wayOf(s: Section): By {
  if (s.shape) return s.shape.type
  if (s.catalogue !== undefined) return 'catalogue'
  return byRigidity(s) ? 'EI' : 'AI'
}

/** The problem with a section stated in another way, with values to begin with. */
export function withWay(p: Problem, s: Section, by: By): Problem {
  const set = (change: Partial<Section>) => edit.setSection(p, s.id, { ...NOTHING, ...change })
  if (by === 'AI') return set({ A: '0.01 m^2', I: '1e-4 m^4' })
  if (by === 'EI') return withRigidity(set({ A: s.A ?? '0.01 m^2' }), s.id, 'EI', 'EI')
  if (by === 'catalogue')
    return set({ catalogue: ['ft', 'in'].includes(p.units.length) ? 'W12x26' : 'IPE 200' })
  const sides = Object.fromEntries(shapeSides[by].map((k) => [k, FIRST[k]]))
  return set({ shape: { type: by, ...sides } })
}
