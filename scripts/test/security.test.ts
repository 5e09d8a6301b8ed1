import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { root } from '../tools.mjs'

const textOf = (path: string) => readFileSync(join(root, path), 'utf8')

describe('every claim of docs/security.md', () => {
  const rows = textOf('docs/security.md')
    .split('\n')
    .filter((line) => /^\| \d/.test(line))
    .map((line) => line.split('|').map((cell) => cell.trim()))
  it.each(rows.map(([, claim, , shownBy]) => [claim, shownBy]))('%s', (_, shownBy) => {
    const named = [...shownBy.matchAll(/`([^`]+)` ((?:"[^"]+"(?:, )?)+)/g)]
    expect(named.length).toBeGreaterThan(0)
    for (const [, file, titles] of named) {
      expect(existsSync(join(root, file)), file).toBe(true)
      const titlesThere = [...textOf(file).matchAll(/\((['`])(.+?)\1,/g)].map((found) => found[2])
      for (const [, words] of titles.matchAll(/"([^"]+)"/g))
        expect(
          titlesThere.some((title) => title.includes(words)),
          `${file}: ${words}`,
        ).toBe(true)
    }
  })
})

/** Parts of statements besides placeholders: constants, counted pages and the program's own SQL. */
const OWN = [
  '(shown - 1) * CARDS_A_PAGE',
  'CARDS_A_PAGE',
  'DAYS_IDLE',
  'DAYS_KEPT',
  'HOUSE',
  'MOST_ACCOUNTS + 1',
  'MOST_LISTED + 1',
  'owned.sql',
  'readable.sql',
  'where',
  'writable.sql',
]

describe('SQL', () => {
  const files = readdirSync(join(root, 'web/app/server'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts'))
    .map((file) => `web/app/server/${file}`)
  const STATEMENT = /(['`])(?:SELECT|INSERT|UPDATE|DELETE|AND|ORDER|LIMIT|WHERE|INTERVAL)\b[^\n]*?\1/g
  it('holds nothing from outside but by its placeholders', () => {
    const put = files.flatMap((file) =>
      [...textOf(file).matchAll(STATEMENT)].flatMap(([statement]) =>
        [...statement.matchAll(/\$\{([^}]*)\}/g)].map(([, value]) => value),
      ),
    )
    expect([...new Set(put)].sort()).toEqual(OWN)
  })
})

it('every package that is installed has an exact version and its digest in the lock file', () => {
  const { packages } = JSON.parse(textOf('package-lock.json')) as {
    packages: Record<string, { version?: string; integrity?: string; link?: boolean }>
  }
  const fetched = Object.entries(packages).filter(
    ([path, { link }]) => path.includes('node_modules/') && !link,
  )
  expect(fetched.length).toBeGreaterThan(100)
  for (const [path, { version, integrity }] of fetched)
    expect([path, version, integrity]).toEqual([
      path,
      expect.stringMatching(/^\d+\.\d+\.\d+/),
      expect.stringMatching(/^sha/),
    ])
})
