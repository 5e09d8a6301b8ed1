// npm start: installs what is missing, starts a private database, builds, serves. npm run dev: the same with
// hot reload.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { startDatabase } from './database.mjs'
import {
  EARLIER_ASSETS,
  endProcess,
  ensureBuild,
  ensureDebian,
  ensurePackages,
  fail,
  home,
  isFree,
  MARIADB,
  oneAtATime,
  root,
  say,
  SERVER_MEMORY,
  whyNot,
} from './tools.mjs'

const FIRST_PORT = 4780
/** Crashes of the server within a minute after which it is not started any more. */
const MOST_CRASHES = 5
/** The server says with this status that its settings are wrong: starting it anew changes nothing. */
const WRONG_SETTINGS = 2
/** And with this one that another start took its port meanwhile. */
const PORT_TAKEN = 3

function flags() {
  try {
    return parseArgs({ options: { port: { type: 'string' }, dev: { type: 'boolean', default: false } } })
      .values
  } catch (error) {
    return fail(`${error.message.split('.')[0]}. Known are --port NUMBER and --dev.`)
  }
}

const { port: asked = process.env.PORT, dev } = flags()
const host = process.env.HOST || '127.0.0.1'

async function choosePort() {
  if (asked !== undefined && asked !== '') {
    const port = Number(asked)
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      fail(`PORT must be a whole number from 1 to 65535, not ${asked}`)
    if (!(await isFree(port, host)))
      fail(`port ${port} is taken at ${host}, or HOST is no address of this machine`)
    return port
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 100; port++) if (await isFree(port, host)) return port
  return fail(`no free port from ${FIRST_PORT} to ${FIRST_PORT + 99} at HOST ${host}`)
}

/** @type {import('./database.mjs').Database | undefined} */
let database
let server
let stopping = false

async function stop(status = 0) {
  if (stopping) return
  stopping = true
  if (server) await endProcess(server)
  await database?.stop()
  process.exit(status)
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (stopping) {
      // asked again: the database ends by itself as soon as this process is gone
      server?.kill('SIGKILL')
      process.exit(1)
    }
    say('stopping')
    void stop()
  })

/** Bytes of a log after which the next start begins another, and keeps this one beside it. */
const MOST_LOG = 10_000_000

function logFile() {
  const file = join(home, 'server.log')
  if (existsSync(file) && statSync(file).size > MOST_LOG) renameSync(file, `${file}.1`)
  return file
}

const crashes = []

/** Starts the server, and starts it anew when it crashes: its port and its database stay. */
function serve(env) {
  const script = join(root, 'web', dev ? 'server/dev.mjs' : 'build/server/index.js')
  // its own session: Ctrl-C reaches it through this process alone, which holds its standard input while it
  // lives
  server = spawn(process.execPath, ['--enable-source-maps', ...SERVER_MEMORY, script], {
    cwd: join(root, 'web'),
    env,
    stdio: ['pipe', 'pipe', 'inherit'],
    detached: true,
  })
  server.stdin.on('error', () => {})
  server.stdout.on('data', (chunk) =>
    process.stdout.write(String(chunk).replace(/^(Viga is at)/m, 'viga: $1')),
  )
  server.on('exit', (code, signal) => {
    if (stopping) return
    if (code === PORT_TAKEN && !asked)
      return void choosePort().then((port) => serve({ ...env, PORT: String(port) }))
    if (code === WRONG_SETTINGS || code === PORT_TAKEN) return void stop(code)
    console.error(`viga: the server ended (${signal ?? code})`)
    crashes.push(Date.now())
    if (crashes.filter((t) => t > Date.now() - 60_000).length >= MOST_CRASHES) {
      console.error(`viga: it ended ${MOST_CRASHES} times within a minute and is not started again`)
      void stop(1)
    } else serve(env)
  })
}

try {
  mkdirSync(home, { recursive: true })
  await oneAtATime('preparing', ensurePackages)
  if (stopping) await new Promise(() => {})
  const given = process.env.DATABASE_URL
  if (!given) {
    await ensureDebian(MARIADB)
    say('starting the database')
    database = await startDatabase(join(home, 'database'))
  }
  const address = given || /** @type {import('./database.mjs').Database} */ (database).url
  const { migrate } = await import('./migrate.mjs')
  await migrate(address)
  if (!dev) await oneAtATime('preparing', ensureBuild)
  const port = await choosePort()
  if (!stopping)
    serve({
      ...process.env,
      DATABASE_URL: address,
      HOST: host,
      PORT: String(port),
      NODE_ENV: dev ? 'development' : 'production',
      EARLIER_ASSETS,
      OUTBOX: process.env.OUTBOX || join(home, 'outbox'),
      LAUNCHED: 'true',
      LOG_FILE: process.env.LOG_FILE || logFile(),
      // threads share their memory instead of each keeping what it has freed
      MALLOC_ARENA_MAX: process.env.MALLOC_ARENA_MAX ?? '2',
    })
} catch (error) {
  if (!stopping) {
    console.error(`viga: ${whyNot(error)}`)
    await stop(1)
  }
}
