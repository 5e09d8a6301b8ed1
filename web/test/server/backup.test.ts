import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { newProblem } from '@viga/core'
import { readBackup, SESSION, writeBackup } from '../../../scripts/backup-format.mjs'
import { connect, latestMigration } from '../../../scripts/migrate.mjs'
import { written } from '../../app/server/compute/jobs'
import { change } from '../../app/server/database.server'
import { tidyUp } from '../../app/server/housekeeping.server'
import { HOME } from '../../app/server/people/person'
import { deleteProblem, insertProblem, restoreProblem, takenOff } from '../../app/server/problems.server'
import { problemById } from './stored'

const folder = mkdtempSync(join(tmpdir(), 'viga-backup-'))
beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

async function onDatabase<T>(act: (db: Awaited<ReturnType<typeof connect>>) => Promise<T>): Promise<T> {
  const db = await connect(inject('databaseUrl'), SESSION)
  try {
    return await act(db)
  } finally {
    await db.end()
  }
}

it('a backup brings back every row as it was, and what came later is gone', async () => {
  const file = join(folder, 'one.backup')
  const title = 'Orchid “frame” — Ω 🌹'
  const kept = await insertProblem(HOME, written(newProblem(title)))
  const changed = await problemById(HOME, kept)
  const rows = await onDatabase((db) => writeBackup(db, file))
  const later = await insertProblem(HOME, written(newProblem('later')))
  await deleteProblem(HOME, kept)
  expect(await onDatabase((db) => readBackup(db, file, latestMigration()))).toBe(rows)
  expect(await problemById(HOME, kept)).toEqual(changed)
  expect(await problemById(HOME, later)).toBeUndefined()
})

it('a file that is cut off, of a newer version or no backup at all changes nothing', async () => {
  const file = join(folder, 'two.backup')
  const id = await insertProblem(HOME, written(newProblem('stays')))
  await onDatabase((db) => writeBackup(db, file))
  const whole = readFileSync(file)
  const cut = join(folder, 'cut.backup')
  writeFileSync(cut, whole.subarray(0, whole.length - 40))
  await expect(onDatabase((db) => readBackup(db, cut, latestMigration()))).rejects.toThrow()
  await expect(onDatabase((db) => readBackup(db, file, 3))).rejects.toThrow(/newer Viga/)
  writeFileSync(cut, 'nothing of the kind')
  await expect(onDatabase((db) => readBackup(db, cut, latestMigration()))).rejects.toThrow()
  expect((await problemById(HOME, id))?.problem.title).toBe('stays')
})

it('what was taken off is listed and can be put back for thirty days, then it is gone', async () => {
  const [recent, old] = await Promise.all(
    ['recent', 'old'].map((title) => insertProblem(HOME, written(newProblem(title)))),
  )
  await deleteProblem(HOME, recent)
  await deleteProblem(HOME, old)
  await change('UPDATE problems SET deleted_at = NOW(3) - INTERVAL 31 DAY WHERE id = ?', [old])
  const titles = (await takenOff(HOME)).map((t) => t.title)
  expect(titles).toContain('recent')
  expect(titles).not.toContain('old')
  await tidyUp()
  expect(await restoreProblem(HOME, old)).toBe(0)
  expect(await restoreProblem(HOME, recent)).toBe(1)
  expect((await problemById(HOME, recent))?.problem.title).toBe('recent')
})
