import type { StepContent } from '../../blocks.js'
import type { Ledger } from '../../ledger.js'
import type { Context } from '../origins/kind.js'

/** The working of the stiffness method, as its steps read it. */
export type Book = Ledger<Context>

/** Makes a step of the stiffness method; undefined where the problem has nothing for it. */
export type StepMaker = (book: Book) => StepContent | undefined
