import type { Dimension } from '../quantity/dimension.js'
import type { StepContent } from './blocks.js'
import type { Ledger } from './ledger.js'
import type { FoundValue, Method, NamedValue, Task } from './method.js'
import { notedLedger, type Notes } from './notes.js'
import type { Outline } from './outline.js'

/** A value in coherent units of one in SI. */
export type Coherent = (si: number, dimension: Dimension) => number

/** A method that computes everything when it is opened, by its parts. */
export interface NotedMethod<W extends { notes: Notes }> {
  outline: Outline
  approximate?: boolean
  fits: Method['fits']
  /** A problem worked out, with its numbers noted. */
  work: (task: Task) => W
  /** The makers of the steps, by their keys in the outline. */
  steps: Readonly<Record<string, (work: W, book: Ledger) => StepContent | undefined>>
  /** The steps that only some problems have something for. */
  has?: Readonly<Record<string, (work: W) => boolean>>
  values: (work: W, coherent: Coherent) => FoundValue[]
  named?: (work: W, coherent: Coherent) => NamedValue[]
}

/** The method of these parts; each book keeps the work that it was made of. */
export function notedMethod<W extends { notes: Notes }>(of: NotedMethod<W>): Method {
  const worked = new WeakMap<Ledger, W>()
  return {
    ...of.outline,
    ...(of.approximate && { approximate: true }),
    fits: of.fits,
    open: (task) => {
      const work = of.work(task)
      const steps = of.outline.steps.map((s) => ({
        ...s,
        make: (book: Ledger) => of.steps[s.key](work, book),
        has: () => of.has?.[s.key]?.(work) ?? true,
      }))
      const book = notedLedger(of.outline, steps, work.notes, task)
      worked.set(book, work)
      return book
    },
    values: (book) => of.values(worked.get(book)!, book.context.coherent),
    named: (book) => of.named?.(worked.get(book)!, book.context.coherent) ?? [],
  }
}
