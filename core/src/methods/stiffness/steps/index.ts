import type { Ledger } from '../../ledger.js'
import { STEP_KEYS, type Step, type StepKey, type StepMaker } from '../../blocks.js'
import { secondOrder } from './bent.js'
import { loads, solution } from './equations.js'
import { assembly, partition, stiffness } from './matrices.js'
import { degreesOfFreedom, idealisation, supports } from './model.js'
import { checks, diagrams, endForces, reactions } from './results.js'

const MAKERS: Record<StepKey, StepMaker> = {
  idealisation,
  unknowns: degreesOfFreedom,
  stiffness,
  supports,
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

/** One step of a working; undefined where the problem has nothing for it. */
export const stepOf = (book: Ledger, key: StepKey): Step | undefined => MAKERS[key](book)

/** All steps of a working, in order. */
export const stepsOf = (book: Ledger): Step[] => STEP_KEYS.flatMap((key) => stepOf(book, key) ?? [])
