import { createSolver } from '@viga/core'
import { expose } from 'comlink'

const api = { solve: createSolver() }
export type SolverWorker = typeof api

expose(api)
