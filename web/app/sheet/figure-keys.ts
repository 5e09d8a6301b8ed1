import { STEP_KEYS, type StepKey } from '@viga/core/methods/blocks'
import type { DiagramKey } from '@viga/drawing/diagrams'
import type { Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'

/**
 * What the Figure shows beside a part of the Sheet, or beside a step of the working: each keeps what was
 * chosen there.
 */
export type FigureKey = Exclude<Part, 'working'> | StepKey

export const figureKeyOf = (part: Part, step: string | undefined): FigureKey =>
  part === 'working' ? (STEP_KEYS.find((k) => k === step) ?? 'idealisation') : part

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
  const given = { ...base, loads: true, dimensions: true }
  const numbered = { ...base, unknowns: true, names: true }
  const results = { ...base, reactions: true, diagram }
  return {
    given,
    idealisation: { ...given, names: true, dimensions: false },
    unknowns: numbered,
    stiffness: numbered,
    supports: numbered,
    loads: { ...base, loads: true, names: true },
    assembly: numbered,
    partition: numbered,
    solution: { ...base, unknowns: true, deflected: true },
    'end-forces': numbered,
    reactions: { ...base, loads: true, reactions: true },
    checks: { ...base, loads: true, reactions: true },
    diagrams: { ...base, diagram },
    'second-order': { ...base, deflected: true },
    results,
    check: results,
  }
}
