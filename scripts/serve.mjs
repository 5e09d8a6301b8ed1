// A built Viga with a database of its own, for browser tests, pictures and measurements; never a person's
// data.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { placesIn, startDatabase } from './database.mjs'
import { migrate } from './migrate.mjs'
import { endProcess, freePort, root, SERVER_MEMORY } from './tools.mjs'

/**
 * A server that runs: its address, what it has written to its log line by line, and a `stop`.
 * @typedef {{ address: string, pid: number | undefined, process: import('node:child_process').ChildProcess,
 *   lines: string[], stop: () => Promise<void> }} Server
 */

/**
 * A server with a database of its own; its `stop` leaves nothing behind.
 * @typedef {Server & { databaseUrl: string, databasePid: () => number }} Served
 */

/**
 * Starts both on free ports with the demo problems.
 * @param {Record<string, string>} settings of the server, beside what it needs to run at all
 * @returns {Promise<Served>}
 */
export async function serve(settings = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'viga-serve-'))
  const database = await startDatabase(folder, { quiet: true })
  await migrate(database.url)
  const server = await serveOn(database.url, settings)
  return {
    ...server,
    databaseUrl: database.url,
    /** The process of the database, which its keeper starts anew when it is gone. */
    databasePid: () => Number(readFileSync(placesIn(folder).server, 'utf8')),
    stop: async () => {
      await server.stop()
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/**
 * Starts the server alone, on a database that is there.
 * @param {string} databaseUrl
 * @param {Record<string, string>} settings
 * @returns {Promise<Server>}
 */
export async function serveOn(databaseUrl, settings = {}) {
  const port = await freePort()
  const server = spawn(process.execPath, [...SERVER_MEMORY, 'build/server/index.js'], {
    cwd: join(root, 'web'),
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      HOST: '127.0.0.1',
      PORT: String(port),
      NODE_ENV: 'production',
      LAUNCHED: 'true', // it ends with this process, however that ends
      ...settings,
    },
    stdio: ['pipe', 'pipe', 'inherit'],
  })
  server.stdin.on('error', () => {})
  /** @type {string[]} */
  const lines = []
  await /** @type {Promise<void>} */ (
    new Promise((resolve, reject) => {
      server.once('exit', (code) => reject(new Error(`the server ended (${code})`)))
      server.stdout.on('data', (chunk) => {
        lines.push(...String(chunk).split('\n').filter(Boolean))
        if (String(chunk).includes('Viga is at')) resolve()
      })
    })
  )
  return {
    address: `http://127.0.0.1:${port}`,
    pid: server.pid,
    process: server,
    lines,
    stop: () => endProcess(server),
  }
}
