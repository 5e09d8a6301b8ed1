import {
  envelopeOf,
  RESULT_TABLES,
  type ActionSolution,
  type Display,
  type Envelope,
  type ExtremeKey,
  type ResultTable,
  type ResultTableKey,
  type Signs,
  type Solution,
} from '@viga/core'

/** What is made of many cases at once; the page and the worker make it by the same functions. */
export const envelopeJobs = {
  /** The curves of one quantity over all members. */
  curves: (solution: Solution, actions: readonly ActionSolution[], { key }: { key: ExtremeKey }): Envelope =>
    envelopeOf(solution, actions, key),

  /** Tables of extremes, each with the case that governs. */
  tables: (
    solution: Solution,
    actions: readonly ActionSolution[],
    { keys, display, signs }: { keys: readonly ResultTableKey[]; display: Display; signs: Signs },
  ): ResultTable[] =>
    keys.map((k) => RESULT_TABLES[k]({ solution, actions, envelope: true, display, signs })),
}

export type EnvelopeJob = keyof typeof envelopeJobs
export type JobInput<K extends EnvelopeJob> = Parameters<(typeof envelopeJobs)[K]>[2]
export type JobAnswer<K extends EnvelopeJob> = ReturnType<(typeof envelopeJobs)[K]>

/** Does a job of a name. */
export const doJob = <K extends EnvelopeJob>(
  name: K,
  solution: Solution,
  actions: readonly ActionSolution[],
  input: JobInput<K>,
): JobAnswer<K> =>
  (envelopeJobs[name] as (...args: [Solution, readonly ActionSolution[], JobInput<K>]) => JobAnswer<K>)(
    solution,
    actions,
    input,
  )
