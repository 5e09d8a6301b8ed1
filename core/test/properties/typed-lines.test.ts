import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkProblem, readProblem, readRelative, writeProblem, type Problem } from '../../src/index.js'
import { readAnswers } from '../../src/statement/read-answers.js'
import { readLoads } from '../../src/statement/read-load.js'
import { readSupport } from '../../src/statement/read-support.js'
import { answerName } from '../../src/kinds/answers/index.js'
import { edit, makeReader, dimension } from '../../src/index.js'
import { anyFrame } from './any-frame.js'
import { frame } from '../builder.js'

const { problem } = frame()
  .node('A', 0, 0)
  .node('B', 4, 0)
  .node('C', 8, 2)
  .member('A', 'B')
  .member('B', 'C')
  .support('A', 'fixed')
  .support('C', 'roller')
  .load({ type: 'nodal', node: 'B', fy: -8 })
  .set({ symbols: { w: '3 kN/m' } })

/** What hands type: words and signs of the trade among letters, digits and whatever else. */
const scrap = fc.oneof(
  fc.constantFrom('A', 'B', 'AB', 'bc', 'CB', '12', '3.5', '-7', '1e3', 'kN', 'kN/m', 'kip', 'm', 'mm', '%'),
  fc.constantFrom(
    'down',
    'up',
    'cw',
    'ccw',
    'at',
    'to',
    '@',
    '30',
    'deg',
    'T',
    'C',
    '=',
    ',',
    ':',
    '(',
    ')',
    '^',
  ),
  fc.constantFrom(
    'pin',
    'roller',
    'fixed',
    'Ay',
    'M_AB',
    'FEM_BA',
    'F_AB',
    'θ_B',
    'w',
    'w*L^2/8',
    '\t',
    '\n',
    '–',
  ),
  fc.string({ maxLength: 4 }),
)
const line = fc.array(scrap, { maxLength: 7 }).map((parts) => parts.join(' '))
const forAny = (check: (text: string) => void) => fc.assert(fc.property(line, check), { numRuns: 1500 })

describe('a line that is typed', () => {
  it('is a load or a sentence, and a load can be stated', () =>
    forAny((text) => {
      const read = readLoads(problem, text, '', 'down', '')
      if (!read.ok) return void expect(read.message.trim()).not.toBe('')
      for (const load of read.loads) {
        const on = load.type === 'nodal' ? load.node : load.member
        expect(['A', 'B', 'C', 'AB', 'BC']).toContain(on)
        // what was read keeps to the form of the document
        expect(checkProblem(edit.addLoad(problem, '1', load)).ok).toBe(true)
      }
    }))

  it('is a support or a sentence', () =>
    forAny((text) => {
      const read = readSupport(problem, text)
      if (!read.ok) return void expect(read.message.trim()).not.toBe('')
      expect(checkProblem(edit.setSupport(problem, read.node, read.support)).ok).toBe(true)
    }))

  it('is a place or a sentence', () =>
    forAny((text) => {
      const read = readRelative(text, problem)
      if (!read) return
      if ('message' in read) expect(read.message.trim()).not.toBe('')
      else expect([read.x, read.y].every((v) => Number.isFinite(Number(v)))).toBe(true)
    }))

  it('is hand values, and what is left has its reason; nothing typed is lost', () =>
    forAny((text) => {
      const { answers, left } = readAnswers(problem, text)
      for (const l of left) expect(l.message.trim()).not.toBe('')
      const stated = answers.reduce<Problem>((p, a) => edit.addAnswer(p, a), problem)
      expect(checkProblem(stated).ok).toBe(true)
      for (const a of answers) expect(answerName(a)).not.toBe('')
    }))

  it('is a quantity or a sentence, in every dimension', () =>
    forAny((text) => {
      const { reader } = makeReader(problem.units, problem.symbols)
      for (const d of [dimension.length, dimension.force, dimension.moment, dimension.none]) {
        const read = reader.read(text, d)
        if (read.ok) expect(Number.isFinite(read.si)).toBe(true)
        else expect(read.message.trim()).not.toBe('')
      }
    }))
})

describe('a document', () => {
  it('is read back as it was written, for any frame', () =>
    fc.assert(
      fc.property(anyFrame, (p) => {
        const read = readProblem(writeProblem(p))
        expect(read).toMatchObject({ ok: true })
        if (read.ok) expect(read.problem).toEqual(JSON.parse(JSON.stringify(p)))
      }),
      { numRuns: 100 },
    ))

  it('of anything is a problem or sentences with paths, never a failure', () =>
    fc.assert(
      fc.property(fc.oneof(fc.json(), fc.string(), line), (text) => {
        const read = readProblem(text)
        if (read.ok) return
        for (const e of read.errors)
          expect([typeof e.path, e.message.trim() === '']).toEqual(['string', false])
      }),
      { numRuns: 500 },
    ))
})
