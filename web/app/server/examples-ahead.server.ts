import type { Problem } from '@viga/core'
import type { RowDataPacket } from 'mysql2/promise'
import { isBusy } from './busy.server'
import { once } from './compute/pool.server'
import { query } from './database.server'
import { keyOf, made } from './made.server'
import { HOUSE } from './people/person'

/** Time from the start of the server to the first, and the pause before each, ms. */
const FIRST = 1_000
const PAUSE = 100
/** A house with more examples than this keeps the newest ones ready. */
const MOST = 24

/**
 * Makes the workings of the house's examples as PDF and keeps them: everybody opens these, and the thread
 * that makes reports is warm when the first person asks for their own.
 * @param pause waits for a moment in which nobody would wait for it
 */
export async function makeExamples(pause: () => Promise<void>): Promise<void> {
  const rows = await query<RowDataPacket & { id: string }>(
    'SELECT id FROM problems WHERE owner = ? AND deleted_at IS NULL ORDER BY created_at DESC LIMIT ?',
    [HOUSE, MOST],
  )
  for (const { id } of rows) {
    await pause()
    const asked = { form: 'pdf', caseId: null }
    const { found, file } = await made(null, id, 'working', asked, AbortSignal.timeout(30_000))
    // the page asks for the same by the name of its case
    const { loadCases } = JSON.parse(found.document) as Problem
    if (loadCases?.length)
      await once(keyOf(found.document, 'working', { ...asked, caseId: loadCases[0].id }), () =>
        Promise.resolve(file),
      )
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
