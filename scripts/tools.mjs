// Small things the start and test commands share. Plain Node, no dependency: these run before anything is
// installed.
import { spawn, spawnSync } from 'node:child_process'
import { randomInt } from 'node:crypto'
import {
  cpSync,
  existsSync,
  linkSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
/** Everything Viga keeps on this machine for this checkout; ignored by git. */
export const home = join(root, '.viga')

export const say = (text) => console.log(`viga: ${text}`)

/** @returns {never} */
export function fail(text) {
  console.error(`viga: ${text}`)
  process.exit(1)
}

/**
 * Runs a command with its output shown; resolves when it ends well, rejects with its name otherwise.
 * @returns {Promise<void>}
 */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options })
    child.on('error', reject)
    child.on('exit', (code, signal) =>
      code === 0 ? resolve() : reject(new Error(`${command} ${args.join(' ')} ended with ${signal ?? code}`)),
    )
  })
}

export const has = (program) =>
  (process.env.PATH ?? '')
    .split(':')
    .concat('/usr/sbin', '/sbin')
    .some((folder) => folder && existsSync(join(folder, program)))

/** Time for which another apt that is at work is waited for, s. */
const APT_LOCK_S = 300

/** Brings apt's lists up to date; their own lock knows no waiting, so it is asked for again. */
async function updated(apt) {
  const end = Date.now() + APT_LOCK_S * 1000
  for (;;) {
    try {
      return await apt('update', '-q')
    } catch (error) {
      if (!isAptAtWork() || Date.now() > end) throw error
      say('waiting for another apt to end')
      await sleep(3_000)
    }
  }
}

const isAptAtWork = () => spawnSync('pgrep', ['-x', 'apt|apt-get|dpkg|unattended-upgr']).status === 0

/** Installs Debian packages whose program is missing; asks for root through sudo when needed. */
export async function ensureDebian(programs) {
  const missing = Object.entries(programs)
    .filter(([program]) => !has(program))
    .flatMap(([, packages]) => packages)
  if (missing.length === 0) return
  if (!has('apt-get')) fail(`these Debian packages are needed and apt-get is not here: ${missing.join(' ')}`)
  const asRoot =
    process.getuid?.() === 0
      ? []
      : has('sudo')
        ? ['sudo']
        : fail(`please install as root: apt-get install ${missing.join(' ')}`)
  const apt = (...args) => {
    // another apt may be at work, as on a machine that has just been started: it is waited for
    const wait = ['-o', `DPkg::Lock::Timeout=${APT_LOCK_S}`]
    const [command, ...rest] = [
      ...asRoot,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      ...wait,
      ...args,
    ]
    return run(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] })
  }
  say(`installing ${missing.join(', ')} from Debian`)
  await updated(apt)
  await apt('install', '-y', '-q', '--no-install-recommends', ...missing)
}

// the server without Debian's system service: Viga runs its own on loopback
export const MARIADB = { mariadbd: ['mariadb-server-core', 'mariadb-client-core'] }
export const CHROMIUM = { chromium: ['chromium', 'fonts-liberation'] }

/**
 * The packages that the lock file names and that are not there as folders, those for other systems apart.
 * @param {{ packages?: Record<string, { optional?: boolean, devOptional?: boolean, link?: boolean }> }} lock
 * @param {(folder: string) => boolean} isThere
 */
export function missingPackages(lock, isThere) {
  return Object.entries(lock.packages ?? {})
    .filter(([folder, { optional, devOptional, link }]) => {
      if (folder === '' || optional || devOptional) return false
      return (link || folder.includes('node_modules/')) && !isThere(folder)
    })
    .map(([folder]) => folder)
}

/** npm packages as the lock file has them, when they are not all there or the lock file is newer. */
export async function ensurePackages() {
  const installed = join(root, 'node_modules/.package-lock.json')
  const lock = join(root, 'package-lock.json')
  const isThere = (folder) => existsSync(join(root, folder))
  if (
    existsSync(installed) &&
    statSync(installed).mtimeMs >= statSync(lock).mtimeMs &&
    missingPackages(JSON.parse(readFileSync(lock, 'utf8')), isThere).length === 0
  )
    return
  say('installing npm packages')
  await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
}

const DISK_WORDS = {
  EROFS: 'the disk cannot be written to',
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk is full',
}

/** What the database server says of a disk, by the number or the words of the system. */
const DISK_ERRORS = { 28: DISK_WORDS.ENOSPC, 30: DISK_WORDS.EROFS, 122: DISK_WORDS.EDQUOT }

/** Why the database could not be made in a folder: the disk where it is at fault, or what was said. */
export function whyNoDatabase(folder, said) {
  const number = /\b(?:error|errno:?) (28|30|122)\b/i.exec(said)?.[1]
  return number
    ? `${DISK_ERRORS[number]}: the database cannot be made in ${folder}`
    : `the database cannot be made in ${folder}: ${said.trim()}`
}

