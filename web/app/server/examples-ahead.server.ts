import type { RowDataPacket } from 'mysql2/promise'
import { isBusy } from './busy.server'
import { compute, once } from './compute/pool.server'
import { query } from './database.server'
import { isMadeBefore } from './made-before.server'
import { HOUSE } from './people/person'
import { workingsOf } from './reports'

/** Time from the start of the server to the first, and the pause before each, ms. */
const FIRST = 1_000
const PAUSE = 100
/** A house with more examples than this keeps the newest ones ready. */
const MOST = 24

/**
 * Makes the workings of the house's examples as PDF, those that were not made with the build, and keeps them:
 * everybody opens these, and the thread that makes reports is warm when the first person asks for their own.
 * @param pause waits for a moment in which nobody would wait for it
 */
export async function makeExamples(pause: () => Promise<void>): Promise<void> {
  const rows = await query<RowDataPacket & { document: string }>(
    'SELECT document FROM problems WHERE owner = ? AND deleted_at IS NULL ORDER BY created_at DESC LIMIT ?',
    [HOUSE, MOST],
  )
  for (const { document } of rows)
    for (const { asked, keys } of workingsOf(document)) {
      if (isMadeBefore(keys[0])) continue
      await pause()
      const file = await compute('working', { document, ...asked }, AbortSignal.timeout(30_000))
      for (const key of keys) await once(key, () => Promise.resolve(file))
    }
}

/** Begins some time after the start, and goes on only in quiet moments. */
export function startMakingExamples(failed: (error: unknown) => void): void {
  const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms).unref())
  const quiet = async () => {
    do await wait(PAUSE)
    while (isBusy())
  }
  void wait(FIRST)
    .then(() => makeExamples(quiet))
    .catch(failed)
}
