import { portalForces } from '../storeyed/forces.js'
import { storeyedMethod } from '../storeyed/method.js'
import { portalOrigins } from '../storeyed/origins.js'
import { OUTLINE } from './outline.js'

export const PORTAL = storeyedMethod({
  outline: OUTLINE,
  assumption: 'An inner column takes twice the shear of an outer one: each bay is a portal of its own.',
  forces: portalForces,
  origins: portalOrigins,
})
