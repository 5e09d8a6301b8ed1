// What a backup holds: every line a row, as {"table": …, "row": {…}}, packed by gzip. The first line says
// what it is, the last how many rows there are, so that a file that was cut off is known as such.
import { createReadStream, createWriteStream } from 'node:fs'
import { rename, rm } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { finished } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'

/**
 * In the order in which rows refer to each other. Sessions and letters are no part: everybody signs in anew.
 */
export const TABLES = ['people', 'problems', 'links', 'shares']

const FORMAT = 'viga-backup'
const ROWS_AT_ONCE = 50

/** A connection's settings that a backup and its restoring need: times as texts, in UTC. */
export const SESSION = { charset: 'utf8mb4', dateStrings: true, timezone: 'Z', supportBigNumbers: true }

/**
 * Writes all rows as they are at one moment, while the server goes on. The file is there when it is whole.
 * @returns how many rows were written
 */
export async function writeBackup(db, file) {
  await db.query("SET time_zone = '+00:00'")
  await db.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ')
  await db.query('START TRANSACTION WITH CONSISTENT SNAPSHOT')
  const [[{ version }]] = await db.query('SELECT MAX(version) AS version FROM migrations')
  const beside = `${file}.part`
  const packed = createGzip()
  const written = finished(packed.pipe(createWriteStream(beside, { mode: 0o600 })))
  const line = async (value) => {
    if (!packed.write(`${JSON.stringify(value)}\n`))
      await new Promise((resolve) => packed.once('drain', resolve))
  }
  try {
    await line({ format: FORMAT, version, at: new Date().toISOString() })
    let rows = 0
    for (const table of TABLES) {
      // a few at a time: documents may be large
      const key = 'id'
      for (let after = ''; ;) {
        const [some] = await db.query(
          `SELECT * FROM ${table} WHERE ${key} > ? ORDER BY ${key} LIMIT ${ROWS_AT_ONCE}`,
          [after],
        )
        for (const row of some) await line({ table, row })
        rows += some.length
        if (some.length < ROWS_AT_ONCE) break
        after = some.at(-1)[key]
      }
    }
    await line({ rows })
    packed.end()
    await written
    await db.query('COMMIT')
    await rename(beside, file)
    return rows
  } catch (error) {
    await rm(beside, { force: true })
    throw error
  }
}

/** The lines of a backup, each read. @throws Error when it is none, or not whole */
async function* linesOf(file) {
  const lines = createInterface({ input: createReadStream(file).pipe(createGunzip()), crlfDelay: Infinity })
  let rows = 0
  let whole = false
  let first = true
  for await (const text of lines) {
    const value = JSON.parse(text)
    if (first && value.format !== FORMAT) throw new Error(`${file} is no backup of Viga`)
    first = false
    if (value.table !== undefined && !TABLES.includes(value.table))
      throw new Error(`${file} has rows of ${value.table}`)
    if (value.row) rows++
    if (value.rows !== undefined) whole = value.rows === rows
    yield value
  }
  if (!whole) throw new Error(`${file} is not whole: it was cut off`)
}

/**
 * Puts the rows of a backup in place of all that are there, at one moment: a server that runs shows the one
 * or the other. What is wrong with the file leaves everything as it was.
 * @returns how many rows there are now
 */
export async function readBackup(db, file, known) {
  await db.query("SET time_zone = '+00:00', foreign_key_checks = 0")
  await db.query('START TRANSACTION')
  try {
    for (const table of [...TABLES].reverse()) await db.query(`DELETE FROM ${table}`)
    await db.query('DELETE FROM sessions')
    let rows = 0
    for await (const { table, row, version } of linesOf(file)) {
      if (version > known)
        throw new Error(
          `${file} is of a newer Viga: its data is at migration ${version}, this one knows ${known}`,
        )
      if (!row) continue
      const columns = Object.keys(row).map((name) => `\`${name.replaceAll('`', '')}\``)
      await db.query(
        `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
        Object.values(row),
      )
      rows++
    }
    await db.query('COMMIT')
    return rows
  } catch (error) {
    await db.query('ROLLBACK')
    throw error
  }
}
