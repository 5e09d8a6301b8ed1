import type { MethodStep } from '../../ledger.js'
import type { Context } from '../origins/kind.js'
import { OUTLINE } from '../outline.js'
import { secondOrder } from './bent.js'
import { loads, solution } from './equations.js'
import type { Book, StepMaker } from './maker.js'
import { assembly, partition, stiffness } from './matrices.js'
import { degreesOfFreedom, idealisation, supports } from './model.js'
import { checks, diagrams, endForces, reactions } from './results.js'

const MAKERS: Record<(typeof OUTLINE)['steps'][number]['key'], StepMaker> = {
  idealisation,
  unknowns: degreesOfFreedom,
  supports,
  stiffness,
  loads,
  assembly,
  partition,
  solution,
  'end-forces': endForces,
  reactions,
  checks,
  diagrams,
  'second-order': secondOrder,
}

/** The steps that only some problems have something for. */
const HAS: Partial<Record<keyof typeof MAKERS, (book: Book) => boolean>> = {
  supports: (book) => supports(book) !== undefined,
  'second-order': (book) => book.context.bent !== undefined,
}

/** The steps of the stiffness method in their order. */
export const STEPS: readonly MethodStep<Context>[] = OUTLINE.steps.map((s) => ({
  ...s,
  make: MAKERS[s.key],
  has: HAS[s.key],
}))
