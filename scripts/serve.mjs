// A built Viga with a database of its own, for browser tests, pictures and measurements; never a person's
// data.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startDatabase } from './database.mjs'
import { migrate } from './migrate.mjs'
import { endProcess, freePort, QUIET, root } from './tools.mjs'

/**
 * Starts both on free ports with the demo problems. @returns the address, and a `stop` that leaves nothing
 * behind
 */
export async function serve() {
  const folder = mkdtempSync(join(tmpdir(), 'viga-serve-'))
  const database = await startDatabase(folder, { quiet: true })
  await migrate(database.url)
  const port = await freePort()
  const env = {
    ...process.env,
    DATABASE_URL: database.url,
    HOST: '127.0.0.1',
    PORT: String(port),
    NODE_ENV: 'production',
    ...QUIET,
  }
  const server = spawn(join(root, 'node_modules/.bin/react-router-serve'), ['build/server/index.js'], {
    cwd: join(root, 'web'),
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((resolve, reject) => {
    server.once('exit', (code) => reject(new Error(`the server ended (${code})`)))
    server.stdout.once('data', resolve)
  })
  server.stdout.resume()
  return {
    address: `http://127.0.0.1:${port}`,
    stop: async () => {
      await endProcess(server)
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
