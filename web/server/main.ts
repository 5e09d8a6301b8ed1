import { EventEmitter } from 'node:events'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { endCompute, startCompute } from '../app/server/compute/pool.server'
import { startMakingExamples } from '../app/server/examples-ahead.server'
import { useMadeBefore } from '../app/server/made-before.server'
import { startHousekeeping } from '../app/server/housekeeping.server'
import { closeDatabase, openDatabase } from '../app/server/database.server'
import { createApp } from './app'
import { createLog } from './log'
import { readSettings } from './settings'

// a streamed page waits for its compression in many small parts, each with a listener that goes again
EventEmitter.defaultMaxListeners = 100

/** Time that requests under way have when the server is asked to end, ms. */
const DRAIN = 700

const read = readSettings(process.env)
if (!read.ok) {
  for (const message of read.messages) console.error(`viga: ${message}`)
  process.exit(2)
}
const { settings } = read
const log = createLog(settings.LOG_LEVEL, settings.LOG_FILE)
const here = import.meta.dirname
openDatabase(settings.DATABASE_URL)
startCompute(join(here, 'worker.js'), settings.WORKERS, (error) =>
  log.error({ err: error }, 'a thread failed'),
)

useMadeBefore(join(here, 'examples'))
startHousekeeping((error) => log.warn({ err: error }, 'tidying up failed'))
startMakingExamples((error) => log.warn({ err: error }, 'the examples were not made ahead'))

let ending = false
const app = await createApp({
  settings,
  log,
  files: join(here, '../client'),
  earlierAssets: process.env.EARLIER_ASSETS,
  isEnding: () => ending,
})
const server = createServer({ requestTimeout: 60_000, headersTimeout: 15_000, keepAliveTimeout: 65_000 }, app)
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `viga: PORT ${settings.PORT} is taken.`
      : `viga: the server cannot listen at HOST ${settings.HOST}, PORT ${settings.PORT}: ${error.message}`,
  )
  process.exit(error.code === 'EADDRINUSE' ? 3 : 2)
})
server.listen(settings.PORT, settings.HOST, () => {
  const host = settings.HOST.includes(':') ? `[${settings.HOST}]` : settings.HOST
  console.log(`Viga is at http://${host}:${settings.PORT}`)
})

/** Takes no new connection, lets what is under way finish for a moment, closes the database, ends. */
async function end() {
  if (ending) process.exit(1)
  ending = true
  const closed = new Promise<void>((resolve) => server.close(() => resolve()))
  server.closeIdleConnections()
  await Promise.race([closed, new Promise((resolve) => setTimeout(resolve, DRAIN))])
  server.closeAllConnections()
  await Promise.race([
    Promise.allSettled([endCompute(), closeDatabase()]),
    new Promise((resolve) => setTimeout(resolve, 200)),
  ])
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.on(signal, () => void end())
if (settings.LAUNCHED) process.stdin.on('end', () => void end()).resume()
process.on('unhandledRejection', (error) => log.error({ err: error }, 'nobody waited for this'))
process.on('uncaughtException', (error) => {
  log.fatal({ err: error }, 'ended by an error that nobody caught')
  process.exit(1)
})
