// npm start: installs what is missing, starts a private database, builds, serves. npm run dev: the same with
// hot reload.
import { spawn } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { startDatabase } from './database.mjs'
import {
  commandOf,
  endProcess,
  ensureBuild,
  ensureDebian,
  ensurePackages,
  fail,
  home,
  isAlive,
  isFree,
  MARIADB,
  QUIET,
  root,
  say,
} from './tools.mjs'

const FIRST_PORT = 4780

const { values } = parseArgs({
  options: { port: { type: 'string' }, dev: { type: 'boolean', default: false } },
})

const host = process.env.HOST || '127.0.0.1'

async function choosePort() {
  const asked = values.port ?? process.env.PORT
  if (asked !== undefined) {
    const port = Number(asked)
    if (!Number.isInteger(port) || port < 1 || port > 65535) fail(`${asked} is not a port`)
    if (!(await isFree(port, host))) fail(`port ${port} is taken`)
    return port
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 100; port++) if (await isFree(port, host)) return port
  return fail(`no free port from ${FIRST_PORT} to ${FIRST_PORT + 99}`)
}

/** One record for each start: its process id as the name, its server's inside. */
const SERVERS = join(home, 'servers')
const record = join(SERVERS, String(process.pid))

/** Ends the servers of starts that were killed outright and could not do it themselves. */
function endOrphans() {
  mkdirSync(SERVERS, { recursive: true })
  for (const starter of readdirSync(SERVERS)) {
    if (isAlive(Number(starter))) continue
    const pid = Number(readFileSync(join(SERVERS, starter), 'utf8'))
    if (pid > 0 && isAlive(pid) && commandOf(pid).includes('react-router')) process.kill(pid, 'SIGKILL')
    rmSync(join(SERVERS, starter), { force: true })
  }
}

let database
let server
let stopping = false

async function stop(status = 0) {
  if (stopping) return
  stopping = true
  if (server) await endProcess(server)
  rmSync(record, { force: true })
  await database?.stop()
  process.exit(status)
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (!stopping) say('stopping')
    void stop()
  })

try {
  await ensurePackages()
  endOrphans()
  const url = process.env.DATABASE_URL
  if (!url) {
    await ensureDebian(MARIADB)
    say('starting the database')
    database = await startDatabase(join(home, 'database'))
  }
  const address = url ?? database.url
  const { migrate } = await import('./migrate.mjs')
  await migrate(address)
  if (!values.dev) await ensureBuild()
  const port = await choosePort()
  const env = {
    ...process.env,
    DATABASE_URL: address,
    HOST: host,
    PORT: String(port),
    NODE_ENV: values.dev ? 'development' : 'production',
    ...(values.dev ? {} : QUIET),
  }
  const bin = (name) => join(root, 'node_modules/.bin', name)
  server = values.dev
    ? spawn(bin('react-router'), ['dev', '--host', host, '--port', String(port), '--strictPort'], {
        cwd: join(root, 'web'),
        env,
        stdio: 'inherit',
        detached: true,
      })
    : spawn(bin('react-router-serve'), ['build/server/index.js'], {
        cwd: join(root, 'web'),
        env,
        stdio: ['ignore', 'pipe', 'inherit'],
        detached: true,
      })
  writeFileSync(record, String(server.pid))
  server.on('exit', (code) => {
    if (!stopping) {
      console.error(`viga: the server ended (${code})`)
      void stop(1)
    }
  })
  server.stdout?.once('data', () =>
    say(`Viga is at http://${host.includes(':') ? `[${host}]` : host}:${port}`),
  )
} catch (error) {
  console.error(`viga: ${error.message}`)
  await stop(1)
}