/** Why something could not be done, in a sentence. */
export function whyNot(error) {
  const words = DISK_WORDS[error.code]
  if (words) return `${words}${error.path ? `: ${error.path}` : ''}`
  if (error.code === 'EACCES' || error.code === 'EPERM')
    return `nothing may be written at ${error.path ?? root}`
  return error.message
}

/** Time after which whoever took a lock of a dead process at the same moment is known, ms. */
const SETTLED = 100

/** The number that a file holds, 0 when there is none. */
export function readNumber(file) {
  try {
    return Number(readFileSync(file, 'utf8'))
  } catch (error) {
    if (error.code === 'ENOENT') return 0
    throw error
  }
}

/**
 * Takes a lock unless its holder lives. The lock is a file that appears with its content; of two that take
 * the lock of a dead one at the same moment, the one whose file stands in the end has it.
 * @param {string} lock
 * @param {(pid: number) => boolean} lives
 */
export async function takeLock(lock, lives) {
  const mine = `${lock}.${process.pid}`
  writeFileSync(mine, String(process.pid))
  try {
    if (!link(mine, lock)) {
      if (lives(readNumber(lock))) return false
      rmSync(lock, { force: true }) // of one that was killed
      if (!link(mine, lock)) return false
    }
  } finally {
    rmSync(mine, { force: true })
  }
  await sleep(SETTLED)
  return readNumber(lock) === process.pid
}

function link(mine, lock) {
  try {
    linkSync(mine, lock)
    return true
  } catch (error) {
    if (error.code !== 'EEXIST') throw error
    return false
  }
}

/** Does something that two starts at once must not do both: the second waits, and finds it done. */
export async function oneAtATime(name, act) {
  const lock = join(home, name)
  while (!(await takeLock(lock, (pid) => pid > 0 && isAlive(pid)))) await sleep(SETTLED)
  try {
    return await act()
  } finally {
    rmSync(lock, { force: true })
  }
}

/** Latest change below these files and folders, ms. */
export function newest(...paths) {
  return Math.max(
    ...paths.map((path) => {
      const stat = statSync(path)
      if (!stat.isDirectory()) return stat.mtimeMs
      return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
    }),
  )
}

/** Builds the web application unless the build is newer than every source. */
export async function ensureBuild() {
  const built = join(root, 'web/build/server/index.js')
  const sources = [
    'core/src',
    'drawing/src',
    'paper/src',
    'web/app',
    'web/server',
    'web/database/demo',
    'web/vite.config.ts',
    'web/react-router.config.ts',
    'web/package.json',
    'package-lock.json',
  ].map((p) => join(root, p))
  if (existsSync(built) && statSync(built).mtimeMs >= newest(...sources)) return
  say('building the web application')
  keepAssets()
  const made = spawnSync('npm', ['run', 'build', '-w', 'web', '--silent'], { cwd: root, encoding: 'utf8' })
  if (made.status !== 0) throw new Error(`the build failed:\n${made.stdout}${made.stderr}`)
}

/**
 * How the server uses memory: room for what is short-lived, so that it is cleared seldom, and little beyond
 * what it holds.
 */
export const SERVER_MEMORY = ['--max-old-space-size=320', '--max-semi-space-size=16']

/** Assets of earlier builds: pages that were opened before still ask for them. */
export const EARLIER_ASSETS = join(home, 'assets')
const DAYS = 24 * 3600 * 1000

/** Keeps the assets of the build that is about to be replaced, and forgets those of a month ago. */
function keepAssets() {
  const now = join(root, 'web/build/client/assets')
  if (existsSync(now)) cpSync(now, EARLIER_ASSETS, { recursive: true, preserveTimestamps: true })
  if (!existsSync(EARLIER_ASSETS)) return
  for (const name of readdirSync(EARLIER_ASSETS)) {
    const file = join(EARLIER_ASSETS, name)
    if (statSync(file).mtimeMs < Date.now() - 30 * DAYS) rmSync(file, { force: true })
  }
}

export function isFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, host, () => probe.close(() => resolve(true)))
  })
}

/**
 * Ports that may be chosen: below those that the system gives to outgoing connections, one of which could
 * take a chosen port before it is listened at.
 */
const PORTS = { from: 20_000, to: 32_000 }

/**
 * A free port.
 * @returns {Promise<number>}
 */
export async function freePort() {
  for (;;) {
    const port = randomInt(PORTS.from, PORTS.to)
    if (await isFree(port)) return port
  }
}

export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}

/** The command line of a process, or '' when there is none. */
export const commandOf = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ').trim()
  } catch {
    return spawnSync('ps', ['-o', 'args=', '-p', String(pid)], { encoding: 'utf8' }).stdout?.trim() ?? ''
  }
}

/** Asks a child process to end, and ends it when it does not within a few seconds. */
export async function endProcess(child, patience = 4000) {
  if (child.exitCode !== null || child.signalCode !== null) return
  const ended = new Promise((resolve) => child.once('exit', resolve))
  child.kill('SIGTERM')
  const timer = setTimeout(() => child.kill('SIGKILL'), patience)
  await ended
  clearTimeout(timer)
}
