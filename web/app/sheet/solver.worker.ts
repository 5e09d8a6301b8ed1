import { work } from '@viga/core'
import { expose } from 'comlink'

const api = { work }
export type SolverWorker = typeof api

expose(api)
