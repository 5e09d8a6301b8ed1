import fc from 'fast-check'

/**
 * Property tests draw the same examples each time, so that a run tells of the change and not of its luck;
 * VIGA_SEED takes others: a number, or "any" for new ones (which a failure prints).
 */
const seed =
  (globalThis as { process?: { env: Record<string, string | undefined> } }).process?.env.VIGA_SEED ?? '20261'
if (seed !== 'any') fc.configureGlobal({ seed: Number(seed) })
