import { cantileverForces } from '../storeyed/forces.js'
import { storeyedMethod } from '../storeyed/method.js'
import { cantileverOrigins } from '../storeyed/origins.js'
import { OUTLINE } from './outline.js'

export const CANTILEVER = storeyedMethod({
  outline: OUTLINE,
  assumption:
    'The frame bends as a cantilever: the axial stress of a column is proportional to its distance ' +
    'from the ' +
    'centroid of all columns of the storey.',
  forces: cantileverForces,
  origins: cantileverOrigins,
})
