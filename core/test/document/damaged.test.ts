import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { openProblem, readProblem, work, writeProblem, type Problem } from '../../src/index.js'

const folder = new URL('../cases/', import.meta.url)
const files = readdirSync(folder).filter((f) => f.endsWith('.viga.json'))
const texts = files.map((f) => readFileSync(new URL(f, folder), 'utf8'))

/** Reads and solves; a refusal must have a path and a sentence that ends. Anything thrown fails the test. */
function survives(source: string) {
  const read = readProblem(source)
  const outcome = read.ok ? work(read.problem) : undefined
  const errors = read.ok
    ? outcome!.stage === 'invalid'
      ? outcome!.errors
      : outcome!.stage === 'unsolved'
        ? [outcome!.error]
        : []
    : read.errors
  for (const e of errors) {
    expect(e.message).toMatch(/[.?)]$/)
    if (!read.ok || outcome!.stage === 'invalid') expect(e.path).toBeTruthy()
  }
  if (!read.ok) expect(errors.length).toBeGreaterThan(0)
}

const hostile = fc.constantFrom<unknown>(
  null,
  true,
  0,
  -1,
  1e308,
  -1e-320,
  1e17,
  '',
  ' ',
  '0',
  '-1',
  '1/0',
  '1e999',
  '((((((',
  '2^9999',
  'm',
  '5 kN',
  '5 m',
  '1 ft 2',
  'A',
  'constructor',
  '__proto__',
  'toString',
  [],
  {},
  [[]],
  { id: 'A' },
  'x'.repeat(3000),
  '-'.repeat(400),
  '1+'.repeat(240) + '1',
  '(1',
  'sqrt(-1)',
  '0.5*P',
  'fixed',
  'free',
  '101%',
  '-5%',
  '50%',
  '\u0000',
  '𝟛',
)

/** Every place in a document, as a list of keys. */
function places(value: unknown, at: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [at]
  return [
    ...(at.length ? [at] : []),
    ...Object.entries(value).flatMap(([k, v]) => places(v, [...at, Array.isArray(value) ? Number(k) : k])),
  ]
}

function put(document: unknown, at: readonly (string | number)[], value: unknown, remove: boolean) {
  let here = document as Record<string | number, unknown>
  for (const key of at.slice(0, -1)) {
    if (typeof here[key] !== 'object' || here[key] === null) return
    here = here[key] as Record<string | number, unknown>
  }
  const last = at[at.length - 1]
  if (remove) delete here[last]
  else here[last] = value
}

const parsed = texts.map((t) => ({ value: JSON.parse(t) as Problem, at: places(JSON.parse(t)) }))

describe('ten thousand damaged files', () => {
  it('with characters lost, doubled or put in', () => {
    const damage = fc.tuple(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.constantFrom('', '"', '{', '}', '[', ']', ',', '-', '9', 'null', 'x', '\\', ':', '1e400', '\u2028'),
    )
    fc.assert(
      fc.property(
        fc.nat(texts.length - 1),
        fc.array(damage, { minLength: 1, maxLength: 6 }),
        (which, cuts) => {
          let text = texts[which]
          for (const [share, put] of cuts) {
            const at = Math.floor(share * (text.length - 1))
            text = text.slice(0, at) + put + text.slice(at + 1)
          }
          survives(text)
        },
      ),
      { numRuns: 4000 },
    )
  })

  it('with values that make no sense', () => {
    fc.assert(
      fc.property(
        fc.nat(parsed.length - 1),
        fc.array(
          fc.tuple(
            fc.double({ min: 0, max: 0.999999, noNaN: true }),
            hostile,
            fc.integer({ min: 0, max: 4 }),
          ),
          { minLength: 1, maxLength: 4 },
        ),
        (which, changes) => {
          const { value, at } = parsed[which]
          const document = structuredClone(value)
          for (const [share, bad, remove] of changes)
            put(document, at[Math.floor(share * at.length)], bad, remove === 0)
          survives(JSON.stringify(document))
        },
      ),
      { numRuns: 6000 },
    )
  })

  it('cut off in the middle', () => {
    for (const text of texts)
      for (let share = 0; share < 1; share += 0.013) survives(text.slice(0, Math.floor(share * text.length)))
  })
})

describe('files that are whole', () => {
  it.each(files)('%s: write → read → write is the identity', (name) => {
    const text = readFileSync(new URL(name, folder), 'utf8')
    const once = openProblem(text)
    if (!once.ok) throw new Error(once.errors[0].message)
    const written = writeProblem(once.problem)
    const again = openProblem(written)
    expect(again.ok && writeProblem(again.problem)).toBe(written)
    expect(JSON.parse(written)).toEqual(JSON.parse(text))
  })

  it('keeps what a newer writer added, wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.nat(parsed.length - 1),
        fc.double({ min: 0, max: 0.999999, noNaN: true }),
        fc.jsonValue({ maxDepth: 2 }),
        (which, share, extra) => {
          const { value, at } = parsed[which]
          const document = structuredClone(value) as unknown as Record<string, unknown>
          const path = at[Math.floor(share * at.length)]
          let here: unknown = document
          for (const key of path.slice(0, -1)) here = (here as Record<string | number, unknown>)[key]
          // dictionaries of a person's own names are no place for new keys
          if (
            Array.isArray(here) ||
            path.some((k) => ['symbols', 'factors', 'display', 'view'].includes(String(k)))
          )
            return
          const key = 'sinceLater'
          ;(here as Record<string, unknown>)[key] = extra
          const text = JSON.stringify(document)
          const read = readProblem(text)
          expect(read.ok && JSON.stringify(read.problem)).toBe(text)
          expect(read.ok && read.notices.some((n) => n.path?.endsWith(key))).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})
