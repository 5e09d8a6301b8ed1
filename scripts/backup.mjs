// npm run backup [-- FILE]: all problems and people into one file, while Viga runs.
// npm run restore -- FILE --replace: what such a file holds in place of all that is there.
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { startDatabase } from './database.mjs'
import { ensureDebian, ensurePackages, fail, home, MARIADB, say, whyNot } from './tools.mjs'

const { values, positionals } = (() => {
  try {
    return parseArgs({
      allowPositionals: true,
      options: { restore: { type: 'boolean', default: false }, replace: { type: 'boolean', default: false } },
    })
  } catch (error) {
    return fail(error.message.split('.')[0])
  }
})()
const stamp = new Date().toISOString().slice(0, 16).replace('T', '-').replace(':', '')
const file = resolve(process.env.INIT_CWD ?? '.', positionals[0] ?? `viga-${stamp}.backup`)
if (values.restore && !positionals[0]) fail('name the file to restore: npm run restore -- FILE --replace')
if (values.restore && !values.replace)
  fail('restoring replaces all problems and people that are there; say so with --replace')

/** @type {import('./database.mjs').Database | undefined} */
let database
try {
  await ensurePackages()
  const given = process.env.DATABASE_URL
  if (!given) {
    await ensureDebian(MARIADB)
    database = await startDatabase(join(home, 'database'), { quiet: true })
  }
  const { connect, latestMigration, migrate } = await import('./migrate.mjs')
  const { readBackup, SESSION, writeBackup } = await import('./backup-format.mjs')
  const address = given || /** @type {import('./database.mjs').Database} */ (database).url
  await migrate(address)
  const db = await connect(address, SESSION)
  try {
    if (values.restore) say(`${await readBackup(db, file, latestMigration())} rows restored from ${file}`)
    else say(`${await writeBackup(db, file)} rows kept in ${file}`)
  } finally {
    await db.end()
  }
} catch (error) {
  console.error(`viga: ${whyNot(error)}`)
  process.exitCode = 1
} finally {
  await database?.stop()
}
