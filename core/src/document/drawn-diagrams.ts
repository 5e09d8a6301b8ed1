import { isRecord } from './report.js'
import type { Problem, Quantity } from './types.js'

/** How a diagram runs from an ordinate on; it goes on as before where an ordinate does not say. */
export const STRETCH_KINDS = ['constant', 'linear', 'parabola', 'cubic'] as const
export type StretchKind = (typeof STRETCH_KINDS)[number]

/** An ordinate of a diagram drawn by hand: where, how much, and how the diagram runs from there. */
export interface DrawnOrdinate {
  /** From the start of the member: a length or a percentage, as typed. */
  at: Quantity
  value: Quantity
  kind?: StretchKind
}

/** The diagram of one member as a hand solution has it. */
export interface DrawnDiagram {
  quantity: 'moment' | 'shear' | 'axial'
  member: string
  case?: string
  ordinates: DrawnOrdinate[]
}

/** More than this nobody draws by hand. */
const MOST_DIAGRAMS = 200
const MOST_ORDINATES = 200

const isQuantity = (v: unknown): v is Quantity => typeof v === 'string' || typeof v === 'number'

const isOrdinate = (v: unknown): v is DrawnOrdinate =>
  isRecord(v) &&
  isQuantity(v.at) &&
  isQuantity(v.value) &&
  (v.kind === undefined || STRETCH_KINDS.includes(v.kind as StretchKind))

const isDrawn = (v: unknown): v is DrawnDiagram =>
  isRecord(v) &&
  typeof v.member === 'string' &&
  (v.quantity === 'moment' || v.quantity === 'shear' || v.quantity === 'axial') &&
  (v.case === undefined || typeof v.case === 'string') &&
  Array.isArray(v.ordinates) &&
  v.ordinates.length <= MOST_ORDINATES &&
  v.ordinates.every(isOrdinate)

/** The diagrams that are drawn by hand, in their order; entries of another form are passed over. */
export function drawnDiagrams(p: Pick<Problem, 'view'>): DrawnDiagram[] {
  const drawn = p.view?.drawn
  return Array.isArray(drawn) ? drawn.filter(isDrawn).slice(0, MOST_DIAGRAMS) : []
}

const without = (view: Record<string, unknown>, key: string) =>
  Object.fromEntries(Object.entries(view).filter(([k]) => k !== key))

const sameDiagram = (a: DrawnDiagram, b: Omit<DrawnDiagram, 'ordinates'>) =>
  a.quantity === b.quantity && a.member === b.member && a.case === b.case

/** The ordinates of one diagram put in place of those it had; a diagram without any is taken out. */
export function setDrawnDiagram(p: Problem, diagram: DrawnDiagram): Problem {
  const others = drawnDiagrams(p).filter((d) => !sameDiagram(d, diagram))
  const all = diagram.ordinates.length ? [...others, diagram] : others
  const view = { ...p.view, drawn: all }
  return { ...p, view: all.length ? view : without(view, 'drawn') }
}

export const drawnDiagram = (p: Problem, of: Omit<DrawnDiagram, 'ordinates'>): DrawnDiagram =>
  drawnDiagrams(p).find((d) => sameDiagram(d, of)) ?? { ...of, ordinates: [] }
