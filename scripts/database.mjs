// A private MariaDB on loopback, its data in one folder. One server a folder, shared by all who use it, kept
// by scripts/keep-database.mjs: it starts the server, starts it anew after a crash, and ends it when nobody
// uses it any more, whatever became of those who did.
import { spawn } from 'node:child_process'
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { commandOf, isAlive, readNumber, root, say, sleep } from './tools.mjs'

/** Time that a database has to be made and to start, ms: on a slow disk it is a minute. */
const PATIENCE = 180_000

/** The files of a database's folder that those who use it and the one who keeps it speak through. */
export const placesIn = (folder) => ({
  data: join(folder, 'data'),
  users: join(folder, 'users'),
  password: join(folder, 'password'),
  keeper: join(folder, 'keeper'),
  server: join(folder, 'server'),
  port: join(folder, 'port'),
  running: join(folder, 'running.json'),
  failed: join(folder, 'failed'),
  log: join(folder, 'log'),
})

/** Whether the process of this id is the one that it was written down for. */
export const isStill = (pid, words) => pid > 0 && isAlive(pid) && commandOf(pid).includes(words)

/** Processes that use the database; what is left of dead ones is cleared away. */
export function usersOf(folder) {
  const { users } = placesIn(folder)
  return readdirSync(users).filter((pid) => {
    if (isAlive(Number(pid))) return true
    rmSync(join(users, pid), { force: true })
    return false
  })
}

/**
 * A database that runs on this machine: its address, and a `stop` that ends it when nobody else uses it.
 * @typedef {{ url: string, stop: () => Promise<void> }} Database
 */

/**
 * Starts the database in `folder`, or joins the one that runs there already.
 * @param {string} folder
 * @returns {Promise<Database>}
 */
export async function startDatabase(folder, { quiet = false } = {}) {
  const places = placesIn(folder)
  mkdirSync(places.users, { recursive: true })
  const user = join(places.users, String(process.pid))
  writeFileSync(user, '')
  if (!quiet && !existsSync(join(places.data, 'mysql'))) say('making a database for this checkout')
  const giveUp = Date.now() + PATIENCE
  let keeper
  for (;;) {
    const running = readRunning(folder)
    if (running) return { url: running.url, stop: leaving(folder, user) }
    // one that was just started has not said yet that it is there
    if (!keeperOf(folder) && (!keeper || keeper.exitCode !== null)) {
      const failed = existsSync(places.failed) ? readFileSync(places.failed, 'utf8') : ''
      rmSync(places.failed, { force: true })
      if (failed) {
        rmSync(user, { force: true })
        throw new Error(failed)
      }
      keeper = startKeeper(folder)
    }
    if (Date.now() > giveUp) throw new Error(`the database did not start within ${PATIENCE / 60_000} minutes`)
    await sleep(40)
  }
}

/** The process that keeps the database of a folder, 0 when there is none. */
export function keeperOf(folder) {
  const pid = readNumber(placesIn(folder).keeper)
  return isStill(pid, 'keep-database') ? pid : 0
}

function startKeeper(folder) {
  const log = openSync(placesIn(folder).log, 'a', 0o600)
  // its own session, so that Ctrl-C reaches those who use the database first and the database is stopped last
  const keeper = spawn(process.execPath, [join(root, 'scripts/keep-database.mjs'), folder], {
    stdio: ['ignore', log, log],
    detached: true,
  })
  closeSync(log)
  keeper.unref()
  return keeper
}

/** How the running server is reached, if one runs and answers. */
export function readRunning(folder) {
  const { running, server, data } = placesIn(folder)
  if (!existsSync(running) || !isStill(readNumber(server), data)) return undefined
  try {
    return JSON.parse(readFileSync(running, 'utf8'))
  } catch {
    return undefined // written half before a crash
  }
}

/** Time between two looks whether the database is kept, ms. */
const LOOK = 1_000

/**
 * Sees to it that the database goes on being kept while this process uses it.
 * @returns the end of that: the last user waits until the server has ended
 */
function leaving(folder, user) {
  const timer = setInterval(() => keeperOf(folder) || startKeeper(folder), LOOK).unref()
  return () => {
    clearInterval(timer)
    return leave(folder, user)
  }
}

async function leave(folder, user) {
  rmSync(user, { force: true })
  while (keeperOf(folder) && usersOf(folder).length === 0) await sleep(20)
}
