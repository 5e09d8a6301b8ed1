import { OUTLINE as cantilever } from './cantilever/outline.js'
import { OUTLINE as coefficients } from './coefficients/outline.js'
import { OUTLINE as forces } from './forces/outline.js'
import { OUTLINE as integration } from './integration/outline.js'
import { OUTLINE as joints } from './joints/outline.js'
import { OUTLINE as momentDistribution } from './moment-distribution/outline.js'
import { OUTLINE as portal } from './portal/outline.js'
import { OUTLINE as sections } from './sections/outline.js'
import { OUTLINE as slopeDeflection } from './slope-deflection/outline.js'
import { OUTLINE as statics } from './statics/outline.js'
import { OUTLINE as stiffness } from './stiffness/outline.js'
import { OUTLINE as threeMoments } from './three-moments/outline.js'
import { OUTLINE as unitLoad } from './unit-load/outline.js'
import type { StepFigure } from './step-figure.js'

/** A step of a method, before a problem is given. */
export interface StepOutline {
  key: string
  title: string
  /** The step speaks of the structure alone, so that it is the same in every case. */
  ofStructure?: boolean
  /** A shorter name among the other steps, where the title is long. */
  label?: string
  /** What the Figure shows beside the step. */
  figure: StepFigure
  /** The figure that is printed at the head of the step, where it has one on paper. */
  printed?: StepFigure
}

/** A method with its steps, without the code that works a problem out. */
export interface Outline {
  key: string
  title: string
  steps: readonly StepOutline[]
}

/** Every method in outline, in the order in which they are offered. */
export const OUTLINES: readonly Outline[] = [
  stiffness,
  statics,
  joints,
  sections,
  unitLoad,
  integration,
  forces,
  slopeDeflection,
  momentDistribution,
  threeMoments,
  portal,
  cantilever,
  coefficients,
]
