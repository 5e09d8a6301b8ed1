import { edit, findRolled, makeReader, newProblem, readChain, readRelative, type Problem } from '@viga/core'
import { readBays } from '@viga/core/document/bays'
import { readAnswers } from '@viga/core/statement/read-answers'
import { readLoads } from '@viga/core/statement/read-load'
import { readSupports } from '@viga/core/statement/read-support'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { EXAMPLES, examplesOf } from '../../app/fields/examples'

const problem: Problem = {
  ...newProblem(),
  nodes: [...'ABCDF123'].map((id, i) => ({ id, x: i < 3 ? i : 4 * (i % 3), y: i < 3 ? 0 : i })),
  members: [
    { id: 'AB', start: 'A', end: 'B' },
    { id: 'CD', start: 'C', end: 'D' },
    { id: 'DF', start: 'D', end: 'F', type: 'bar' },
  ],
  loadCases: [{ id: '1', loads: [] }],
}
const { reader } = makeReader(problem.units)

/** What reads a field's example; it returns whether the whole text was understood. */
const READ: Record<keyof typeof EXAMPLES, (text: string) => boolean> = {
  members: (t) => Array.isArray(readChain(problem, t)),
  supports: (t) => readSupports(problem, t).ok,
  jointByOthers: (t) => {
    const at = readRelative(t, problem)
    return at !== null && at !== undefined && !('message' in at)
  },
  loadAmount: (t) => readLoads(problem, 'AB', t, 'down', '').ok,
  loadPlace: (t) => readLoads(problem, 'AB', '5 kN', 'down', t).ok,
  loadOnAll: (t) => readLoads(problem, 'AB', t, 'down', '').ok,
  symbol: (t) => {
    const [name, value] = t.split('=').map((s) => s.trim())
    return edit.setSymbol(problem, name, value).symbols?.[name] === value
  },
  gridAcross: (t) => Array.isArray(readBays(t, reader)),
  gridUp: (t) => Array.isArray(readBays(t, reader)),
  ordinate: (t) => /^.+: .+ parabola$/.test(t),
  rolledShape: (t) => findRolled(t) !== undefined,
  values: (t) => {
    const supported = edit.setSupport(problem, 'A', { type: 'pin' })
    const named = {
      ...supported,
      members: supported.members.map((m) => (m.id === 'DF' ? { ...m, id: 'DH' } : m)),
    }
    return readAnswers(named, t).left.length === 0
  },
}

describe('examples in empty fields', () => {
  it.each(
    (Object.keys(EXAMPLES) as (keyof typeof EXAMPLES)[]).flatMap((f) =>
      examplesOf(f).map((t) => [f, t] as const),
    ),
  )('the field of %s takes %s', (field, text) => expect(READ[field](text)).toBe(true))
  it('are the only placeholders that look like something to type', () => {
    const app = join(import.meta.dirname, '../../app')
    const files = readdirSync(app, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.tsx'))
    const literal = files.flatMap((f) =>
      [...readFileSync(join(app, f), 'utf8').matchAll(/placeholder="([^"]*)"/g)].map((m) => m[1]),
    )
    // a bare number is the value that stands where nothing is typed
    expect(literal.filter((t) => /\d/.test(t) && !/^\d+%?$/.test(t))).toEqual([])
  })
})
