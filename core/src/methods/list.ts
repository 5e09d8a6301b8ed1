import type { Method } from './method.js'
import { CANTILEVER } from './cantilever/method.js'
import { COEFFICIENTS } from './coefficients/method.js'
import { FORCES } from './forces/method.js'
import { INTEGRATION } from './integration/method.js'
import { JOINTS } from './joints/method.js'
import { MOMENT_DISTRIBUTION } from './moment-distribution/method.js'
import { PORTAL } from './portal/method.js'
import { SECTIONS } from './sections/method.js'
import { SLOPE_DEFLECTION } from './slope-deflection/method.js'
import { STATICS } from './statics/method.js'
import { STIFFNESS_METHOD } from './stiffness/method.js'
import { THREE_MOMENTS } from './three-moments/method.js'
import { UNIT_LOAD } from './unit-load/method.js'

/** Every method that Viga writes out, in the order in which they are offered. */
export const METHODS: readonly Method[] = [
  STIFFNESS_METHOD,
  STATICS,
  JOINTS,
  SECTIONS,
  UNIT_LOAD,
  INTEGRATION,
  FORCES,
  SLOPE_DEFLECTION,
  MOMENT_DISTRIBUTION,
  THREE_MOMENTS,
  PORTAL,
  CANTILEVER,
  COEFFICIENTS,
]

/** The method of a key; undefined where there is none such. */
export const methodOf = (key: string | undefined): Method | undefined => METHODS.find((m) => m.key === key)
