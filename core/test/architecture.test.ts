import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CORE, WEB } from '../../eslint.rooms.js'

const ROOT = new URL('../../', import.meta.url)
const text = readFileSync(new URL('docs/architecture.md', ROOT), 'utf8')
const table = text.slice(text.indexOf('## Where something new goes'), text.indexOf('## Rules'))

/** The paths that a row of the table names; a name without a folder stands beside the one before it. */
const paths = [...table.matchAll(/`((?:core|drawing|paper|web|cli|docs|scripts)\/[^`]*)`/g)].map((m) => m[1])

describe('the table of where something new goes', () => {
  it('names places', () => expect(paths.length).toBeGreaterThan(20))
  it.each([...new Set(paths)])('%s exists', (path) => expect(existsSync(new URL(path, ROOT))).toBe(true))
})

describe('the rooms of the linter', () => {
  it.each([
    ['core/src', CORE],
    ['web/app', WEB],
  ])('are the folders of %s, each with what it may import', (folder, rooms) => {
    const entries = readdirSync(new URL(folder, ROOT), { withFileTypes: true })
    const folders = entries.filter((e) => e.isDirectory()).map((e) => e.name)
    expect(Object.keys(rooms).sort()).toEqual(folders.sort())
    for (const allowed of Object.values<string[]>(rooms))
      expect(folders).toEqual(expect.arrayContaining(allowed))
  })
})
