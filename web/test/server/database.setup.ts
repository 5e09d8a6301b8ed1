import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../../scripts/database.mjs'
import { migrate } from '../../../scripts/migrate.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** A MariaDB of its own for these tests: fresh data, a free port, gone afterwards. */
export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'viga-test-'))
  const database = await startDatabase(folder, { quiet: true })
  await migrate(database.url)
  project.provide('databaseUrl', database.url)
  return async () => {
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
