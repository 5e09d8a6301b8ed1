import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { freePort } from '../scripts/tools.mjs'

/** What `npm start` runs, in checkouts of their own: each has its database, and the build that is here. */

const root = join(import.meta.dirname, '..')

const made: string[] = []
test.afterEach(() => {
  for (const folder of made.splice(0)) {
    for (const { pid } of processesOf(folder)) process.kill(pid, 'SIGKILL')
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  }
})

/** A checkout in which nothing was started yet. */
function checkout(): string {
  const folder = mkdtempSync(join(tmpdir(), 'viga-start-'))
  made.push(folder)
  cpSync(join(root, 'scripts'), join(folder, 'scripts'), { recursive: true })
  for (const shared of readdirSync(root))
    if (!['scripts', '.viga', '.git'].includes(shared)) symlinkSync(join(root, shared), join(folder, shared))
  return folder
}

/** Processes whose command names a folder. */
const processesOf = (folder: string): { pid: number; command: string }[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((pid) => {
      try {
        const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ')
        return command.includes(folder) ? [{ pid: Number(pid), command }] : []
      } catch {
        return [] // it ended meanwhile
      }
    })

const left = (folder: string) => () => processesOf(folder).map((p) => p.command)

/** Starts Viga in a checkout. */
function start(folder: string, args: string[], env: Record<string, string> = {}) {
  const child = spawn(process.execPath, [join(folder, 'scripts/start.mjs'), ...args], {
    env: { ...process.env, DATABASE_URL: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)))
  const ended = once(child, 'exit') as Promise<[number | null, string | null]>
  return { child, ended, said: () => said }
}

async function running(folder: string) {
  const port = await freePort()
  const started = start(folder, ['--port', String(port)])
  const ready = async () =>
    fetch(`http://127.0.0.1:${port}/ready`).then(
      (r) => r.status,
      () => 0,
    )
  const early = started.ended.then(([status]) => {
    throw new Error(`it ended with ${status}: ${started.said()}`)
  })
  const late = expect.poll(ready, { timeout: 60_000 }).toBe(200)
  await Promise.race([late, early]).catch(({ message }: Error) => {
    throw new Error(`${message}\nIt said:\n${started.said()}`)
  })
  return { ...started, ready }
}

const killed = (folder: string, what: RegExp) => {
  const found = processesOf(folder).find((p) => what.test(p.command))!
  process.kill(found.pid, 'SIGKILL')
  return found.pid
}

test('a server and a database that crash are started anew; at the end nothing is left behind', async () => {
  const folder = checkout()
  const viga = await running(folder)
  for (const what of [/build\/server\/index\.js/, /mariadbd/]) {
    const before = killed(folder, what)
    await expect
      .poll(() => processesOf(folder).some((p) => what.test(p.command) && p.pid !== before), {
        timeout: 60_000,
      })
      .toBe(true)
    await expect.poll(viga.ready, { timeout: 60_000 }).toBe(200)
  }
  viga.child.kill('SIGTERM')
  expect(await viga.ended).toEqual([0, null])
  await expect.poll(left(folder)).toEqual([])
})

test('ended twice or killed, also while it starts, it leaves no server and no database behind', async () => {
  const folder = checkout()
  const twice = await running(folder)
  twice.child.kill('SIGINT')
  twice.child.kill('SIGINT')
  await twice.ended
  await expect.poll(left(folder)).toEqual([])
  const whole = await running(folder)
  whole.child.kill('SIGKILL')
  await expect.poll(left(folder)).toEqual([])
  const early = start(folder, ['--port', String(await freePort())])
  await expect.poll(early.said).toContain('starting the database')
  early.child.kill('SIGKILL')
  await expect.poll(left(folder)).toEqual([])
})

test('two first starts at once both come up', async () => {
  const folder = checkout()
  const both = await Promise.all([running(folder), running(folder)])
  for (const viga of both) viga.child.kill('SIGTERM')
  for (const viga of both) expect(await viga.ended).toEqual([0, null])
  await expect.poll(left(folder)).toEqual([])
})

test('what cannot be started with is named in a sentence, and nothing is left behind', async () => {
  const folder = checkout()
  const port = await freePort()
  const taken = createServer().listen(port, '127.0.0.1')
  await once(taken, 'listening')
  for (const [args, env, words] of [
    [['--colour', 'red'], {}, "Unknown option '--colour'"],
    [['--port', 'seven'], {}, 'PORT must be a whole number from 1 to 65535, not seven'],
    [['--port', String(port)], {}, `port ${port} is taken at 127.0.0.1`],
    [[], { HOST: '203.0.113.7' }, 'HOST'],
    [[], { DATABASE_URL: 'nonsense' }, 'DATABASE_URL'],
  ] as [string[], Record<string, string>, string][]) {
    const viga = start(folder, args, env)
    const [status] = await viga.ended
    expect(status).not.toBe(0)
    expect(viga.said()).toContain(words)
    expect(viga.said()).not.toMatch(/\n\s+at /)
    await expect.poll(left(folder)).toEqual([])
  }
  taken.close()
})
