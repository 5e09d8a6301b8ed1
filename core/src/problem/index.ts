export type * from './types.js'
export { checkProblem, MAX_BYTES, readProblem, VERSION, writeProblem, type ReadResult } from './read.js'
export { shapeSides } from './schema.js'
