import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, mkdirSync, readdirSync, utimesSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import * as tools from '../tools.mjs'

describe('why something could not be done', () => {
  const error = (code: string, path?: string) => Object.assign(new Error(`${code}: bare`), { code, path })
  it.each([
    [error('ENOSPC', '/data/viga'), 'the disk is full: /data/viga'],
    [error('EROFS'), 'the disk cannot be written to'],
    [error('EDQUOT', '/home'), 'the disk is full: /home'],
    [error('EACCES', '/data'), 'nothing may be written at /data'],
    [new Error('something else'), 'something else'],
  ])('%s', (e, words) => expect(tools.whyNot(e)).toBe(words))
})

describe('why there is no database', () => {
  it.each([
    [
      'InnoDB: preallocating bytes failed with error 28',
      'the disk is full: the database cannot be made in /d',
    ],
    [
      "Can't create file (Errcode: 30, errno: 30)",
      'the disk cannot be written to: the database cannot be made in /d',
    ],
    ['FATAL: no mysqld\n', 'the database cannot be made in /d: FATAL: no mysqld'],
  ])('%s', (said, words) => expect(tools.whyNoDatabase('/d', said)).toBe(words))
})

describe('a lock', () => {
  const fresh = () => join(mkdtempSync(join(tmpdir(), 'viga-lock-')), 'lock')
  const living = (pid: number) => pid > 0 && tools.isAlive(pid)

  it('is taken once, and left as it is while its holder lives', async () => {
    const lock = fresh()
    expect(await tools.takeLock(lock, living)).toBe(true)
    expect(await tools.takeLock(lock, living)).toBe(false)
    expect(tools.readNumber(lock)).toBe(process.pid)
    expect(readdirSync(join(lock, '..'))).toEqual(['lock'])
  })

  it.each([
    ['names a dead process', '999999999'],
    ['is empty', ''],
  ])('that %s is taken', async (_, content) => {
    const lock = fresh()
    writeFileSync(lock, content)
    expect(await tools.takeLock(lock, living)).toBe(true)
  })

  it('that its holder gave back meanwhile is not made by those who read it', () => {
    const lock = fresh()
    expect(tools.readNumber(lock)).toBe(0)
    expect(existsSync(lock)).toBe(false)
  })
})

describe('ports', () => {
  it('a free one is free, and is not while something listens there', async () => {
    const port = await tools.freePort()
    expect(await tools.isFree(port)).toBe(true)
    const server = createServer()
    await new Promise<void>((r) => server.listen(port, '127.0.0.1', () => r()))
    expect(await tools.isFree(port)).toBe(false)
    await new Promise((r) => server.close(r))
    expect(await tools.isFree(port)).toBe(true)
  })
})

describe('processes', () => {
  const sleeper = () => spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)'], { stdio: 'ignore' })
  it('are known to be alive, and by their command', async () => {
    const child = sleeper()
    await new Promise((r) => child.once('spawn', r))
    expect(tools.isAlive(child.pid)).toBe(true)
    expect(tools.commandOf(child.pid)).toContain('setInterval')
    await tools.endProcess(child)
    expect(child.signalCode).toBe('SIGTERM')
    expect(tools.isAlive(child.pid)).toBe(false)
  })
  it('that do not listen are ended all the same', async () => {
    const deaf = spawn(
      process.execPath,
      ['-e', 'process.on("SIGTERM", () => {}); console.log("on"); setInterval(() => {}, 1000)'],
      { stdio: ['ignore', 'pipe', 'ignore'] },
    )
    await new Promise((r) => deaf.stdout.once('data', r))
    await tools.endProcess(deaf, 200)
    expect(deaf.signalCode).toBe('SIGKILL')
  })
  it('that have ended are left alone', async () => {
    const child = spawn(process.execPath, ['-e', ''], { stdio: 'ignore' })
    await new Promise((r) => child.once('exit', r))
    await tools.endProcess(child)
    expect(child.exitCode).toBe(0)
  })
})

describe('the newest change', () => {
  it('is that of the newest file below a folder', () => {
    const folder = mkdtempSync(join(tmpdir(), 'viga-newest-'))
    mkdirSync(join(folder, 'deep/er'), { recursive: true })
    const files = ['a.ts', 'deep/b.ts', 'deep/er/c.ts'].map((f) => join(folder, f))
    files.forEach((f, i) => {
      writeFileSync(f, '')
      utimesSync(f, 2_000_000_000 + i, 2_000_000_000 + i)
    })
    expect(tools.newest(folder)).toBe(2_000_000_002_000)
    expect(tools.newest(files[0], files[1])).toBe(2_000_000_001_000)
  })
})

describe('packages that are missing', () => {
  const lock = {
    packages: {
      '': {},
      core: {},
      'node_modules/@viga/core': { link: true },
      'node_modules/yup': {},
      'node_modules/@rolldown/binding-darwin': { optional: true },
    },
  }
  it('are none where all are there', () => expect(tools.missingPackages(lock, () => true)).toEqual([]))
  it('are a workspace or a package whose folder is gone; those of other systems are not missed', () =>
    expect(tools.missingPackages(lock, (folder) => folder === 'core')).toEqual([
      'node_modules/@viga/core',
      'node_modules/yup',
    ]))
})
