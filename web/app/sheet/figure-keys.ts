import { OUTLINES, type Outline, type StepOutline } from '@viga/core/methods/outline'
import type { DiagramKey } from '@viga/drawing/diagrams'
import type { Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'

/** A step of the working, by its method and its own key. */
export type StepAddress = { method: string; step: string }

/**
 * What the Figure shows beside a part of the Sheet, or beside a step of the working: each keeps what was
 * chosen there. A step is `method.step`.
 */
export type FigureKey = Exclude<Part, 'working'> | `${string}.${string}`

const stepKey = (m: Pick<Outline, 'key'>, s: Pick<StepOutline, 'key'>): FigureKey => `${m.key}.${s.key}`

/**
 * The step that an address of the working names. An address without a method is of the first one, the
 * stiffness method, as it was before there were others; what names nothing is the first step.
 * @param first,second the parts of the address behind `working`
 */
export function stepAddress(first: string | undefined, second: string | undefined): StepAddress {
  const [usual] = OUTLINES
  const named = second === undefined && usual.steps.some((s) => s.key === first) ? usual : undefined
  const method = named ?? OUTLINES.find((m) => m.key === first) ?? usual
  const step = named ? first : second
  return { method: method.key, step: (method.steps.find((s) => s.key === step) ?? method.steps[0]).key }
}

/** @param first,second the parts of the address behind the part of the Sheet */
export function figureKeyOf(part: Part, first?: string, second?: string): FigureKey {
  if (part !== 'working') return part
  const { method, step } = stepAddress(first, second)
  return `${method}.${step}`
}

const base: Layers = {
  loads: false,
  dimensions: false,
  supports: true,
  unknowns: false,
  names: false,
  reactions: false,
  diagram: null,
  deflected: false,
}

/**
 * What belongs beside each, until the person chooses otherwise. `diagram` is the one the structure is read
 * by.
 */
export function firstLayers(diagram: DiagramKey): Record<FigureKey, Layers> {
  const results = { ...base, reactions: true, diagram }
  const steps = OUTLINES.flatMap((m) =>
    m.steps.map((s): [FigureKey, Layers] => [
      stepKey(m, s),
      { ...base, ...s.figure, diagram: s.figure.diagram ? diagram : null },
    ]),
  )
  return {
    given: { ...base, loads: true, dimensions: true },
    results,
    check: results,
    ...Object.fromEntries(steps),
  }
}
