export { displacementAt, reactionAt } from './at-node.js'
export { equilibrium, type Equilibrium } from './equilibrium.js'
export { extremes, extremesOf, zeros, type Extreme, type ExtremeKey, type Range } from './extremes.js'
export { courseOf, coursesOf, stations, type Station } from './courses.js'
export {
  displacementEnvelope,
  envelopeOf,
  governing,
  reactionEnvelope,
  type ComponentEnvelope,
  type Envelope,
  type EnvelopeRange,
  type Governed,
} from './envelope.js'
export { readPlace } from './place.js'
export { readAt, readEnvelope, type ReadKey, type ReadValue } from './read-at.js'
export * from './tables/index.js'
export {
  eulerLoad,
  missingForStress,
  stressCheck,
  type At,
  type FibreStress,
  type StressCheck,
} from './stress.js'
export { formulasOf, valueOfFormula, type StretchFormula } from './formulas.js'
export {
  momentMagnifiers,
  storeyAmplifications,
  type Approximation,
  type Magnifier,
} from './amplification.js'
export { compareResults, type Compared, type Comparisons, type Result } from './compare.js'
