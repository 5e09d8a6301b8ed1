// Applies the numbered SQL migrations once each, and loads the demo problems into a new database.
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './tools.mjs'

const folder = join(root, 'web/database')
const NAME = /^(\d{3})\.([a-z0-9-]+)\.sql$/

/** The migrations in order; two with one number, or a gap, are refused before any runs. */
function migrations() {
  const found = readdirSync(folder)
    .filter((f) => f.endsWith('.sql'))
    .sort()
    .map((file) => {
      const [, number, name] = NAME.exec(file) ?? []
      if (!number) throw new Error(`${file} is not named like 001.what-it-does.sql`)
      const sql = readFileSync(join(folder, file), 'utf8')
      return { version: Number(number), name, sql, checksum: createHash('sha256').update(sql).digest('hex') }
    })
  found.forEach((m, i) => {
    if (m.version !== i + 1)
      throw new Error(`migration ${i + 1} is missing or there twice (found ${m.version} ${m.name})`)
  })
  return found
}

/**
 * Brings the database at `url` up to date; each migration holds one statement and is recorded after it ran.
 */
export async function migrate(url) {
  const { createConnection } = await import('mysql2/promise')
  const db = await createConnection({ uri: url })
  try {
    await db.query(
      'CREATE TABLE IF NOT EXISTS migrations (version INT PRIMARY KEY, name VARCHAR(80) NOT NULL, ' +
        'checksum CHAR(64) NOT NULL, applied_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3))',
    )
    const [[{ locked }]] = await db.query("SELECT GET_LOCK('viga-migrations', 60) AS locked")
    if (locked !== 1)
      throw new Error('another start is migrating this database; it did not finish within a minute')
    const [applied] = await db.query('SELECT version, name, checksum FROM migrations ORDER BY version')
    const known = migrations()
    if (applied.length > known.length)
      throw new Error(
        `the database is at migration ${applied.length}, this Viga knows ${known.length}: it is ` +
          'too old for this data',
      )
    for (const m of known) {
      const before = applied[m.version - 1]
      if (before && before.checksum !== m.checksum)
        throw new Error(`migration ${m.version} ${m.name} was changed after it had been applied`)
      if (before) continue
      await db.query(m.sql)
      await db.execute('INSERT INTO migrations (version, name, checksum) VALUES (?, ?, ?)', [
        m.version,
        m.name,
        m.checksum,
      ])
    }
    await loadDemo(db)
  } finally {
    await db.end()
  }
}

/** The demo problems, into a database that has never had any: what a person deletes does not come back. */
async function loadDemo(db) {
  const [[{ n }]] = await db.query('SELECT COUNT(*) AS n FROM problems')
  if (n > 0) return
  const demo = join(folder, 'demo')
  const files = readdirSync(demo)
    .filter((f) => f.endsWith('.viga.json'))
    .sort()
  for (const [i, file] of files.entries()) {
    const document = readFileSync(join(demo, file), 'utf8')
    const problem = JSON.parse(document)
    // created a second apart, so that the shelf keeps their order
    await db.execute(
      'INSERT INTO problems (id, title, document, revision, created_at, changed_at) VALUES ' +
        '(UUID(), ?, ?, 1, NOW(3) - INTERVAL ? SECOND, NOW(3) - INTERVAL ? SECOND)',
      [problem.title, JSON.stringify(problem), i, i],
    )
  }
}
