import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { SLIP_KINDS, working } from '../../src/index.js'

const docs = readFileSync(join(import.meta.dirname, '../../../docs/check.md'), 'utf8')

/** The rows of the table of kinds: key, subject, what the hand solution did. */
const rows = docs
  .slice(docs.indexOf('| kind | subject |'))
  .split('\n\n')[0]
  .split('\n')
  .slice(2)
  .map((line) => line.split('|').map((cell) => cell.trim()))

describe('the kinds of slips', () => {
  it('are those of docs/check.md, each with its subject and in its words', () => {
    const said = SLIP_KINDS.map(({ key, about, did }) => [
      `\`${key}\``,
      about.map((k) => `\`${k}\``).join(', ') || '–',
      did,
    ])
    expect(rows.map(([, key, about, did]) => [key, about, did])).toEqual(said)
  })
  it('have keys of their own, and are together all the slips that students make', () => {
    expect(new Set(SLIP_KINDS.map((k) => k.key)).size).toBe(SLIP_KINDS.length)
    const shares = SLIP_KINDS.reduce((sum, k) => sum + k.commonness, 0)
    expect(shares).toBeGreaterThan(1)
    expect(shares).toBeLessThan(2)
  })
  it.each(SLIP_KINDS.map((k) => [k.key, k.line] as const))('%s leads to steps that there are', (_, line) => {
    for (const [method, step] of Object.entries(line))
      expect(working.methodOf(method)?.steps.map((s) => s.key)).toContain(step)
  })
})
